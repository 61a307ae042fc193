import localforage from 'localforage';
import { databaseName, type Place, type StoreName } from './place';
import { ending, NoAnswerError } from './ending';

/**
 * Longest that storage is waited for, ms: locks between tabs are held meanwhile, and a database that doesn't
 * answer must not hold them for ever. A write may be of 25 MB, and lands or doesn't after the waiting.
 */
const READ_WITHIN_MS = 15_000;
const WRITE_WITHIN_MS = 60_000;

/** A store of values by key; each write is complete when its promise resolves, or not done at all. */
export interface KeyValue {
  get<T>(key: string): Promise<T | null>;
  set(key: string, value: unknown): Promise<void>;
  remove(key: string): Promise<void>;
  keys(): Promise<readonly string[]>;
  entries<T>(): Promise<readonly (readonly [string, T])[]>;
}

/** The stores of the browser; each is a database by itself, so that opening one never waits for another. */
export interface Stores {
  /** One record an outing, one for the shelf, one for the settings. */
  readonly records: KeyValue;
  /** Earlier states of the records. */
  readonly versions: KeyValue;
  /** Texts that could not be read. */
  readonly aside: KeyValue;
  /** Large things that are not part of an outing's text. */
  readonly large: KeyValue;
}

export function openStores(place: Place): Stores {
  return {
    records: openStore(place, 'records'),
    versions: openStore(place, 'versions'),
    aside: openStore(place, 'aside'),
    large: openStore(place, 'large'),
  };
}

function openStore(place: Place, storeName: StoreName): KeyValue {
  const db = localforage.createInstance({
    name: databaseName(place, storeName),
    storeName,
    driver: localforage.INDEXEDDB,
  });
  return {
    get: (key) => ending(READ_WITHIN_MS, db.getItem(key)),
    set: async (key, value) => void (await ending(WRITE_WITHIN_MS, db.setItem(key, value))),
    remove: (key) => ending(WRITE_WITHIN_MS, db.removeItem(key)),
    keys: () => ending(READ_WITHIN_MS, db.keys()),
    entries: async <T>() => {
      const found: (readonly [string, T])[] = [];
      const all = db.iterate<T, void>((value, key) => void found.push([key, value]));
      await ending(READ_WITHIN_MS, all);
      return found;
    },
  };
}

/** Why a write failed: there is no room, the storage doesn't answer, or the browser refuses. */
export type StorageProblem = 'full' | 'silent' | 'refused';

export function problemOf(error: unknown): StorageProblem {
  if (error instanceof NoAnswerError) return 'silent';
  const name = error instanceof Error || error instanceof DOMException ? error.name : '';
  return name === 'QuotaExceededError' || name === 'NS_ERROR_DOM_QUOTA_REACHED'
    ? 'full'
    : 'refused';
}
