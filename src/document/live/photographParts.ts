import { columnsOf, joinedColumns, type Log, type LogColumns, type LogLists } from '@/core/log';
import type { Host } from './stored';

/** Some of the photographs as they are stored, under a key of their own. */
export interface StoredPart {
  readonly key: string;
  readonly count: number;
}

/** Most photographs of one part: some 1.2 MB. */
const MOST_IN_PART = 10_000;
const PART = 'photographs-part:';

export const listsOf = ({ cameras, lenses, folders, labels }: Log): LogLists => ({
  cameras,
  lenses,
  folders,
  labels,
});

/**
 * Stores what has changed in parts under new keys: what is stored already stays as it is until the record
 * that names its parts is written.
 *
 * @param sameUpTo photographs before it are as they are stored
 * @returns all parts, those that stay first
 * @throws what the storage throws when it has no room or refuses
 */
export async function storeParts(
  { stores, newId }: Host,
  log: Log,
  stored: readonly StoredPart[],
  sameUpTo: number,
): Promise<readonly StoredPart[]> {
  const parts: StoredPart[] = [];
  let from = 0;
  for (const part of stored) {
    // The last one is written anew until it is full.
    const isWhole = part.count === MOST_IN_PART || sameUpTo === log.count;
    if (!isWhole || from + part.count > sameUpTo) break;
    parts.push(part);
    from += part.count;
  }
  for (; from < log.count; from += MOST_IN_PART) {
    const columns = columnsOf(log, from, from + MOST_IN_PART);
    const part = { key: `${PART}${newId()}`, count: columns.count };
    await stores.large.set(part.key, columns);
    parts.push(part);
  }
  return parts;
}

/** What is stored in parts; null for one that is gone. */
export function storedColumns(
  { stores }: Host,
  parts: readonly StoredPart[],
): Promise<readonly unknown[]> {
  return Promise.all(parts.map(({ key }) => stores.large.get<unknown>(key)));
}

export const logOfParts = (columns: readonly LogColumns[], lists: LogLists): Log => ({
  ...joinedColumns(columns),
  ...lists,
});

/** Takes away the parts that are not named any more. */
export async function forgetOtherParts(
  { stores: { large } }: Host,
  parts: readonly StoredPart[],
): Promise<void> {
  const named = new Set(parts.map(({ key }) => key));
  for (const key of await large.keys())
    if (key.startsWith(PART) && !named.has(key)) await large.remove(key);
}
