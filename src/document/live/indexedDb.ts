import localforage from 'localforage';

const DATABASE = 'arm-reach';
const CURRENT = 'current-outing';
const ASIDE = 'set-aside';
const KEPT = 'arm-reach-kept';
const STORED = 'arm-reach-stored';
const LIBRARY = 'library';
const OPEN_ID = 'open-id';
const OUTING = 'outing:';

/** What is kept of a stored outing that could not be read: its text, never deleted on its own. */
export interface SetAside {
  readonly text: string;
  readonly reason: string;
}

/** An outing of the library, without its text. */
export interface LibraryEntry {
  readonly id: string;
  readonly name: string;
  /** When it was last put there, ms since 1970. */
  readonly savedAt: number;
}

/** The outings that are not open, and the id of the one that is. */
export interface OutingLibrary {
  openId(): Promise<string | null>;
  setOpenId(id: string): Promise<void>;
  list(): Promise<readonly LibraryEntry[]>;
  shelve(entry: LibraryEntry, text: string): Promise<void>;
  fetch(id: string): Promise<string | null>;
  discard(id: string): Promise<void>;
}

/**
 * The browser's storage of the open outing, as the text of its file.
 *
 * Writing takes a moment that a page being left does not have; `keep` is for that: it is done when
 * it returns, and what it kept counts until the next `save` has gone through.
 */
export interface OutingStorage extends OutingLibrary {
  /** Whether nothing seems to be stored yet: an answer at once, to be relied on only for haste. */
  seemsEmpty(): boolean;
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
    seemsEmpty: () => localStorage.getItem(STORED) === null,
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
      localStorage.setItem(STORED, 'yes');
      localStorage.removeItem(KEPT);
    },
    setAside: async (aside) => void (await db.setItem(ASIDE, aside)),
    loadAside: () => db.getItem<SetAside>(ASIDE),
    dropAside: () => db.removeItem(ASIDE),
    ...libraryIn(db),
  };
}

function libraryIn(db: LocalForage): OutingLibrary {
  const list = async () => (await db.getItem<readonly LibraryEntry[]>(LIBRARY)) ?? [];
  const without = async (id: string) => (await list()).filter((entry) => entry.id !== id);
  return {
    openId: () => db.getItem<string>(OPEN_ID),
    setOpenId: async (id) => void (await db.setItem(OPEN_ID, id)),
    list,
    async shelve(entry, text) {
      await db.setItem(`${OUTING}${entry.id}`, text);
      await db.setItem(LIBRARY, [entry, ...(await without(entry.id))]);
    },
    fetch: (id) => db.getItem<string>(`${OUTING}${id}`),
    async discard(id) {
      await db.setItem(LIBRARY, await without(id));
      await db.removeItem(`${OUTING}${id}`);
    },
  };
}
