import {
  DEFAULT_SETTINGS,
  type Desk,
  EMPTY_SHELF,
  type Plan,
  planCodec,
  settingsCodec,
  shelfCodec,
  type Codec,
} from '../desk';
import { setAside } from './aside';
import type { SeenParts } from './exchange';
import { type Host, type OutingKey, type RecordKey, recordOf } from './stored';
import { NewerVersionError, readRecord, type Seen } from './records';

/** A stored document as it was opened. */
interface OpenedRecord<T> {
  readonly value: T;
  readonly seen: Seen<T>;
  /** Its text could not be read, and the newest version that could counts. */
  readonly restored: boolean;
}

/**
 * Opens a stored document. What cannot be read is set aside, and what can be read of it counts, else
 * the newest version that can be read; null where there is none.
 *
 * @throws {NewerVersionError} when a newer Arm Reach has written it
 */
async function openRecord<T extends object>(
  host: Host,
  key: RecordKey,
  text: Codec<T>,
): Promise<OpenedRecord<T> | null> {
  const found = await readRecord(host.stores, key, text);
  if (found === null) return null;
  const { record, read } = found;
  const { revision, name } = record;
  if (read.ok) return { value: read.value, seen: { revision, value: read.value }, restored: false };
  if (read.error.code === 'newer-version') throw new NewerVersionError(read.error);
  await setAside(host, {
    what: key,
    name,
    text: record.text,
    reason: { code: 'refused', refusal: read.error },
  });
  const part = text.salvage(record.text);
  if (part !== null) return { value: part, seen: { revision, value: { ...part } }, restored: true };
  const { versionsOf, versionText } = await import('./versions');
  for (const version of await versionsOf(host.stores.versions, key)) {
    const older = text.read((await versionText(host.stores.versions, version)) ?? '');
    if (older.ok)
      return { value: older.value, seen: { revision, value: { ...older.value } }, restored: true };
  }
  return null;
}

/** The person's own part of a desk, and what was seen of it. */
export interface Personal {
  readonly shelf: Desk['shelf'];
  readonly settings: Desk['settings'];
  readonly seen: SeenParts;
  readonly restored: boolean;
}

export async function openPersonal(host: Host): Promise<Personal> {
  const [shelf, settings] = await Promise.all([
    openRecord(host, 'shelf', shelfCodec),
    openRecord(host, 'settings', settingsCodec),
  ]);
  return {
    shelf: shelf?.value ?? EMPTY_SHELF,
    settings: settings?.value ?? DEFAULT_SETTINGS,
    seen: new Map<RecordKey, Seen<object>>([
      ['shelf', shelf?.seen ?? { revision: 0, value: EMPTY_SHELF }],
      ['settings', settings?.seen ?? { revision: 0, value: DEFAULT_SETTINGS }],
    ]),
    restored: (shelf?.restored ?? false) || (settings?.restored ?? false),
  };
}

export function openPlan(host: Host, key: OutingKey): Promise<OpenedRecord<Plan> | null> {
  return openRecord(host, key, planCodec);
}

/** The same; 'newer' where only a newer Arm Reach can read it. */
export async function openPlanOrNewer(
  host: Host,
  key: OutingKey,
): Promise<OpenedRecord<Plan> | 'newer' | null> {
  try {
    return await openPlan(host, key);
  } catch (error) {
    if (error instanceof NewerVersionError) return 'newer';
    throw error;
  }
}

/** An outing of this browser, without its text. */
export interface OutingEntry {
  readonly key: OutingKey;
  readonly name: string;
  readonly savedAt: number;
  readonly deletedAt: number | null;
}

/** How long a deleted outing lies in the bin, days. */
export const BIN_DAYS = 30;

const isOuting = (key: string): key is OutingKey => key.startsWith('outing:');

/** All outings, made from the records themselves, the one saved last first; those in the bin are among them. */
export async function allOutings({ stores }: Pick<Host, 'stores'>): Promise<OutingEntry[]> {
  const records = await stores.records.entries<unknown>();
  return records
    .flatMap(([key, found]) => {
      if (!isOuting(key)) return [];
      const { name, savedAt, deletedAt } = recordOf(found, key);
      return [{ key, name, savedAt, deletedAt }];
    })
    .sort((a, b) => b.savedAt - a.savedAt || (a.key < b.key ? -1 : 1));
}
