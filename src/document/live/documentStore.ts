import { temporal } from 'zundo';
import { createStore } from 'zustand/vanilla';
import type { Edit } from '../edits';
import type { OutingFile } from '../outingFile';

export interface DocumentState {
  /** The open outing; null until it has been read. */
  readonly file: OutingFile | null;
}

/** Edits of one field that follow each other faster than this are undone together. */
const SAME_EDIT_MS = 900;
const HISTORY_LENGTH = 200;

/** The open outing with its undo history. `now` is the clock, in ms. */
export function createDocumentStore(now: () => number) {
  let last = { field: '', at: -Infinity };
  let joins = false;
  const store = createStore<DocumentState>()(
    temporal((): DocumentState => ({ file: null }), {
      limit: HISTORY_LENGTH,
      handleSet:
        (remember) =>
        (...change: Parameters<typeof remember>) => {
          if (!joins) remember(...change);
        },
    }),
  );
  const history = () => store.temporal.getState();
  return {
    store,
    /** Opens another outing; what was open can be had back by undo only when `undoable`. */
    open(file: OutingFile, undoable: boolean) {
      joins = false;
      last = { field: '', at: -Infinity };
      store.setState({ file });
      if (!undoable) history().clear();
    },
    /** Applies an edit; quick edits of the same field make one step of undo. */
    edit(change: Edit, field = '') {
      const { file } = store.getState();
      if (file === null) return;
      const at = now();
      joins = field !== '' && field === last.field && at - last.at < SAME_EDIT_MS;
      last = { field, at };
      store.setState({ file: change(file) });
      joins = false;
    },
    undo() {
      last = { field: '', at: -Infinity };
      history().undo();
    },
    redo() {
      last = { field: '', at: -Infinity };
      history().redo();
    },
  };
}

export type DocumentStore = ReturnType<typeof createDocumentStore>;
