import { createStore, type StoreApi } from 'zustand/vanilla';
import { decode, type OutingFile } from '@/document';
import {
  createDocumentStore,
  type DocumentStore,
  openStorage,
  type OutingStorage,
  type SaveState,
  type SetAside,
  startAutosave,
} from '@/document/live';
import { type Answer, createLineupClient } from '@/workers/lineupClient';
import { createLibrary, type Library } from './library';

export interface SessionState {
  readonly phase: 'opening' | 'open' | 'failed';
  /** The demo was opened because nothing was stored. */
  readonly firstVisit: boolean;
  /** The way through for a first visit is being walked. */
  readonly touring: boolean;
  readonly saveState: SaveState;
  /** A stored outing that could not be read, kept for download. */
  readonly aside: SetAside | null;
  readonly problem: string | null;
}

/** One browser tab's work: the open outing, its answer, its storage. */
export interface Session {
  readonly document: DocumentStore;
  readonly storage: OutingStorage;
  readonly library: Library;
  readonly answer: StoreApi<Answer>;
  readonly state: StoreApi<SessionState>;
  /** Opens what is stored, or the demo. Returns the way to end the session. */
  start(): () => void;
}

export const DEMO_ADDRESS = '/api/demo';

export function createSession(): Session {
  const document = createDocumentStore(() => performance.now());
  const storage = openStorage();
  const library = createLibrary(
    document,
    storage,
    () => crypto.randomUUID(),
    () => Date.now(),
  );
  const answer = createStore<Answer>(() => ({
    result: null,
    question: null,
    thinking: true,
    error: null,
  }));
  const state = createStore<SessionState>(() => ({
    phase: 'opening',
    firstVisit: false,
    touring: false,
    saveState: 'saved',
    aside: null,
    problem: null,
  }));

  const open = async () => {
    try {
      // Looking into a storage for the first time takes as long as fetching the demo.
      const ahead = storage.seemsEmpty() ? fetchDemo() : null;
      ahead?.catch(() => undefined);
      const { file, ...found } = await readStored(storage);
      document.open(file ?? (await (ahead ?? fetchDemo())), false);
      state.setState({ ...found, phase: 'open' });
    } catch (error) {
      state.setState({
        phase: 'failed',
        problem: error instanceof Error ? error.message : String(error),
      });
    }
  };

  return {
    document,
    storage,
    library,
    answer,
    state,
    start() {
      const client = createLineupClient((next) => answer.setState(next));
      client.warm();
      const unsubscribe = document.store.subscribe(({ file }, { file: before }) => {
        if (file !== null && !sameQuestion(file, before)) client.ask(file);
      });
      const autosave = startAutosave(document, storage, (saveState) =>
        state.setState({ saveState }),
      );
      window.addEventListener('pagehide', autosave.flush);
      window.document.addEventListener('visibilitychange', autosave.flush);
      void open();
      return () => {
        window.removeEventListener('pagehide', autosave.flush);
        window.document.removeEventListener('visibilitychange', autosave.flush);
        autosave.flush();
        autosave.stop();
        unsubscribe();
        client.close();
      };
    },
  };
}

function sameQuestion(a: OutingFile, b: OutingFile | null): boolean {
  return (
    b !== null &&
    a.frames === b.frames &&
    a.shelf === b.shelf &&
    a.limits === b.limits &&
    a.stretches === b.stretches &&
    a.outing.shooters === b.outing.shooters &&
    (a.limits.maxCarriedWeightG === null || samePacking(a.packing, b.packing))
  );
}

/** What is packed weighs under a limit on all that is carried; a tick changes nothing of it. */
function samePacking(a: OutingFile['packing'], b: OutingFile['packing']): boolean {
  const keys = Object.keys(a) as (keyof OutingFile['packing'])[];
  return keys.every((key) => key === 'ticked' || a[key] === b[key]);
}

/** The stored outing; one that cannot be read is set aside, never dropped. */
async function readStored(
  storage: OutingStorage,
): Promise<{ file: OutingFile | null; firstVisit: boolean; aside: SetAside | null }> {
  const [aside, text] = await Promise.all([storage.loadAside(), storage.load()]);
  if (text === null) return { file: null, firstVisit: true, aside };
  const read = decode(text);
  if (read.ok) return { file: read.value, firstVisit: false, aside };
  const put = { text, reason: read.error.message };
  await storage.setAside(put);
  return { file: null, firstVisit: false, aside: put };
}

export async function fetchDemo(): Promise<OutingFile> {
  const response = await fetch(DEMO_ADDRESS);
  if (!response.ok)
    throw new Error(`The demo outing could not be fetched (${response.status}). Reload the page.`);
  const read = decode(await response.text());
  if (!read.ok) throw new Error(read.error.message);
  return read.value;
}
