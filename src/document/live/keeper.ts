import {
  copyOf,
  type Desk,
  join,
  planCodec,
  settingsCodec,
  shared,
  shelfCodec,
  type Codec,
} from '../desk';
import type { DocumentStore } from './documentStore';
import { problemOf, type StorageProblem } from './keyValue';
import { forget, leaveBehind } from './leftBehind';
import { type Host, type OutingKey, type RecordKey, type StoredRecord } from './stored';
import {
  joinedReadably,
  NewerVersionError,
  noteVersion,
  type Seen,
  type Write,
  writeRecord,
} from './records';

export type SaveState = 'saved' | 'saving' | StorageProblem | 'newer';

/** What happens between tabs that the person is told of. */
export type KeeperNews =
  | { readonly kind: 'copied'; readonly name: string; readonly places: readonly string[] }
  | { readonly kind: 'shelf-kept'; readonly places: readonly string[] }
  | { readonly kind: 'deleted-elsewhere' };

/** Longest that an edit waits for its write to begin, ms. */
const WAIT_MS = 250;
/** How long after a failed write it is tried again, ms: twice as long each time, up to the longest. */
const AGAIN_MS = 2000;
const LONGEST_AGAIN_MS = 60_000;

/** A part of the desk that is stored by itself. */
interface RecordPart<T> {
  readonly key: RecordKey;
  readonly text: Codec<T>;
  readonly get: (desk: Desk) => T;
  readonly put: (desk: Desk, value: T) => Desk;
  readonly name: (value: T) => string;
}

/** Gear before what may name it, so that a kill in between leaves nothing dangling. */
function partsOf(outing: OutingKey): readonly RecordPart<object>[] {
  const parts = [
    {
      key: 'settings',
      text: settingsCodec,
      get: (desk: Desk) => desk.settings,
      put: (desk: Desk, settings: Desk['settings']) => ({ ...desk, settings }),
      name: () => 'Settings',
    },
    {
      key: 'shelf',
      text: shelfCodec,
      get: (desk: Desk) => desk.shelf,
      put: (desk: Desk, shelf: Desk['shelf']) => ({ ...desk, shelf }),
      name: () => 'Shelf',
    },
    {
      key: outing,
      text: planCodec,
      get: (desk: Desk) => desk.plan,
      put: (desk: Desk, plan: Desk['plan']) => ({ ...desk, plan }),
      name: (plan: Desk['plan']) => plan.outing.name,
    },
  ];
  return parts as unknown as readonly RecordPart<object>[];
}

export type SeenParts = ReadonlyMap<RecordKey, Seen<object>>;

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
  let seen = new Map<RecordKey, Seen<object>>();
  let timer: ReturnType<typeof setTimeout> | null = null;
  let queue: Promise<unknown> = Promise.resolve();
  /** Writes that failed one after another. */
  let failures = 0;
  const stateIds = new WeakMap<object, string>();

  const deskNow = () => document.store.getState().desk;
  const stateId = (value: object) => {
    const id = stateIds.get(value) ?? host.newId();
    stateIds.set(value, id);
    return id;
  };
  const unsaved = () => {
    const desk = deskNow();
    return desk === null ? [] : parts.filter((p) => p.get(desk) !== seen.get(p.key)?.value);
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
  const writeOf = (part: RecordPart<object>, desk: Desk): Write<object> => {
    const value = part.get(desk);
    const { key, text } = part;
    const was = seen.get(key) ?? { revision: 0, value };
    return { key, text, value, seen: was, stateId: stateId(value), name: part.name(value) };
  };
  const keepMine = async (part: RecordPart<object>, mine: object, places: readonly string[]) => {
    if (part.key === 'settings') return;
    const record = {
      revision: (seen.get(part.key)?.revision ?? 0) + 1,
      stateId: host.newId(),
      name: part.name(mine),
      createdAt: host.now(),
      savedAt: host.now(),
      deletedAt: null,
      text: part.text.write(mine),
    } satisfies StoredRecord;
    if (part.key === 'shelf') {
      await noteVersion(host, 'shelf', record, true);
      return tell({ kind: 'shelf-kept', places });
    }
    const copy = copyOf(mine as Desk['plan'], 'copy');
    const { name } = copy.outing;
    const text = planCodec.write(copy);
    await host.stores.records.set(`outing:${host.newId()}`, { ...record, name, text, revision: 1 });
    tell({ kind: 'copied', name, places });
  };
  const write = async (part: RecordPart<object>) => {
    const desk = deskNow();
    if (desk === null || part.get(desk) === seen.get(part.key)?.value) return;
    const writing = writeOf(part, desk);
    const written = await writeRecord(host, writing);
    const stored = shared(writing.value, written.seen.value);
    seen.set(part.key, { revision: written.seen.revision, value: stored });
    forget(part.key, writing.stateId);
    if (stored === writing.value) return;
    if (written.conflicts.length > 0) await keepMine(part, writing.value, written.conflicts);
    const now = deskNow() ?? desk;
    const typed = part.get(now);
    const value = typed === writing.value ? stored : join(writing.value, typed, stored).value;
    document.adopt(part.put(now, value));
  };
  const save = () =>
    inTurn(async () => {
      if (timer !== null) clearTimeout(timer);
      timer = null;
      try {
        for (const part of unsaved()) await write(part);
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
  const take = async (part: RecordPart<object>) => {
    const record = await host.stores.records.get<StoredRecord>(part.key);
    const was = seen.get(part.key);
    const desk = deskNow();
    if (record === null || !was || desk === null || record.revision <= was.revision) return;
    const read = part.text.read(record.text);
    if (!read.ok) return read.error.code === 'newer-version' ? report('newer') : undefined;
    if (record.deletedAt !== null) tell({ kind: 'deleted-elsewhere' });
    const mine = part.get(desk);
    const theirs = shared(mine, read.value);
    const joined = mine === was.value ? null : joinedReadably(part.text, was.value, mine, theirs);
    seen.set(part.key, { revision: record.revision, value: theirs });
    if (joined && joined.conflicts.length > 0) await keepMine(part, mine, joined.conflicts);
    const value = joined?.value ?? theirs;
    if (value !== mine) document.adopt(part.put(deskNow() ?? desk, value));
  };

  return {
    /** The key of the open outing. */
    outing: () => outing,
    /** Opens an outing; what is open must have been saved before. */
    open(key: OutingKey, desk: Desk, known: SeenParts) {
      outing = key;
      parts = partsOf(key);
      seen = new Map(known);
      document.open(desk);
      if (unsaved().length > 0) schedule(0);
    },
    /** Writes what is not written yet; false where that cannot be done. */
    save,
    /** Takes in what another tab has written. */
    takeIn: (key: RecordKey) =>
      inTurn(async () => {
        const part = parts.find((p) => p.key === key);
        if (part) await take(part).catch(() => undefined);
      }),
    takeInAll: () =>
      inTurn(async () => {
        for (const part of parts) await take(part).catch(() => undefined);
      }),
    /** Leaves what is not written where the next page finds it, and begins to write it. */
    leave() {
      const desk = deskNow();
      if (desk === null) return;
      for (const part of unsaved()) leaveBehind(writeOf(part, desk));
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
