import type { KeyValue } from './keyValue';
import type { RecordKey, StoredRecord } from './stored';
import { DAY_MS } from '@/core/units';

/** An earlier state of a record, without its text. */
export interface Version {
  readonly key: string;
  readonly revision: number;
  readonly savedAt: number;
}

interface KeptVersion extends Omit<Version, 'key'> {
  /** The text, gzip. */
  readonly packed: Uint8Array;
}

/** A state that stood as long as this is kept when it is replaced, ms. */
const STOOD_MS = 60_000;
/** While work goes on without such a pause, a state is kept this often, ms. */
const WORKING_MS = 300_000;
const VERSIONS_KEPT = 30;
const DAYS_KEPT = 60;

const SEPARATOR = '@';
const keyOf = (key: RecordKey, { savedAt, revision }: Pick<Version, 'savedAt' | 'revision'>) =>
  [key, String(savedAt).padStart(15, '0'), String(revision).padStart(9, '0')].join(SEPARATOR);

/**
 * Keeps a state that is about to be replaced, if it stood for a while: what is typed is no state. Without
 * room for it older ones go first; the write that comes after must not fail for the sake of it.
 */
export async function keepVersion(
  store: KeyValue,
  key: RecordKey,
  record: StoredRecord,
  now: number,
  always = false,
): Promise<void> {
  const kept = await versionsOf(store, key);
  const [newest] = kept;
  if (newest?.revision === record.revision) return;
  const stood = now - record.savedAt >= STOOD_MS;
  const worked = !newest || record.savedAt - newest.savedAt >= WORKING_MS;
  if (!always && !stood && !worked) return;
  const { revision, savedAt, text } = record;
  const packed = await packText(text);
  await store.set(keyOf(key, record), { revision, savedAt, packed } satisfies KeptVersion);
  await prune(store, [{ key: keyOf(key, record), revision, savedAt }, ...kept], now);
}

/** A text as gzip; the browser packs it beside the page's own thread where it can. */
async function packText(text: string): Promise<Uint8Array> {
  if ('CompressionStream' in globalThis) {
    const packing = new Blob([text]).stream().pipeThrough(new CompressionStream('gzip'));
    return new Uint8Array(await new Response(packing).arrayBuffer());
  }
  const { gzipSync, strToU8 } = await import('fflate');
  return gzipSync(strToU8(text));
}

/** Earlier states of a record, newest first. */
export async function versionsOf(store: KeyValue, key: RecordKey): Promise<Version[]> {
  const keys = await store.keys();
  return keys
    .filter((k) => k.startsWith(`${key}${SEPARATOR}`))
    .sort()
    .reverse()
    .map((k) => {
      const [, savedAt, revision] = k.slice(key.length).split(SEPARATOR);
      return { key: k, savedAt: Number(savedAt), revision: Number(revision) };
    });
}

/** The text of an earlier state; null when it is gone, or damaged. */
export async function versionText(store: KeyValue, { key }: Version): Promise<string | null> {
  const kept = await store.get<KeptVersion>(key);
  if (kept === null) return null;
  const { gunzipSync, strFromU8 } = await import('fflate');
  if (unpackedBytes(kept.packed) > LARGEST_VERSION) return null;
  try {
    return strFromU8(gunzipSync(kept.packed));
  } catch {
    return null;
  }
}

/** Largest text of a version, bytes: what comes out of a backup may be anything. */
const LARGEST_VERSION = 30_000_000;

/** What a gzip says it unpacks to, bytes (RFC 1952, 2.3.1: ISIZE). */
function unpackedBytes({ buffer, byteOffset, byteLength }: Uint8Array): number {
  return byteLength < 4
    ? Infinity
    : new DataView(buffer, byteOffset).getUint32(byteLength - 4, true);
}

/** All earlier states of all records, as they are kept. */
export async function allVersions(
  store: KeyValue,
): Promise<{ key: string; revision: number; savedAt: number; packed: Uint8Array }[]> {
  const kept = await store.entries<KeptVersion>();
  return kept.map(([at, { revision, savedAt, packed }]) => ({
    key: at.slice(0, at.indexOf(SEPARATOR)),
    ...{ revision, savedAt, packed },
  }));
}

/** Puts earlier states of a record back, beside those that are there. */
export async function restoreVersions(
  store: KeyValue,
  key: RecordKey,
  versions: readonly KeptVersion[],
  now: number,
): Promise<void> {
  for (const { revision, savedAt, packed } of versions)
    await store.set(keyOf(key, { revision, savedAt }), { revision, savedAt, packed });
  await prune(store, await versionsOf(store, key), now);
}

/** Removes what is too many: beyond the last thirty one a day stays, and nothing past sixty days. */
async function prune(store: KeyValue, versions: readonly Version[], now: number): Promise<void> {
  for (const version of superfluous(versions, now)) await store.remove(version.key);
}

/** Versions, newest first, that are not kept any longer. */
export function superfluous(versions: readonly Version[], now: number): Version[] {
  const days = new Set<number>();
  return versions.filter(({ savedAt }, i) => {
    const day = Math.floor(savedAt / DAY_MS);
    const isFirstOfDay = !days.has(day);
    days.add(day);
    if (i < VERSIONS_KEPT) return false;
    return !isFirstOfDay || now - savedAt > DAYS_KEPT * DAY_MS;
  });
}

/** Removes all versions of a record that is gone for good. */
export async function dropVersions(store: KeyValue, key: RecordKey): Promise<void> {
  for (const version of await versionsOf(store, key)) await store.remove(version.key);
}
