import {
  type Log,
  logBuilder,
  type LogMarks,
  NO_MARKS,
  EMPTY_LOG,
  type Photo,
  photosOf,
} from '@/core/log';
import { setAside } from './aside';
import { asText, isWhole, salvagedLog, salvagedMarks } from './photographColumns';
import type { Host } from './stored';

/** All photographs and what the person says of them, with the number of its state. */
export interface Photographs {
  readonly revision: number;
  readonly log: Log;
  readonly marks: LogMarks;
  /** What was stored last could not be read as a whole: this is what can be read of it. */
  readonly isDamaged: boolean;
}

export const NO_PHOTOGRAPHS: Photographs = {
  revision: 0,
  log: EMPTY_LOG,
  marks: NO_MARKS,
  isDamaged: false,
};

/** A newer Arm Reach has stored the photographs: this one must not write over them. */
export class NewerPhotographsError extends Error {
  override name = 'NewerPhotographsError';
}

/** The record as it is stored: columns as they are, in one write. */
interface StoredPhotographs {
  readonly version: typeof VERSION;
  readonly revision: number;
  readonly log: Log;
  readonly marks: LogMarks;
}
const VERSION = 1;
const KEY = 'photographs';
const REVISION = `${KEY}-revision`;
/** Under keys that begin so lies what a reading has brought that isn't part of the record yet. */
const READ = `${KEY}-read:`;

type Contents = Pick<Photographs, 'log' | 'marks'>;

/**
 * What is stored, with what an interrupted reading has left. What can't be read is set aside as a text,
 * all of it, and what can be read of it counts.
 *
 * @throws {NewerPhotographsError} when a newer Arm Reach has stored them
 */
export async function openPhotographs(host: Host): Promise<Photographs> {
  const stored = await openRecord(host);
  const left = await leftByReadings(host);
  if (left.photos.length === 0) return stored;
  const withLeft = ({ log, marks }: Contents) => ({ log: withPhotos(log, left.photos).log, marks });
  try {
    const opened = await changePhotographs(host, stored, withLeft);
    await left.forget().catch(() => undefined);
    return { ...opened, isDamaged: stored.isDamaged };
  } catch {
    // Shown all the same; what was left stays where it is until it can be stored.
    return { ...stored, ...withLeft(stored) };
  }
}

async function openRecord(host: Host): Promise<Photographs> {
  const { large } = host.stores;
  const stored = await large.get<unknown>(KEY);
  if (stored === null && (await large.get<number>(REVISION)) === null) return NO_PHOTOGRAPHS;
  if (isReadable(stored)) {
    const { revision, log, marks } = stored;
    return { revision, log, marks, isDamaged: false };
  }
  const parts = (typeof stored === 'object' && stored !== null ? stored : {}) as Partial<
    Record<keyof StoredPhotographs, unknown>
  >;
  if (typeof parts.version === 'number' && parts.version > VERSION)
    throw new NewerPhotographsError(`version ${parts.version}`);
  await setAside(host, {
    what: KEY,
    name: KEY,
    text: asText(stored),
    reason: { code: 'damaged' },
  }).catch(() => undefined);
  return {
    revision: typeof parts.revision === 'number' ? parts.revision : 0,
    log: salvagedLog(parts.log),
    marks: salvagedMarks(parts.marks),
    isDamaged: true,
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
  change: (now: Contents) => Contents,
): Promise<Photographs> {
  return host.lock(KEY, async () => {
    const revision = await host.stores.large.get<number>(REVISION);
    const now = revision === known.revision ? known : await openRecord(host);
    const { log, marks } = change(now);
    const next: StoredPhotographs = { version: VERSION, revision: now.revision + 1, log, marks };
    // First, so that a tab that is ended between the two never makes another trust what it knows.
    await host.stores.large.set(REVISION, next.revision);
    await host.stores.large.set(KEY, next);
    host.announce('photographs');
    return { revision: next.revision, log, marks, isDamaged: now.isDamaged };
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

/** A log with photographs added; how many of them were new. */
export function withPhotos(log: Log, photos: readonly Photo[]): { log: Log; added: number } {
  const builder = logBuilder(log);
  let added = 0;
  for (const photo of photos) if (builder.add(photo)) added += 1;
  return { log: builder.log(), added };
}

/** A log with what another has besides. */
export function joinedLogs(log: Log, other: Log): Log {
  return withPhotos(log, photosOf(other)).log;
}

function isReadable(stored: unknown): stored is StoredPhotographs {
  if (typeof stored !== 'object' || stored === null) return false;
  const { version, revision, log, marks } = stored as Partial<StoredPhotographs>;
  return version === VERSION && typeof revision === 'number' && isWhole(log, marks);
}
