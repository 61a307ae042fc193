import {
  EMPTY_LOG,
  type Log,
  logBuilder,
  type LogLists,
  type LogMarks,
  NO_MARKS,
  type Photo,
  photosOf,
} from '@/core/log';
import { setAside } from './aside';
import {
  asText,
  fieldsOf,
  isLog,
  readMarks,
  salvagedLog,
  salvagedMarks,
} from './photographColumns';
import {
  forgetOtherParts,
  listsOf,
  logOfParts,
  storedColumns,
  type StoredPart,
  storeParts,
} from './photographParts';
import type { Host } from './stored';

/** All photographs and what the person says of them, with the number of its state. */
export interface Photographs {
  readonly revision: number;
  readonly log: Log;
  readonly marks: LogMarks;
  /** What was stored last could not be read as a whole: this is what can be read of it. */
  readonly isDamaged: boolean;
  /** Where they are stored as they are here; none where that is not so. */
  readonly parts: readonly StoredPart[];
}

export const NO_PHOTOGRAPHS: Photographs = {
  revision: 0,
  log: EMPTY_LOG,
  marks: NO_MARKS,
  isDamaged: false,
  parts: [],
};

/** A newer Arm Reach has stored the photographs: this one must not write over them. */
export class NewerPhotographsError extends Error {
  override name = 'NewerPhotographsError';
}

/** The record as it is stored; the columns are in parts, so that not all are written for one photograph. */
interface StoredPhotographs {
  readonly version: typeof VERSION;
  readonly revision: number;
  readonly marks: LogMarks;
  readonly lists: LogLists;
  readonly parts: readonly StoredPart[];
}
/** 1: all columns in the record. 3: lenses of photographs that name none, by camera. */
const VERSION = 3;
const KEY = 'photographs';
const REVISION = `${KEY}-revision`;
/** Under keys that begin so lies what a reading has brought that isn't part of the record yet. */
const READ = `${KEY}-read:`;

export type Contents = Pick<Photographs, 'log' | 'marks'>;

/** What is to be stored, and up to where its photographs are those that were there; 0 unless it is said. */
export type Changed = Contents & { readonly sameUpTo?: number };

/**
 * What is stored, with what an interrupted reading has left. What can't be read is set aside as a text,
 * all of it, and what can be read of it counts.
 *
 * @throws {NewerPhotographsError} when a newer Arm Reach has stored them
 */
export async function openPhotographs(host: Host): Promise<Photographs> {
  // No other tab takes away parts meanwhile.
  const stored = await host.lock(KEY, () => openRecord(host));
  const left = await leftByReadings(host);
  if (left.photos.length === 0) return stored;
  const withLeft = ({ log, marks }: Contents) => ({ ...withPhotos(log, left.photos), marks });
  try {
    const opened = await changePhotographs(host, stored, withLeft);
    await left.forget().catch(() => undefined);
    return { ...opened, isDamaged: stored.isDamaged };
  } catch {
    // Shown all the same; what was left stays where it is until it can be stored.
    return { ...stored, ...withLeft(stored), parts: [] };
  }
}

async function openRecord(host: Host): Promise<Photographs> {
  const { large } = host.stores;
  const stored = await large.get<unknown>(KEY);
  if (stored === null && (await large.get<number>(REVISION)) === null) return NO_PHOTOGRAPHS;
  const record = fieldsOf(stored) as Partial<Record<keyof StoredPhotographs | 'log', unknown>>;
  const { version } = record;
  const marks = readMarks(record.marks);
  if (typeof version === 'number' && version > VERSION)
    throw new NewerPhotographsError(`version ${version}`);
  const revision = typeof record.revision === 'number' ? record.revision : 0;
  // In version 1 all columns were in the record, with their lists.
  const isOne = version === 1;
  const parts = partsOf(record.parts);
  const found = isOne ? [record.log] : await storedColumns(host, parts);
  const lists = fieldsOf(isOne ? record.log : record.lists);
  const logs: readonly unknown[] = found.map((columns) => ({ ...fieldsOf(columns), ...lists }));
  const isWhole = typeof record.revision === 'number' && (isOne || Array.isArray(record.parts));
  if (isWhole && marks !== null && logs.every(isLog)) {
    const log = logOfParts(logs, listsOf(lists as Partial<Log> as Log));
    return { revision, log, marks, isDamaged: false, parts };
  }
  await setAside(host, {
    what: KEY,
    name: KEY,
    text: asText(parts.length > 0 ? { ...record, parts: found } : stored),
    reason: { code: 'damaged' },
  }).catch(() => undefined);
  return {
    revision,
    log: logs.map(salvagedLog).reduce(joinedLogs, EMPTY_LOG),
    marks: salvagedMarks(record.marks),
    isDamaged: true,
    parts: [],
  };
}

/**
 * Changes what is stored, on the state that is stored now: what another tab did meanwhile is kept.
 *
 * @throws what the storage throws when it has no room or refuses
 */
export function changePhotographs(
  host: Host,
  known: Photographs,
  change: (now: Contents) => Changed,
): Promise<Photographs> {
  return host.lock(KEY, async () => {
    const stored = await host.stores.large.get<number>(REVISION);
    const now = stored === known.revision ? known : await openRecord(host);
    const { log, marks, sameUpTo = log === now.log ? log.count : 0 } = change(now);
    const parts = await storeParts(host, log, now.parts, sameUpTo);
    const revision = now.revision + 1;
    const next: StoredPhotographs = {
      version: VERSION,
      revision,
      marks,
      lists: listsOf(log),
      parts,
    };
    // First, so that a tab that is ended between the two never makes another trust what it knows.
    await host.stores.large.set(REVISION, revision);
    await host.stores.large.set(KEY, next);
    host.announce('photographs');
    await forgetOtherParts(host, parts).catch(() => undefined);
    return { revision, log, marks, isDamaged: now.isDamaged, parts };
  });
}

/**
 * Keeps what a reading has brought so far, beside the record, which is large: a page that is ended in the
 * middle loses none of it.
 *
 * @param reading which reading it is, so that another tab's is left alone
 */
export async function keepRead(
  { stores, newId }: Host,
  reading: string,
  photos: readonly Photo[],
): Promise<void> {
  await stores.large.set(`${READ}${reading}:${newId()}`, photos);
}

/** Forgets what a reading has kept once it is part of the record. */
export async function forgetRead({ stores }: Host, reading: string): Promise<void> {
  await removeAll(stores, await keysFrom(stores, `${READ}${reading}:`));
}

async function leftByReadings({ stores }: Host) {
  const keys = await keysFrom(stores, READ);
  const photos: Photo[] = [];
  for (const key of keys) photos.push(...((await stores.large.get<readonly Photo[]>(key)) ?? []));
  return { photos, forget: () => removeAll(stores, keys) };
}

async function keysFrom({ large }: Host['stores'], start: string): Promise<readonly string[]> {
  return (await large.keys()).filter((key) => key.startsWith(start));
}

async function removeAll({ large }: Host['stores'], keys: readonly string[]): Promise<void> {
  for (const key of keys) await large.remove(key);
}

/** A log with photographs added; how many of them were new, and up to where it is as it was. */
export function withPhotos(
  log: Log,
  photos: readonly Photo[],
): { log: Log; added: number; sameUpTo: number } {
  const builder = logBuilder(log, photos);
  let added = 0;
  for (const photo of photos) if (builder.add(photo)) added += 1;
  return { log: builder.log(), added, sameUpTo: builder.sameUpTo() };
}

/** A log with what another has besides. */
export function joinedLogs(log: Log, other: Log): Log {
  return withPhotos(log, photosOf(other)).log;
}

/** The parts that a record names, as far as it does. */
function partsOf(stored: unknown): readonly StoredPart[] {
  const isPart = (part: unknown): part is StoredPart => {
    const { key, count } = fieldsOf(part) as Partial<StoredPart>;
    return typeof key === 'string' && typeof count === 'number';
  };
  return Array.isArray(stored) ? stored.filter(isPart) : [];
}
