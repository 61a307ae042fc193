/** Room on the drawing, px. */
interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** What is to be written beside a mark. */
export interface NameAsked {
  readonly key: string;
  readonly lines: readonly string[];
  /** Middle of the mark, and how far from it there is room, px. */
  readonly x: number;
  readonly y: number;
  readonly gap: number;
  readonly bold: boolean;
  /** It stands to the left of its mark where there is a choice. */
  readonly isBefore: boolean;
  /** Its mark is a line: it stands above it where it can. */
  readonly isAbove: boolean;
}

export interface NamePlaced extends NameAsked {
  /** Where its first line begins, or ends where it stands to the left, on its base line. */
  readonly atX: number;
  readonly atY: number;
  readonly ends: boolean;
}

/** About how broad a letter is, px, and how far apart lines are. */
const LETTER_PX = { plain: 6.2, bold: 6.8 } as const;
export const NAME_LINE_PX = 14;
/** From the top of a letter to its base line, px. */
const ASCENT_PX = 10;

/**
 * Names beside their marks where they lie over as little else as can be: each in turn takes the first
 * of its places that is free and on the paper, else the one that covers least.
 */
export function placedNames(
  asked: readonly NameAsked[],
  { width, height }: Pick<Box, 'width' | 'height'>,
): NamePlaced[] {
  const paper = { x: 0, y: 0, width, height };
  const taken: Box[] = asked.map(({ x, y }) => ({ x: x - 5, y: y - 5, width: 10, height: 10 }));
  return asked.map((name, i) => {
    const others = taken.filter((_, j) => j !== i);
    const [best] = placesOf(name)
      .map((place) => ({
        place,
        over: others.reduce((sum, o) => sum + overlap(o, place.box), outside(place.box, paper)),
      }))
      .toSorted((a, b) => a.over - b.over);
    const { box, ends } = best!.place;
    taken.push(box);
    return { ...name, ends, atX: ends ? box.x + box.width : box.x, atY: box.y + ASCENT_PX };
  });
}

/** Where a name may stand, the best first: beside its mark, then above or below it. */
function placesOf({ lines, x, y, gap, bold, isBefore, isAbove }: NameAsked) {
  const letter = bold ? LETTER_PX.bold : LETTER_PX.plain;
  const width = letter * Math.max(...lines.map((line) => line.length));
  const height = NAME_LINE_PX * lines.length;
  const beside = { top: y - NAME_LINE_PX / 2, from: gap };
  const above = { top: y - gap / 2 - height, from: 0 };
  const below = { top: y + gap / 2, from: 0 };
  const levels = isAbove ? [above, below, beside] : [beside, above, below];
  return levels.flatMap(({ top, from }) =>
    [isBefore, !isBefore].map((ends) => {
      return { ends, box: { x: ends ? x - from - width : x + from, y: top, width, height } };
    }),
  );
}

/** How much of a box is off the paper, px². */
const outside = (box: Box, paper: Box) => box.width * box.height - overlap(box, paper);

function overlap(a: Box, b: Box): number {
  const wide = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x);
  const high = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y);
  return wide > 0 && high > 0 ? wide * high : 0;
}
