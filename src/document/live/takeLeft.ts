import * as z from 'zod';
import type { Codec } from '../desk';
import { setAside } from './aside';
import { leftPlaces } from './leftBehind';
import { type Host, recordAt, type RecordKey } from './stored';
import { writeRecord } from './records';
import { versionsOf, versionText } from './versions';

/** A state as a page left it. */
const leftState = z.object({
  key: z.string(),
  name: z.string(),
  revision: z.number().int().min(0),
  stateId: z.string(),
  text: z.string(),
});

/**
 * Writes what earlier pages left behind, where it is newer than what is stored: an older state never
 * counts, and one that cannot be read is set aside without touching what is stored.
 */
export async function takeLeftBehind(
  host: Host,
  textOf: (key: RecordKey) => Codec<unknown>,
): Promise<void> {
  for (const place of leftPlaces()) {
    const raw = localStorage.getItem(place) ?? '';
    await takeOne(host, textOf, raw);
    localStorage.removeItem(place);
  }
}

async function takeOne(host: Host, textOf: (key: RecordKey) => Codec<unknown>, raw: string) {
  const left = leftState.safeParse(parsed(raw));
  if (!left.success)
    return setAside(host, {
      what: 'left',
      name: '–',
      text: raw,
      reason: { code: 'damaged' },
    });
  const { name, revision, stateId, text: content } = left.data;
  const key = left.data.key as RecordKey;
  const text = textOf(key);
  const read = text.read(content);
  if (!read.ok)
    return setAside(host, {
      what: key,
      name,
      text: content,
      reason: { code: 'refused', refusal: read.error },
    });
  const base = await baseOf(host, key, revision, text);
  const stored = await recordAt(host.stores, key);
  if (stored?.stateId === stateId) return;
  if (stored !== null && stored.revision !== revision && base === null)
    return setAside(host, {
      what: key,
      name,
      text: content,
      reason: { code: 'unsaved' },
    });
  const write = { key, name, text, stateId, value: read.value };
  const seen = { revision, value: base ?? read.value };
  const { conflicts } = await writeRecord(host, { ...write, seen });
  if (conflicts.length > 0)
    await setAside(host, {
      what: key,
      name,
      text: content,
      reason: { code: 'overtaken' },
    });
}

function parsed(raw: string): unknown {
  try {
    return JSON.parse(raw);
  } catch {
    return null;
  }
}

/** The state that something was made from, if it is still known. */
async function baseOf(host: Host, key: RecordKey, revision: number, text: Codec<unknown>) {
  const stored = await recordAt(host.stores, key);
  const version = (await versionsOf(host.stores.versions, key)).find(
    (v) => v.revision === revision,
  );
  const content =
    stored?.revision === revision
      ? stored.text
      : version && (await versionText(host.stores.versions, version));
  const read = content ? text.read(content) : null;
  return read?.ok ? read.value : null;
}
