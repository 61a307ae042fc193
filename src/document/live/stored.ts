import type { Stores } from './keyValue';

export type OutingKey = `outing:${string}`;
export type RecordKey = 'shelf' | 'settings' | OutingKey;

/** A document as it is stored: its text and all that is known of it, in one write. */
export interface StoredRecord {
  /** One more at each write; a state is newer than another by this, wherever it is kept. */
  readonly revision: number;
  /** Of the state, so that one that was written twice is known as one. */
  readonly stateId: string;
  readonly name: string;
  /** ms since 1970. */
  readonly createdAt: number;
  readonly savedAt: number;
  /** When it was put into the bin; null while it is not there. */
  readonly deletedAt: number | null;
  readonly text: string;
}

/**
 * What lies under a key, as a record. Something else that lies there has itself, as JSON, for its text,
 * which no document reads: so it is told and set aside like any damaged text.
 */
export function recordOf(found: unknown, key: RecordKey): StoredRecord {
  const record = (
    typeof found === 'object' && found !== null ? found : {}
  ) as Partial<StoredRecord>;
  const number = (value: unknown) =>
    typeof value === 'number' && Number.isFinite(value) ? value : 0;
  const isWhole = typeof record.text === 'string';
  return {
    revision: number(record.revision),
    stateId: typeof record.stateId === 'string' ? record.stateId : '',
    name: typeof record.name === 'string' ? record.name : key.slice(key.indexOf(':') + 1),
    createdAt: number(record.createdAt),
    savedAt: number(record.savedAt),
    deletedAt: typeof record.deletedAt === 'number' ? record.deletedAt : null,
    text: isWhole ? record.text! : (JSON.stringify(found) ?? String(found)),
  };
}

/** The record under a key; null where there is none. */
export async function recordAt(
  { records }: Pick<Stores, 'records'>,
  key: RecordKey,
): Promise<StoredRecord | null> {
  const found = await records.get<unknown>(key);
  // Nothing comes back for a key that isn't there as for one under which nothing lies.
  if (found === null && !(await records.keys()).includes(key)) return null;
  return recordOf(found, key);
}

/** What keeping documents takes from its host. */
export interface Host {
  readonly stores: Stores;
  /** Does work while no other tab does work of the same name. */
  readonly lock: <T>(name: string, work: () => Promise<T>) => Promise<T>;
  /** Tells the other tabs that a record, or the photographs, have changed. */
  readonly announce: (key: RecordKey | 'photographs') => void;
  /** ms since 1970. */
  readonly now: () => number;
  readonly newId: () => string;
}
