import { createStore, type StoreApi } from 'zustand/vanilla';
import { identityAt, type LogMarks, logOf, type Photo } from '@/core/log';
import {
  type BrowserHost,
  changePhotographs,
  forgetRead,
  joinedLogs,
  keepRead,
  NO_PHOTOGRAPHS,
  openPhotographs,
  type Photographs,
  problemOf,
  type StorageProblem,
  withPhotos,
} from '@/document/live';
import {
  createPhotoReaders,
  type FoundFile,
  readInWorker,
  type ReadingCount,
} from '@/document/reader';
import { createLogClient, type LogClient } from '@/workers/logClient';

/** What a reading brought. */
export interface ReadingDone extends ReadingCount {
  readonly added: number;
  /** In the log already. */
  readonly known: number;
  readonly cancelled: boolean;
}

/** Why a table could not be read. */
export type TableProblem = 'not-a-table' | 'no-source-file' | 'not-read';

export interface PhotographsState extends Photographs {
  readonly phase: 'closed' | 'opening' | 'open' | 'failed';
  /** A reading under way. */
  readonly reading: ReadingCount | null;
  readonly done: ReadingDone | null;
  readonly problem: StorageProblem | null;
}

/** All photographs of this browser: how they are read, kept, marked and taken out again. */
export interface PhotographKeeper {
  readonly state: StoreApi<PhotographsState>;
  readonly client: LogClient;
  open(): Promise<void>;
  /** Shows what is stored now, where something is shown. */
  reload(): Promise<void>;
  /** Makes ready to read files, before any are there. */
  warm(): void;
  read(files: readonly FoundFile[], withPlace: boolean): Promise<ReadingDone | null>;
  cancel(): void;
  /** Reads a table; null where it was cancelled. */
  readTable(text: string, withPlace: boolean): Promise<ReadingDone | TableProblem | null>;
  /** Keeps those that pass; gives the way to have the others back. */
  keepOnly(keep: (i: number) => boolean): Promise<() => Promise<void>>;
  mark(change: (marks: LogMarks) => LogMarks): Promise<void>;
}

const FIRST: PhotographsState = {
  ...NO_PHOTOGRAPHS,
  phase: 'closed',
  reading: null,
  done: null,
  problem: null,
};
const NOTHING_READ: ReadingCount = {
  files: 0,
  done: 0,
  read: 0,
  noData: 0,
  damaged: 0,
  notYet: [],
  notPhotos: 0,
};

/** How often what a reading has brought is stored, ms: no more is lost when the page is ended. */
const KEPT_EVERY_MS = 1000;

/** How often it is shown how far a reading has come, ms. */
const SHOWN_EVERY_MS = 200;

export function createPhotographs(host: BrowserHost): PhotographKeeper {
  const state = createStore<PhotographsState>(() => FIRST);
  const client = createLogClient();
  const readers = createPhotoReaders();
  let control: AbortController | null = null;
  let opening: Promise<void> | null = null;

  const load = async () => {
    try {
      state.setState({ ...(await openPhotographs(host)), phase: 'open' });
    } catch {
      state.setState({ phase: 'failed' });
    }
  };
  host.listen((key) => {
    if (key === 'photographs' && state.getState().phase === 'open') void load();
  });
  const change = async (how: Parameters<typeof changePhotographs>[2]): Promise<void> => {
    try {
      state.setState({ ...(await changePhotographs(host, state.getState(), how)), problem: null });
    } catch (error) {
      // What can't be kept is still there to be looked at, until the tab is closed.
      const { log, marks } = how(state.getState());
      state.setState({ log, marks, parts: [], problem: problemOf(error) });
    }
  };
  const add = async (photos: readonly Photo[], count: ReadingCount, cancelled: boolean) => {
    let added = 0;
    await change(({ log, marks }) => {
      const more = withPhotos(log, photos);
      added = more.added;
      return { ...more, marks };
    });
    const done = { ...count, added, known: photos.length - added, cancelled };
    // Said as added only once it is stored.
    state.setState({ done: state.getState().problem === null ? done : null, reading: null });
    return done;
  };

  return {
    state,
    client,
    open: () => {
      if (opening === null) {
        state.setState({ phase: 'opening' });
        client.warm();
        opening = load();
      }
      return opening;
    },
    reload: async () => {
      if (state.getState().phase !== 'closed') await load();
    },
    warm: readers.warm,
    async read(files, withPlace) {
      if (control !== null) return null;
      control = new AbortController();
      const { signal } = control;
      const photos: Photo[] = [];
      const reading = host.newId();
      /** What isn't kept beside the record yet. */
      let fresh: Photo[] = [];
      let keptAt = performance.now();
      let keeping: Promise<void> = Promise.resolve();
      let shownAt = -Infinity;
      state.setState({ reading: { ...NOTHING_READ, files: files.length }, done: null });
      try {
        const count = await readers.read(files, {
          withPlace,
          signal,
          take: (more, soFar) => {
            photos.push(...more);
            fresh.push(...more);
            if (performance.now() - keptAt >= KEPT_EVERY_MS) {
              const part = fresh;
              fresh = [];
              keptAt = performance.now();
              keeping = keeping.then(() => keepRead(host, reading, part)).catch(() => undefined);
            }
            // Drawing it takes time from the reading.
            const now = performance.now();
            if (now - shownAt < SHOWN_EVERY_MS) return;
            shownAt = now;
            state.setState({ reading: soFar });
          },
        });
        await keeping;
        const done = await add(photos, count, signal.aborted);
        // What couldn't be stored as a whole is still kept beside it.
        if (state.getState().problem === null)
          await forgetRead(host, reading).catch(() => undefined);
        return done;
      } finally {
        control = null;
        state.setState({ reading: null });
      }
    },
    cancel: () => control?.abort(),
    async readTable(text, withPlace) {
      if (control !== null) return null;
      control = new AbortController();
      const { signal } = control;
      const read = await readInWorker('photoTable', [text, withPlace], signal);
      control = null;
      if (signal.aborted) return null;
      if (!read.ok) return 'not-read';
      if (read.value.code !== 'read') return read.value.code;
      const { photos, withoutFile } = read.value;
      const files = photos.length + withoutFile;
      const count = {
        ...NOTHING_READ,
        files,
        done: files,
        read: photos.length,
        noData: withoutFile,
      };
      return add(photos, count, false);
    },
    async keepOnly(keep) {
      const before = state.getState().log;
      const gone = new Set<string>();
      for (let i = 0; i < before.count; i += 1) if (!keep(i)) gone.add(identityAt(before, i));
      // By what they are: another tab may have added photographs meanwhile.
      await change(({ log, marks }) => ({
        log: logOf(log, (i) => !gone.has(identityAt(log, i))),
        marks,
      }));
      return () => change(({ log, marks }) => ({ log: joinedLogs(log, before), marks }));
    },
    mark: (how) => change(({ log, marks }) => ({ log, marks: how(marks) })),
  };
}
