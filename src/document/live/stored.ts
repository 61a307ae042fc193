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
