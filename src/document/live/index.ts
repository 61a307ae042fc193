/** The open outing in the browser: its state with undo, its autosave, its storage. */
export { type SaveState, startAutosave } from './autosave';
export { createDocumentStore, type DocumentState, type DocumentStore } from './documentStore';
export { openStorage, type OutingStorage, type SetAside } from './indexedDb';
