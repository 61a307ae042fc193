import type { Want } from '@/core/brief';

/** What one line of a shot list says. */
export interface ShotLine {
  readonly name: string;
  readonly want: Want;
  /** Distances, m; null where the line names none. */
  readonly fromM: number | null;
  readonly toM: number | null;
}

const BULLET = /^\s*(?:[-*•–]|\[[ xX]?\]|\d{1,3}[.)])\s*/;
const WANT = /^\s*(must|want|bonus)\b\s*[:,-]?\s*|\s*[,(]\s*(must|want|bonus)\s*\)?\s*$/i;
const DISTANCES =
  /(?:[,;(]\s*)?(?:at|from)?\s*(\d+(?:[.,]\d+)?)(?:\s*(?:-|–|to)\s*(\d+(?:[.,]\d+)?))?\s*(m|metres|meters)\b\)?/i;
const MOST_LETTERS = 120;

/**
 * A shot list as people write it, one picture a line: numbers and bullets in front are left out,
 * "must", "want" or "bonus" at either end says how badly, "4–8 m" from how far. Empty lines fall away.
 */
export function readShotList(text: string): ShotLine[] {
  return text.split(/\r?\n/).flatMap((line) => {
    const bare = line.replace(BULLET, '');
    const want = WANT.exec(bare);
    const distances = DISTANCES.exec(bare);
    const name = bare
      .replace(DISTANCES, '')
      .replace(WANT, '')
      .replace(/\s+/g, ' ')
      .replace(/[\s,;:.-]+$/, '')
      .trim()
      .slice(0, MOST_LETTERS);
    if (name === '') return [];
    const ends = [distances?.[1], distances?.[2] ?? distances?.[1]].map((end) =>
      end === undefined ? null : Number(end.replace(',', '.')),
    );
    const [a = null, b = null] = ends;
    return [
      {
        name,
        want: ((want?.[1] ?? want?.[2])?.toLowerCase() ?? 'want') as Want,
        fromM: a === null || b === null ? null : Math.min(a, b),
        toM: a === null || b === null ? null : Math.max(a, b),
      },
    ];
  });
}
