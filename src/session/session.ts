import { createStore, type StoreApi } from 'zustand/vanilla';
import { asksTheSame, DEFAULT_SETTINGS, EMPTY_SHELF, type FieldIssue, planAlone } from '@/document';
import {
  type AsideEntry,
  asides,
  type BrowserHost,
  createDocumentStore,
  createHost,
  createKeeper,
  deleteLeftSeason,
  type DocumentStore,
  type Keeper,
  type KeeperNews,
  problemOf,
  type SaveState,
  NewerVersionError,
} from '@/document/live';
import { type Answer, createLineupClient } from '@/workers/lineupClient';
import type { Backups } from './backups';
import { createFolderBackup, type FolderBackup } from './folderBackup';
import type { Library } from './library';
import { fetchDemo, type Found, markStored, openDemo, openStored, seemsEmpty } from './opening';
import type { PhotographKeeper } from './photographs';
import { createSelection, type Selection } from './selection';
import { refusalText } from '@/text';

export interface SessionState {
  readonly phase: 'opening' | 'open' | 'failed';
  /** The storage has not answered for a while. */
  readonly isSlow: boolean;
  /** The demo was opened because nothing was stored. */
  readonly firstVisit: boolean;
  /** The way through for a first visit is being walked. */
  readonly touring: boolean;
  readonly saveState: SaveState;
  /** Texts that could not be read, kept for download. */
  readonly asides: readonly AsideEntry[];
  /** The newest version that could be read was opened, since the last state could not. */
  readonly restored: boolean;
  /** What another tab has done that the person is told of. */
  readonly news: KeeperNews | null;
  readonly problem: string | null;
  /** The edit that was last refused, since what it would leave could not be read again. */
  readonly refused: { readonly issues: readonly FieldIssue[]; readonly would: object } | null;
}

/** One browser tab's work: the open outing, its answer, its storage. */
export interface Session {
  readonly document: DocumentStore;
  readonly host: BrowserHost;
  readonly keeper: Keeper;
  /** Loaded when it is first asked for. */
  readonly library: () => Promise<Library>;
  /** Loaded when they are first asked for. */
  readonly backups: () => Promise<Backups>;
  readonly folder: FolderBackup;
  /** Photographs of all outings; loaded when they are first asked for. */
  readonly photographs: () => Promise<PhotographKeeper>;
  readonly answer: StoreApi<Answer>;
  readonly state: StoreApi<SessionState>;
  /** What is selected in the address, ahead of the router. */
  readonly selection: Selection;
  /** Opens the demo in this tab alone, where the storage fails or does not answer; nothing is saved. */
  goOnWithoutSaving(): Promise<void>;
  /** Opens what is stored, or the demo. Returns the way to end the session. */
  start(): () => void;
}

/** How long the storage may take before it is said that it does, ms. */
const SLOW_AFTER_MS = 3000;
/** What nobody waits for comes after the first answer, ms. */
const TIDY_AFTER_MS = 4000;
const FIRST_STATE: SessionState = {
  phase: 'opening',
  isSlow: false,
  firstVisit: false,
  touring: false,
  saveState: 'saved',
  asides: [],
  restored: false,
  news: null,
  problem: null,
  refused: null,
};

export function createSession(): Session {
  const document = createDocumentStore(
    () => performance.now(),
    (issues, would) => state.setState({ refused: { issues, would } }),
  );
  const host = createHost();
  const state = createStore<SessionState>(() => FIRST_STATE);
  const keeper = createKeeper(
    document,
    host,
    (saveState) => {
      state.setState({ saveState });
      if (saveState !== 'saved') return;
      markStored();
      folder.saved();
    },
    (news) => state.setState({ news }),
  );
  const library = once(() =>
    import('./library').then((m) => m.createLibrary(document, keeper, host)),
  );
  const backups = once(() =>
    import('./backups').then((m) =>
      m.createBackups(document, keeper, host, async () => (await photographs()).reload()),
    ),
  );
  const photographs = once(() => import('./photographs').then((m) => m.createPhotographs(host)));
  const folder = createFolderBackup(async () => (await backups()).pack(), host);
  const answer = createStore<Answer>(() => ({
    result: null,
    question: null,
    thinking: true,
    error: null,
  }));
  const parts = {
    ...{ document, host, keeper, library, backups, folder, photographs, answer, state },
    selection: createSelection(),
  };
  let alone = false;
  return {
    ...parts,
    async goOnWithoutSaving() {
      alone = true;
      const file = await fetchDemo();
      const plan = planAlone(file, DEFAULT_SETTINGS);
      document.open({ plan, shelf: EMPTY_SHELF, settings: DEFAULT_SETTINGS });
      state.setState({ phase: 'open', isSlow: false, firstVisit: true, saveState: 'refused' });
    },
    start() {
      const stopAnswering = answerEdits(document, answer);
      const stopAsking = askToLast(document);
      const stopKeeping = keepInStep(parts);
      void open(parts, () => alone);
      return () => {
        stopKeeping();
        stopAsking();
        folder.stop();
        stopAnswering();
      };
    },
  };
}

type Parts = Omit<Session, 'goOnWithoutSaving' | 'start'>;

/** Loads a thing when it is first asked for. */
function once<T>(load: () => Promise<T>): () => Promise<T> {
  let loaded: Promise<T> | null = null;
  return () => (loaded ??= load());
}

/** Opens what is stored, or the demo, unless the person went on without it meanwhile. */
async function open(
  { host, keeper, library, folder, state }: Parts,
  isAlone: () => boolean,
): Promise<void> {
  const slow = setTimeout(() => state.setState({ isSlow: true }), SLOW_AFTER_MS);
  try {
    // Looking into a storage for the first time takes as long as fetching the demo.
    const ahead = seemsEmpty() ? fetchDemo() : null;
    ahead?.catch(() => undefined);
    const looking = openStored(host, keeper, () => !isAlone());
    const found = await looking.catch((error: unknown): Found => {
      if (error instanceof NewerVersionError) throw error;
      return { opened: false, refused: error };
    });
    if (isAlone()) return;
    if (!found.opened) await openDemo(keeper, await (ahead ?? fetchDemo()), found);
    state.setState({
      phase: 'open',
      firstVisit: !found.opened,
      restored: found.restored ?? false,
      ...(found.passedOver?.length
        ? { news: { kind: 'newer-outing' as const, names: found.passedOver } }
        : {}),
      ...('refused' in found ? { saveState: problemOf(found.refused) } : {}),
    });
    state.setState({ asides: await asides(host).catch(() => []) });
    setTimeout(() => void tidyUp(library, folder), TIDY_AFTER_MS);
  } catch (error) {
    state.setState({ phase: 'failed', problem: openingProblem(error) });
  } finally {
    clearTimeout(slow);
  }
}

/** Asks for a new answer after each edit that may change it. Returns the way to stop. */
function answerEdits(document: DocumentStore, answer: StoreApi<Answer>): () => void {
  const client = createLineupClient((next) => answer.setState(next));
  client.warm();
  const unsubscribe = document.store.subscribe(({ file }, { file: before }) => {
    if (file !== null && !(before && asksTheSame(file, before))) client.ask(file);
  });
  return () => {
    unsubscribe();
    client.close();
  };
}

/** Writes edits, takes in those of other tabs, and leaves none behind unsaved. */
function keepInStep({ keeper, host }: Parts): () => void {
  const stop = keeper.start();
  const unlisten = host.listen((key) => {
    if (key !== 'photographs') void keeper.takeIn(key);
  });
  const seen = () => {
    if (window.document.visibilityState === 'visible')
      void keeper.takeInAll().then(() => keeper.save());
    else keeper.leave();
  };
  window.addEventListener('pagehide', keeper.leave);
  window.document.addEventListener('visibilitychange', seen);
  return () => {
    window.removeEventListener('pagehide', keeper.leave);
    window.document.removeEventListener('visibilitychange', seen);
    keeper.leave();
    stop();
    unlisten();
  };
}

/** Empties the bin of what lay there too long, and takes the backup folder up again. */
async function tidyUp(library: () => Promise<Library>, folder: FolderBackup): Promise<void> {
  await folder.resume().catch(() => undefined);
  await library()
    .then((l) => l.emptyBin())
    .catch(() => undefined);
  await deleteLeftSeason().catch(() => undefined);
}

/** Asks the browser once to keep what is stored, when the first own thing is entered. */
function askToLast({ store }: DocumentStore): () => void {
  const stop = store.subscribe(({ desk }, before) => {
    if (before.desk === null || desk === before.desk) return;
    stop();
    void navigator.storage?.persist?.().catch(() => false);
  });
  return stop;
}

/** Why the stored outing can't be opened. */
function openingProblem(error: unknown): string {
  if (error instanceof NewerVersionError) return refusalText(error.refusal);
  return error instanceof Error ? error.message : String(error);
}
