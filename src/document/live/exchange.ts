import { copyOf, type Desk, join, planCodec, shared } from '../desk';
import type { DocumentStore } from './documentStore';
import { forget } from './leftBehind';
import type { RecordPart } from './recordParts';
import { joinedReadably, keepSurely, type Seen, type Write, writeRecord } from './records';
import { type Host, recordAt, type RecordKey, type StoredRecord } from './stored';

/** What happens between tabs that the person is told of. */
export type KeeperNews =
  | { readonly kind: 'copied'; readonly name: string; readonly places: readonly string[] }
  | { readonly kind: 'shelf-kept'; readonly places: readonly string[] }
  | { readonly kind: 'deleted-elsewhere' }
  /** Outings that only a newer version can read, so that another one was opened. */
  | { readonly kind: 'newer-outing'; readonly names: readonly string[] };

export type SeenParts = ReadonlyMap<RecordKey, Seen<object>>;

/**
 * Writes parts of the desk and takes in what other tabs wrote, one part at a time. What was not seen is
 * never replaced: it is joined, and what cannot be joined is kept as a copy.
 *
 * @param newer told that a record comes from a newer version, which cannot be read
 */
export function createExchange(
  document: DocumentStore,
  host: Host,
  tell: (news: KeeperNews) => void,
  newer: () => void,
) {
  let seen = new Map<RecordKey, Seen<object>>();
  const stateIds = new WeakMap<object, string>();
  const deskNow = () => document.store.getState().desk;
  const stateId = (value: object) => {
    const id = stateIds.get(value) ?? host.newId();
    stateIds.set(value, id);
    return id;
  };
  const isUnsaved = (part: RecordPart<object>, desk: Desk) =>
    part.get(desk) !== seen.get(part.key)?.value;
  const writeOf = (part: RecordPart<object>, desk: Desk): Write<object> => {
    const value = part.get(desk);
    const { key, text } = part;
    const was = seen.get(key) ?? { revision: 0, value };
    return { key, text, value, seen: was, stateId: stateId(value), name: part.name(value) };
  };
  const keep = async (part: RecordPart<object>, mine: object, places: readonly string[]) => {
    const news = await keepMine(host, part, mine, seen.get(part.key)?.revision ?? 0, places);
    if (news) tell(news);
  };
  return {
    /** Begins with what was read. */
    begin(known: SeenParts) {
      seen = new Map(known);
    },
    isUnsaved,
    writeOf,
    async write(part: RecordPart<object>) {
      const desk = deskNow();
      if (desk === null || !isUnsaved(part, desk)) return;
      const writing = writeOf(part, desk);
      const written = await writeRecord(host, writing);
      const stored = shared(writing.value, written.seen.value);
      seen.set(part.key, { revision: written.seen.revision, value: stored });
      forget(part.key, writing.stateId);
      if (stored === writing.value) return;
      if (written.conflicts.length > 0) await keep(part, writing.value, written.conflicts);
      const now = deskNow() ?? desk;
      const typed = part.get(now);
      const value = typed === writing.value ? stored : join(writing.value, typed, stored).value;
      document.adopt(part.put(now, value));
    },
    /** Takes in what another tab has written. */
    async take(part: RecordPart<object>) {
      const record = await recordAt(host.stores, part.key);
      const was = seen.get(part.key);
      const desk = deskNow();
      if (record === null || !was || desk === null || record.revision <= was.revision) return;
      const read = part.text.read(record.text);
      if (!read.ok) return read.error.code === 'newer-version' ? newer() : undefined;
      if (record.deletedAt !== null) tell({ kind: 'deleted-elsewhere' });
      const mine = part.get(desk);
      const theirs = shared(mine, read.value);
      const joined = mine === was.value ? null : joinedReadably(part.text, was.value, mine, theirs);
      seen.set(part.key, { revision: record.revision, value: theirs });
      if (joined && joined.conflicts.length > 0) await keep(part, mine, joined.conflicts);
      const value = joined?.value ?? theirs;
      if (value !== mine) document.adopt(part.put(deskNow() ?? desk, value));
    },
  };
}

/** Keeps what could not be joined: an outing as a copy of its own, a shelf as a version. */
async function keepMine(
  host: Host,
  part: RecordPart<object>,
  mine: object,
  seenRevision: number,
  places: readonly string[],
): Promise<KeeperNews | null> {
  if (part.key === 'settings') return null;
  const record = {
    revision: seenRevision + 1,
    stateId: host.newId(),
    name: part.name(mine),
    createdAt: host.now(),
    savedAt: host.now(),
    deletedAt: null,
    text: part.text.write(mine),
  } satisfies StoredRecord;
  if (part.key === 'shelf') {
    await keepSurely(host, 'shelf', record);
    return { kind: 'shelf-kept', places };
  }
  const copy = copyOf(mine as Desk['plan'], 'copy');
  const { name } = copy.outing;
  const text = planCodec.write(copy);
  await host.stores.records.set(`outing:${host.newId()}`, { ...record, name, text, revision: 1 });
  return { kind: 'copied', name, places };
}
