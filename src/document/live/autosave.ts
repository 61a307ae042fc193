import { encode } from '../codec';
import type { DocumentStore } from './documentStore';
import type { OutingStorage } from './indexedDb';

export type SaveState = 'saved' | 'saving' | 'failed';

/** Rest after the last edit before it is written, ms. */
const REST_MS = 250;

/**
 * Writes the open outing to storage after each rest in editing, and at once when `flush` is called.
 *
 * @returns stop, and flush for when the page is hidden or left
 */
export function startAutosave(
  document: DocumentStore,
  storage: OutingStorage,
  report: (state: SaveState) => void,
): { stop: () => void; flush: () => void } {
  let timer: ReturnType<typeof setTimeout> | null = null;
  let writes = Promise.resolve();
  let unsaved = false;
  const write = () => {
    if (timer !== null) clearTimeout(timer);
    timer = null;
    const { file } = document.store.getState();
    if (file === null) return;
    const text = encode(file);
    writes = writes
      .then(() => storage.save(text))
      .then(
        () => {
          unsaved = timer !== null || document.store.getState().file !== file;
          report(unsaved ? 'saving' : 'saved');
        },
        () => report('failed'),
      );
  };
  const unsubscribe = document.store.subscribe((state, before) => {
    if (state.file === before.file || state.file === null) return;
    unsaved = true;
    report('saving');
    if (timer !== null) clearTimeout(timer);
    timer = setTimeout(write, REST_MS);
  });
  return {
    stop: () => {
      unsubscribe();
      if (timer !== null) clearTimeout(timer);
    },
    flush: () => {
      const { file } = document.store.getState();
      if (file === null || !unsaved) return;
      storage.keep(encode(file));
      write();
    },
  };
}
