import type { Result } from '@/core/result';
import { join, same, type Codec } from '../desk';
import type { Refusal } from '../reading';
import { type Aside, setAside } from './aside';
import { ending } from './ending';
import type { Stores } from './keyValue';
import { noteVersion, versionsKept } from './noteVersion';
import { type Host, type OutingKey, recordAt, type RecordKey, type StoredRecord } from './stored';

/** What a tab knows of a record: the last state that it wrote or saw. */
export interface Seen<T> {
  /** 0 while nothing is stored. */
  readonly revision: number;
  readonly value: T;
}

export interface Write<T> {
  readonly key: RecordKey;
  readonly text: Codec<T>;
  readonly name: string;
  readonly seen: Seen<T>;
  readonly value: T;
  readonly stateId: string;
}

export interface Written<T> {
  readonly seen: Seen<T>;
  /** Places where another tab had changed the same thing; the other's value stands there. */
  readonly conflicts: readonly string[];
}

/** A newer Arm Reach has written it: this one must not write over it. */
export class NewerVersionError extends Error {
  override name = 'NewerVersionError';

  constructor(readonly refusal: Refusal) {
    super(refusal.code);
  }
}

/**
 * Writes a state. What another tab has written meanwhile is joined with it, never replaced unseen. The
 * state before becomes a version once the lock is free again: the edit waits for nothing but its write.
 */
export async function writeRecord<T>(host: Host, write: Write<T>): Promise<Written<T>> {
  const { key, name, seen, stateId, value } = write;
  let before: StoredRecord | null = null;
  const written = await host.lock(key, async (): Promise<Written<T>> => {
    const stored = await recordAt(host.stores, key);
    if (stored?.stateId === stateId)
      return { seen: { revision: stored.revision, value }, conflicts: [] };
    const joined = await joinStored(host, write, stored);
    const now = host.now();
    const revision = Math.max(stored?.revision ?? 0, seen.revision) + 1;
    await host.stores.records.set(key, {
      revision,
      stateId: joined.value === value ? stateId : host.newId(),
      name,
      createdAt: stored?.createdAt ?? now,
      savedAt: now,
      deletedAt: null,
      text: write.text.write(joined.value),
    } satisfies StoredRecord);
    before = stored;
    host.announce(key);
    return { seen: { revision, value: joined.value }, conflicts: joined.conflicts };
  });
  if (before !== null) void noteVersion(host, key, before);
  return written;
}

async function joinStored<T>(host: Host, write: Write<T>, stored: StoredRecord | null) {
  const { seen, text, value } = write;
  const alone = { value, conflicts: [] };
  if (stored === null || stored.revision <= seen.revision) return alone;
  const read = text.read(stored.text);
  if (!read.ok) {
    await refuseNewer(host, write.key, stored, read.error);
    return alone;
  }
  return joinedReadably(text, seen.value, value, read.value);
}

/** Two states joined; where what comes of it could not be read again, theirs alone. */
export function joinedReadably<T>(text: Codec<T>, base: T, mine: T, theirs: T) {
  const joined = join(base, mine, theirs);
  if (joined.value === mine || same(joined.value, theirs)) return joined;
  return text.read(text.write(joined.value)).ok ? joined : { value: theirs, conflicts: [''] };
}

/** Sets aside what cannot be read; what a newer version has written stays where it is. */
async function refuseNewer(host: Host, key: RecordKey, stored: StoredRecord, refusal: Refusal) {
  if (refusal.code === 'newer-version') throw new NewerVersionError(refusal);
  await setAside(host, asideOf(key, stored, refusal));
}

const asideOf = (
  key: RecordKey,
  { name, text }: StoredRecord,
  refusal: Refusal,
): Omit<Aside, 'at'> => ({
  what: key,
  name,
  text,
  reason: { code: 'refused', refusal },
});

/** A record that was read; `damaged` where its text cannot be read, and why. */
export interface ReadRecord<T> {
  readonly record: StoredRecord;
  readonly read: Result<T, Refusal>;
}

export async function readRecord<T>(
  stores: Stores,
  key: RecordKey,
  text: Codec<T>,
): Promise<ReadRecord<T> | null> {
  const record = await recordAt(stores, key);
  return record === null ? null : { record, read: text.read(record.text) };
}

/** Puts an outing into the bin, or takes it out again. */
export function setDeleted(host: Host, key: OutingKey, deleted: boolean): Promise<void> {
  return host.lock(key, async () => {
    const stored = await recordAt(host.stores, key);
    if (stored === null) return;
    await host.stores.records.set(key, {
      ...stored,
      revision: stored.revision + 1,
      deletedAt: deleted ? host.now() : null,
    } satisfies StoredRecord);
    host.announce(key);
  });
}

/** Deletes an outing that is in the bin, and then its versions. */
export async function removeDeleted(host: Host, key: OutingKey): Promise<void> {
  const isGone = await host.lock(key, async () => {
    const stored = await recordAt(host.stores, key);
    if (stored === null || stored.deletedAt === null) return false;
    await host.stores.records.remove(key);
    return true;
  });
  if (isGone) void forgetVersions(host, key);
}

/** Removes the versions of an outing that is gone, once those under way are kept. */
async function forgetVersions({ stores }: Host, key: OutingKey): Promise<void> {
  try {
    const { dropVersions } = await import('./versions');
    await versionsKept(stores);
    await dropVersions(stores.versions, key);
  } catch {
    // They belong to nothing that can be opened.
  }
}

/** Longest that the version of what is replaced is waited for, ms. */
const KEPT_WITHIN_MS = 10_000;

/**
 * Puts a record in the place of the one there, which is kept as a version first; it is newer than all
 * before. Where the version doesn't come about in time, what is replaced is set aside.
 */
export async function replaceRecord(
  host: Host,
  key: RecordKey,
  about: Pick<StoredRecord, 'name' | 'text' | 'savedAt' | 'deletedAt'>,
): Promise<void> {
  const before = await recordAt(host.stores, key);
  await keepSurely(host, key, before);
  const replaced = await host.lock(key, async () => {
    const stored = await recordAt(host.stores, key);
    await host.stores.records.set(key, {
      ...about,
      revision: (stored?.revision ?? 0) + 1,
      stateId: host.newId(),
      createdAt: stored?.createdAt ?? about.savedAt,
    } satisfies StoredRecord);
    host.announce(key);
    return stored;
  });
  // What another tab wrote in between.
  if (replaced?.stateId !== before?.stateId) await keepSurely(host, key, replaced);
}

/** Keeps a state that nothing else holds: as a version, or, where that doesn't answer, set aside. */
export async function keepSurely(
  host: Host,
  key: RecordKey,
  record: StoredRecord | null,
): Promise<void> {
  if (record === null) return;
  const noted = noteVersion(host, key, record, true);
  const isKept = await ending(KEPT_WITHIN_MS, noted).catch(() => false);
  if (isKept) return;
  const { name, text } = record;
  await setAside(host, { what: key, name, text, reason: { code: 'overtaken' } });
}
