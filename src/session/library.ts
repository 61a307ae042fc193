import { decode, encode, type OutingFile } from '@/document';
import type { DocumentStore, LibraryEntry, OutingLibrary } from '@/document/live';

/** Outings of this browser: one is open, the others wait; none is replaced without being kept. */
export interface Library {
  /** All outings, the open one first. */
  list(): Promise<readonly LibraryEntry[]>;
  /** Keeps the open outing and opens another, new or as it was found; returns the way back. */
  open(file: OutingFile): Promise<() => Promise<void>>;
  /** Opens a kept outing; null when it cannot be read, with the open one left as it is. */
  reopen(id: string): Promise<(() => Promise<void>) | null>;
  /** Takes a kept outing away; returns the way to have it back. */
  discard(id: string): Promise<() => Promise<void>>;
}

export function createLibrary(
  document: DocumentStore,
  storage: OutingLibrary,
  newId: () => string,
  now: () => number,
): Library {
  const idOfOpen = async () => {
    const known = await storage.openId();
    if (known !== null) return known;
    const id = newId();
    await storage.setOpenId(id);
    return id;
  };
  const entryOfOpen = async (file: OutingFile): Promise<LibraryEntry> => ({
    id: await idOfOpen(),
    name: file.outing.name,
    savedAt: now(),
  });
  const keepOpen = async () => {
    const { file } = document.store.getState();
    if (file !== null) await storage.shelve(await entryOfOpen(file), encode(file));
  };
  const switchTo = async (file: OutingFile, id: string) => {
    const before = await idOfOpen();
    await keepOpen();
    await storage.setOpenId(id);
    document.open(file, false);
    return async () => void (await reopen(before));
  };
  const reopen = async (id: string) => {
    const text = await storage.fetch(id);
    const read = text === null ? null : decode(text);
    return read?.ok ? switchTo(read.value, id) : null;
  };
  return {
    async list() {
      const { file } = document.store.getState();
      const open = file === null ? [] : [await entryOfOpen(file)];
      const others = await storage.list();
      return [...open, ...others.filter((entry) => entry.id !== open[0]?.id)];
    },
    open: (file) => switchTo(file, newId()),
    reopen,
    async discard(id) {
      const text = await storage.fetch(id);
      const entry = (await storage.list()).find((e) => e.id === id);
      await storage.discard(id);
      return async () => {
        if (entry && text !== null) await storage.shelve(entry, text);
      };
    },
  };
}
