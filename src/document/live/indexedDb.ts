import localforage from 'localforage';

const DATABASE = 'arm-reach';
const CURRENT = 'current-outing';
const ASIDE = 'set-aside';

/** What is kept of a stored outing that could not be read: its text, never deleted on its own. */
export interface SetAside {
  readonly text: string;
  readonly reason: string;
}

/** The browser's storage of the open outing, as the text of its file. */
export interface OutingStorage {
  load(): Promise<string | null>;
  save(text: string): Promise<void>;
  setAside(aside: SetAside): Promise<void>;
  loadAside(): Promise<SetAside | null>;
  dropAside(): Promise<void>;
}

export function openStorage(): OutingStorage {
  const db = localforage.createInstance({ name: DATABASE, storeName: 'outings' });
  return {
    load: () => db.getItem<string>(CURRENT),
    save: async (text) => void (await db.setItem(CURRENT, text)),
    setAside: async (aside) => void (await db.setItem(ASIDE, aside)),
    loadAside: () => db.getItem<SetAside>(ASIDE),
    dropAside: () => db.removeItem(ASIDE),
  };
}
