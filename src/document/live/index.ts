/** The open outing in the browser: its state with undo, its autosave, its storage. */
export { type SaveState, startAutosave } from './autosave';
export { createDocumentStore, type DocumentState, type DocumentStore } from './documentStore';
export {
  type LibraryEntry,
  openStorage,
  type OutingLibrary,
  type OutingStorage,
  type SetAside,
} from './indexedDb';
