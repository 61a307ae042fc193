import type { Want } from '@/core/brief';
import { oneLine } from '@/core/text';
import { type ShotWords, shotWords, withoutFigures } from './shotWords';

/** What one line of a shot list says. */
export interface ShotLine extends ShotWords {
  readonly name: string;
  readonly want: Want;
  /** Distances, m; null where the line names none. */
  readonly fromM: number | null;
  readonly toM: number | null;
}

const BULLET = /^(?:[-*•–]|\[[ x]?\]|\d{1,3}[.)]) ?/i;
const WANT_FIRST = /^(must|want|bonus)\b ?[:,-]? ?/i;
const WANT_LAST = / ?[,(] ?(must|want|bonus) ?\)?$/i;
const DISTANCES =
  /(?<![\d.,])(\d{1,6}(?:[.,]\d{1,3})?)(?: ?(?:-|–|to) ?(\d{1,6}(?:[.,]\d{1,3})?))? ?(?:m|metres|meters)\b/i;
/** What leads to a distance. */
const LEADS = /[,;(]? ?\b(?:at|from)? ?$/i;
const ENDS = new Set([...' ,;:.-']);
const MOST_LETTERS = 120;
/** Letters of a line that are looked at. */
const LONGEST_LINE = 1000;

/** Distances as typed, nearer first: 6, 4–8 or 8-4, with or without their unit; null where there is none. */
export function distancesIn(text: string): { readonly fromM: number; readonly toM: number } | null {
  const line = tidied(text.slice(0, LONGEST_LINE));
  return rangeOf(DISTANCES.exec(line) ?? DISTANCES.exec(`${line} m`));
}

function rangeOf(found: RegExpExecArray | null) {
  if (!found) return null;
  const [a, b] = [found[1]!, found[2] ?? found[1]!].map((end) => Number(end.replace(',', '.')));
  return { fromM: Math.min(a!, b!), toM: Math.max(a!, b!) };
}

/**
 * A shot list as people write it, one picture a line: numbers and bullets in front are left out,
 * "must", "want" or "bonus" at either end says how badly, "4–8 m" from how far, "1/125" how long at the
 * most, "20 %" its share, "blur" that it is wanted behind; words of light and of everyday things say what
 * they mean. Empty lines fall away.
 */
export function readShotList(text: string): ShotLine[] {
  return text.split(/\r?\n/).flatMap((line) => {
    const whole = tidied(line.slice(0, LONGEST_LINE)).replace(BULLET, '').trim();
    const bare = tidied(withoutFigures(whole));
    const distances = DISTANCES.exec(bare);
    const rest = distances ? without(bare, distances) : bare;
    const want = WANT_FIRST.exec(bare) ?? WANT_LAST.exec(bare) ?? WANT_LAST.exec(rest);
    const name = trimmedEnd(rest.replace(WANT_FIRST, '').replace(WANT_LAST, ''))
      .slice(0, MOST_LETTERS)
      .trim();
    if (name === '') return [];
    const range = rangeOf(distances);
    return [
      {
        name,
        want: (want?.[1]?.toLowerCase() ?? 'want') as Want,
        fromM: range?.fromM ?? null,
        toM: range?.toM ?? null,
        ...shotWords(whole),
      },
    ];
  });
}

/** A line without its distances and what leads to them. */
function without(line: string, { index, 0: found }: RegExpExecArray): string {
  const before = line.slice(0, index);
  // Only the last few letters can lead to it.
  const near = before.slice(-8);
  const kept = before.slice(0, before.length - near.length) + near.replace(LEADS, '');
  const after = line.slice(index + found.length).replace(/^\)/, '');
  return tidied(`${kept} ${after}`);
}

/** Spaces once, and no comma left alone by what was taken out. */
const tidied = (text: string) => oneLine(text).replace(/ +/g, ' ').replaceAll(', ,', ',').trim();

function trimmedEnd(text: string): string {
  let end = text.length;
  while (end > 0 && ENDS.has(text[end - 1]!)) end -= 1;
  return text.slice(0, end);
}
