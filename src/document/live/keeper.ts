import type { Desk } from '../desk';
import type { DocumentStore } from './documentStore';
import { createExchange, type KeeperNews, type SeenParts } from './exchange';
import { problemOf, type StorageProblem } from './keyValue';
import { leaveBehind } from './leftBehind';
import { partsOf, type RecordPart } from './recordParts';
import { NewerVersionError } from './records';
import type { Host, OutingKey, RecordKey } from './stored';

export type SaveState = 'saved' | 'saving' | StorageProblem | 'newer';

/** Longest that an edit waits for its write to begin, ms. */
const WAIT_MS = 250;
/** How long after a failed write it is tried again, ms: twice as long each time, up to the longest. */
const AGAIN_MS = 2000;
const LONGEST_AGAIN_MS = 60_000;

/**
 * Keeps the open outing, the shelf and the settings in storage: each edit is written within a second,
 * whatever is typed; what other tabs write is taken in; nothing that was not seen is replaced.
 */
export function createKeeper(
  document: DocumentStore,
  host: Host,
  report: (state: SaveState) => void,
  tell: (news: KeeperNews) => void,
) {
  let outing: OutingKey = 'outing:none';
  let parts: readonly RecordPart<object>[] = [];
  let timer: ReturnType<typeof setTimeout> | null = null;
  let queue: Promise<unknown> = Promise.resolve();
  /** Writes that failed one after another. */
  let failures = 0;
  const exchange = createExchange(document, host, tell, () => report('newer'));
  const deskNow = () => document.store.getState().desk;
  const unsaved = () => {
    const desk = deskNow();
    return desk === null ? [] : parts.filter((part) => exchange.isUnsaved(part, desk));
  };
  const inTurn = <T>(work: () => Promise<T>): Promise<T> => {
    const done = queue.then(work, work);
    queue = done.catch(() => undefined);
    return done;
  };
  const schedule = (ms = WAIT_MS) => {
    timer ??= setTimeout(() => {
      timer = null;
      void save();
    }, ms);
  };
  const save = () =>
    inTurn(async () => {
      if (timer !== null) clearTimeout(timer);
      timer = null;
      try {
        for (const part of unsaved()) await exchange.write(part);
        if (unsaved().length > 0) schedule();
        failures = 0;
        report(unsaved().length > 0 ? 'saving' : 'saved');
        return unsaved().length === 0;
      } catch (error) {
        if (error instanceof NewerVersionError) report('newer');
        else {
          report(problemOf(error));
          schedule(Math.min(LONGEST_AGAIN_MS, AGAIN_MS * 2 ** failures));
          failures += 1;
        }
        return false;
      }
    });

  return {
    /** The key of the open outing. */
    outing: () => outing,
    /** Opens an outing; what is open must have been saved before. */
    open(key: OutingKey, desk: Desk, known: SeenParts) {
      outing = key;
      parts = partsOf(key);
      exchange.begin(known);
      document.open(desk);
      if (unsaved().length > 0) schedule(0);
    },
    /** Writes what is not written yet; false where that cannot be done. */
    save,
    /** Takes in what another tab has written. */
    takeIn: (key: RecordKey) =>
      inTurn(async () => {
        const part = parts.find((p) => p.key === key);
        if (part) await exchange.take(part).catch(() => undefined);
      }),
    takeInAll: () =>
      inTurn(async () => {
        for (const part of parts) await exchange.take(part).catch(() => undefined);
      }),
    /** Leaves what is not written where the next page finds it, and begins to write it. */
    leave() {
      const desk = deskNow();
      if (desk === null) return;
      for (const part of unsaved()) leaveBehind(exchange.writeOf(part, desk));
      if (unsaved().length > 0) void save();
    },
    /** Writes what is edited from now on; returns the way to stop. */
    start() {
      const unsubscribe = document.store.subscribe((state, before) => {
        if (state.desk === before.desk || state.desk === null || unsaved().length === 0) return;
        report('saving');
        schedule();
      });
      return () => {
        unsubscribe();
        if (timer !== null) clearTimeout(timer);
        timer = null;
      };
    },
  };
}
export type Keeper = ReturnType<typeof createKeeper>;
