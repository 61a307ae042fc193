import { createStore, type StoreApi } from 'zustand/vanilla';
import {
  type Codec,
  decode,
  DEFAULT_SETTINGS,
  type Desk,
  EMPTY_SHELF,
  type FieldIssue,
  type OutingFile,
  planAlone,
  planCodec,
  settingsCodec,
  shelfCodec,
} from '@/document';
import {
  allOutings,
  type AsideEntry,
  asides,
  type BrowserHost,
  createDocumentStore,
  createHost,
  createKeeper,
  deleteLeftSeason,
  type DocumentStore,
  hasLeftBehind,
  hasOldStorage,
  type Keeper,
  type KeeperNews,
  named,
  openPersonal,
  openPlanOrNewer,
  type OutingKey,
  type Personal,
  problemOf,
  type RecordKey,
  type SaveState,
  NewerVersionError,
  recordAt,
} from '@/document/live';
import { type Answer, createLineupClient } from '@/workers/lineupClient';
import type { Backups } from './backups';
import { createFolderBackup, type FolderBackup } from './folderBackup';
import type { Library } from './library';
import type { PhotographKeeper } from './photographs';
import { createSelection, type Selection } from './selection';
import { lastOpen, rememberOpen } from './whichOuting';
import { refusalText, sessionText } from '@/text';

const t = sessionText.session;

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

export const DEMO_ADDRESS = '/api/demo';
/** How long the storage may take before it is said that it does, ms. */
const SLOW_AFTER_MS = 3000;
/** What nobody waits for comes after the first answer, ms. */
const TIDY_AFTER_MS = 4000;
/** The demo that a first visit opens, one for all tabs. */
const FIRST_DEMO: OutingKey = 'outing:demo';
/** Set once something is stored: an answer at once, to be relied on only for haste. */
const STORED = named('arm-reach-stored');

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
    if (file !== null && !sameQuestion(file, before)) client.ask(file);
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

const TEXTS: Readonly<Record<'settings' | 'shelf', unknown>> = {
  settings: settingsCodec,
  shelf: shelfCodec,
};
const textOfKey = (key: RecordKey) =>
  (key === 'settings' || key === 'shelf' ? TEXTS[key] : planCodec) as Codec<unknown>;

interface Found {
  readonly opened: boolean;
  readonly personal?: Personal;
  readonly restored?: boolean;
  /** Names of outings that only a newer Arm Reach can read. */
  readonly passedOver?: readonly string[];
  readonly refused?: unknown;
}

/** Opens what is stored: what this tab had open, else what was opened last, else the newest. */
async function openStored(
  host: BrowserHost,
  keeper: Keeper,
  isWanted: () => boolean,
): Promise<Found> {
  if (await hasOldStorage(host)) await (await import('@/document/old')).takeOverOldStorage(host);
  if (hasLeftBehind()) await (await import('@/document/old')).takeLeftBehind(host, textOfKey);
  const personal = await openPersonal(host);
  const { shelf, settings, seen } = personal;
  const tried = new Set<OutingKey>();
  /** Outings that only a newer Arm Reach can read: another is opened. */
  const newer = new Set<OutingKey>();
  const tryOpen = async (key: OutingKey) => {
    if (tried.has(key)) return false;
    tried.add(key);
    const stored = await openPlanOrNewer(host, key);
    if (stored === 'newer') newer.add(key);
    if (stored === 'newer' || stored === null || !isWanted()) return false;
    keeper.open(
      key,
      { plan: stored.value, shelf, settings },
      new Map([...seen, [key, stored.seen]]),
    );
    rememberOpen(key);
    return stored.restored ? 'restored' : true;
  };
  const found = async (keys: readonly OutingKey[]) => {
    for (const key of keys) {
      const opened = await tryOpen(key);
      if (opened !== false) return opened;
    }
    return false;
  };
  const opened =
    (await found(await notDeleted(host, lastOpen()))) ||
    (await found((await allOutings(host)).filter((e) => e.deletedAt === null).map((e) => e.key)));
  const restored = opened === 'restored' || personal.restored;
  const entries = newer.size > 0 ? await allOutings(host) : [];
  const passedOver = entries.filter(({ key }) => newer.has(key)).map(({ name }) => name);
  return { opened: opened !== false, personal, restored, passedOver };
}

async function notDeleted(host: BrowserHost, keys: readonly OutingKey[]): Promise<OutingKey[]> {
  const records = await Promise.all(keys.map((key) => recordAt(host.stores, key)));
  return keys.filter((_, i) => records[i]?.deletedAt === null);
}

async function openDemo(keeper: Keeper, file: OutingFile, { personal }: Found): Promise<void> {
  const { shelf, settings } = personal ?? { shelf: EMPTY_SHELF, settings: DEFAULT_SETTINGS };
  const seen = personal?.seen ?? new Map();
  const plan = planAlone(file, settings);
  const desk: Desk = { plan, shelf, settings };
  keeper.open(
    FIRST_DEMO,
    desk,
    new Map([...seen, [FIRST_DEMO, { revision: 0, value: { ...plan } }]]),
  );
  rememberOpen(FIRST_DEMO);
}

function seemsEmpty(): boolean {
  try {
    return localStorage.getItem(STORED) === null;
  } catch {
    return true;
  }
}

function markStored(): void {
  try {
    localStorage.setItem(STORED, 'yes');
  } catch {
    // Without it the next visit only takes a little longer.
  }
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

export async function fetchDemo(): Promise<OutingFile> {
  const response = await fetch(DEMO_ADDRESS);
  if (!response.ok) throw new Error(t.theDemoOutingCouldNot(response.status));
  const read = decode(await response.text());
  if (!read.ok) throw new Error(refusalText(read.error));
  return read.value;
}

/** Why the stored outing can't be opened. */
function openingProblem(error: unknown): string {
  if (error instanceof NewerVersionError) return refusalText(error.refusal);
  return error instanceof Error ? error.message : String(error);
}
