import type * as z from 'zod';
import { FIGURES } from '@/core/gear';

/** Times that what is wrong is taken out: taking one thing out may leave another without its place. */
const MOST_ROUNDS = 30;

/**
 * What can be read of a document that cannot be read as a whole: a gear figure that is not as it must
 * be is unknown, other things in its lists are left out, and other fields are as usual.
 *
 * @param value the parsed document, brought up to the newest version
 * @param usual a valid document, of which fields are taken
 * @returns null where a whole part of it is gone
 */
export function salvaged<T extends object>(
  value: unknown,
  schema: z.ZodType<T>,
  usual: T,
): T | null {
  const document: unknown = structuredClone(value);
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const parsed = schema.safeParse(document);
    if (parsed.success) return parsed.data;
    if (!isFields(document)) return null;
    const gone = new Map<unknown[], Set<number>>();
    for (const issue of parsed.error.issues) {
      const [part, ...rest] = issue.path;
      // A whole part that is missing is more than a field: an older version has more of it.
      const isPart = part !== undefined && rest.length === 0;
      if (isPart && issue.code !== 'too_big' && issue.code !== 'unrecognized_keys') return null;
      takeOut(document, issue, usual, gone);
    }
    for (const [list, places] of gone) {
      const kept = list.filter((_, i) => !places.has(i));
      list.splice(0, list.length, ...kept);
    }
  }
  return null;
}

type JsonFields = Record<string, unknown>;
const isFields = (value: unknown): value is JsonFields =>
  typeof value === 'object' && value !== null;

/** Notes what an issue takes out of a list, or puts the usual in the place of a field. */
function takeOut(
  document: JsonFields,
  issue: z.core.$ZodIssue,
  usual: object,
  gone: Map<unknown[], Set<number>>,
): void {
  let at: unknown = document;
  let otherwise: unknown = usual;
  const path = issue.path.map(String);
  for (const [depth, key] of path.entries()) {
    if (Array.isArray(at)) {
      const item: unknown = at[Number(key)];
      const figure = path[depth + 1];
      const isItem = isFields(item);
      if (isItem && figure === undefined && issue.code === 'unrecognized_keys')
        drop(item, issue.keys);
      // What is said to be unknown already was not the fault.
      else if (isItem && figure !== undefined && figure in FIGURES && item[figure] !== null)
        item[figure] = null;
      else gone.set(at, (gone.get(at) ?? new Set()).add(Number(key)));
      return;
    }
    if (!isFields(at)) return;
    otherwise = isFields(otherwise) ? otherwise[key] : undefined;
    const isEnd = depth === path.length - 1;
    if (isEnd || !isFields(at[key])) {
      const list = at[key];
      if (Array.isArray(list) && issue.code === 'too_big')
        at[key] = list.slice(0, Number(issue.maximum));
      else if (issue.code === 'unrecognized_keys' && isFields(list)) drop(list, issue.keys);
      else at[key] = structuredClone(otherwise);
      return;
    }
    at = at[key];
  }
  if (issue.code === 'unrecognized_keys' && isFields(at)) drop(at, issue.keys);
}

function drop(from: JsonFields, keys: readonly string[]): void {
  for (const key of keys) delete from[key];
}
