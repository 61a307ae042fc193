import type { Result } from '@/core/result';
import { join, same, type Codec } from '../desk';
import type { Refusal } from '../reading';
import { type Aside, setAside } from './aside';
import type { Stores } from './keyValue';
import type { Host, OutingKey, RecordKey, StoredRecord } from './stored';

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
 * Writes a state. What another tab has written meanwhile is joined with it, never replaced unseen;
 * the state before is kept as a version.
 */
export function writeRecord<T>(host: Host, write: Write<T>): Promise<Written<T>> {
  const { key, name, seen, stateId, value } = write;
  return host.lock(key, async () => {
    const stored = await host.stores.records.get<StoredRecord>(key);
    if (stored?.stateId === stateId)
      return { seen: { revision: stored.revision, value }, conflicts: [] };
    const joined = await joinStored(host, write, stored);
    const now = host.now();
    if (stored !== null) await noteVersion(host, key, stored);
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
    host.announce(key);
    return { seen: { revision, value: joined.value }, conflicts: joined.conflicts };
  });
}

/**
 * Keeps a state as a version if it is one, or always. What it takes is loaded when first needed; that
 * it cannot be loaded, or written, is no reason to lose the edit that is being written.
 */
export async function noteVersion(
  { stores, now }: Pick<Host, 'stores' | 'now'>,
  key: RecordKey,
  record: StoredRecord,
  always = false,
): Promise<void> {
  try {
    const { keepVersion } = await import('./versions');
    await keepVersion(stores.versions, key, record, now(), always);
  } catch {
    // A version less.
  }
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
  const record = await stores.records.get<StoredRecord>(key);
  return record === null ? null : { record, read: text.read(record.text) };
}

/** Puts an outing into the bin, or takes it out again. */
export function setDeleted(host: Host, key: OutingKey, deleted: boolean): Promise<void> {
  return host.lock(key, async () => {
    const stored = await host.stores.records.get<StoredRecord>(key);
    if (stored === null) return;
    await host.stores.records.set(key, {
      ...stored,
      revision: stored.revision + 1,
      deletedAt: deleted ? host.now() : null,
    } satisfies StoredRecord);
    host.announce(key);
  });
}

/** Deletes an outing that is in the bin, and its versions with it. */
export function removeDeleted(host: Host, key: OutingKey): Promise<void> {
  return host.lock(key, async () => {
    const stored = await host.stores.records.get<StoredRecord>(key);
    if (stored === null || stored.deletedAt === null) return;
    await host.stores.records.remove(key);
    const { dropVersions } = await import('./versions');
    await dropVersions(host.stores.versions, key);
  });
}

/** Puts a record in the place of the one there, which is kept as a version; it is newer than all before. */
export function replaceRecord(
  host: Host,
  key: RecordKey,
  about: Pick<StoredRecord, 'name' | 'text' | 'savedAt' | 'deletedAt'>,
): Promise<void> {
  return host.lock(key, async () => {
    const stored = await host.stores.records.get<StoredRecord>(key);
    if (stored !== null) await noteVersion(host, key, stored, true);
    await host.stores.records.set(key, {
      ...about,
      revision: (stored?.revision ?? 0) + 1,
      stateId: host.newId(),
      createdAt: stored?.createdAt ?? about.savedAt,
    } satisfies StoredRecord);
    host.announce(key);
  });
}
