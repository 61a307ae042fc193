import localforage from 'localforage';

const DATABASE = 'arm-reach';
const CURRENT = 'current-outing';
const ASIDE = 'set-aside';
const KEPT = 'arm-reach-kept';

/** What is kept of a stored outing that could not be read: its text, never deleted on its own. */
export interface SetAside {
  readonly text: string;
  readonly reason: string;
}

/**
 * The browser's storage of the open outing, as the text of its file.
 *
 * Writing takes a moment that a page being left does not have; `keep` is for that: it is done when
 * it returns, and what it kept counts until the next `save` has gone through.
 */
export interface OutingStorage {
  load(): Promise<string | null>;
  keep(text: string): void;
  save(text: string): Promise<void>;
  setAside(aside: SetAside): Promise<void>;
  loadAside(): Promise<SetAside | null>;
  dropAside(): Promise<void>;
}

export function openStorage(): OutingStorage {
  const db = localforage.createInstance({ name: DATABASE, storeName: 'outings' });
  return {
    load: async () => localStorage.getItem(KEPT) ?? (await db.getItem<string>(CURRENT)),
    keep: (text) => {
      try {
        localStorage.setItem(KEPT, text);
      } catch {
        // Too large to keep at once: the write under way is all that can be done.
      }
    },
    save: async (text) => {
      await db.setItem(CURRENT, text);
      localStorage.removeItem(KEPT);
    },
    setAside: async (aside) => void (await db.setItem(ASIDE, aside)),
    loadAside: () => db.getItem<SetAside>(ASIDE),
    dropAside: () => db.removeItem(ASIDE),
  };
}
