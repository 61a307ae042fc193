import localforage from 'localforage';

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

export function openStores(): Stores {
  return {
    records: openStore('records'),
    versions: openStore('versions'),
    aside: openStore('aside'),
    large: openStore('large'),
  };
}

function openStore(storeName: string): KeyValue {
  const db = localforage.createInstance({
    name: `arm-reach-${storeName}`,
    storeName,
    driver: localforage.INDEXEDDB,
  });
  return {
    get: (key) => db.getItem(key),
    set: async (key, value) => void (await db.setItem(key, value)),
    remove: (key) => db.removeItem(key),
    keys: () => db.keys(),
    entries: async <T>() => {
      const found: (readonly [string, T])[] = [];
      await db.iterate<T, void>((value, key) => void found.push([key, value]));
      return found;
    },
  };
}

/** Why a write failed: there is no room, or the browser refuses. */
export type StorageProblem = 'full' | 'refused';

export function problemOf(error: unknown): StorageProblem {
  const name = error instanceof Error || error instanceof DOMException ? error.name : '';
  return name === 'QuotaExceededError' || name === 'NS_ERROR_DOM_QUOTA_REACHED'
    ? 'full'
    : 'refused';
}
