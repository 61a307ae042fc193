/** A closed interval; `from <= to`. A point is an interval of no length. */
export interface Interval {
  readonly from: number;
  readonly to: number;
}

/** Sorted, disjoint, closed intervals. */
export type IntervalSet = readonly Interval[];

/** Two ends nearer than this (relative) are one: it keeps rounding from making slivers. */
const END_RELATIVE_TOLERANCE = 1e-9;

/** Whether `a` lies below `b` by more than rounding. */
export function clearlyBelow(a: number, b: number): boolean {
  return b - a > END_RELATIVE_TOLERANCE * Math.max(Math.abs(a), Math.abs(b));
}

export function union(intervals: readonly Interval[]): IntervalSet {
  const sorted = [...intervals].sort((a, b) => a.from - b.from || a.to - b.to);
  const merged: Interval[] = [];
  for (const next of sorted) {
    const last = merged.at(-1);
    if (last && !clearlyBelow(last.to, next.from)) {
      merged[merged.length - 1] = { from: last.from, to: Math.max(last.to, next.to) };
    } else {
      merged.push(next);
    }
  }
  return merged;
}

/** The parts of `whole` outside `taken`; pieces of no more than rounding length are dropped. */
export function subtract(whole: IntervalSet, taken: IntervalSet): IntervalSet {
  let left: Interval[] = [...whole];
  for (const cut of taken) {
    left = left.flatMap((piece) => {
      if (cut.to < piece.from || cut.from > piece.to) return [piece];
      const parts: Interval[] = [];
      if (clearlyBelow(piece.from, cut.from)) parts.push({ from: piece.from, to: cut.from });
      if (clearlyBelow(cut.to, piece.to)) parts.push({ from: cut.to, to: piece.to });
      return parts;
    });
  }
  return left;
}

export function intersect(a: IntervalSet, b: IntervalSet): IntervalSet {
  const shared: Interval[] = [];
  for (const x of a) {
    for (const y of b) {
      const from = Math.max(x.from, y.from);
      const to = Math.min(x.to, y.to);
      if (from <= to) shared.push({ from, to });
    }
  }
  return union(shared);
}

/** Whether one interval of the set covers all of `range`, ends within rounding. */
export function covers(set: IntervalSet, range: Interval): boolean {
  return set.some(
    (piece) => !clearlyBelow(range.from, piece.from) && !clearlyBelow(piece.to, range.to),
  );
}

export function containsPoint(set: IntervalSet, x: number): boolean {
  return set.some((piece) => !clearlyBelow(x, piece.from) && !clearlyBelow(piece.to, x));
}

/** The middle of an interval as the eye sees it on a logarithmic axis. */
export function logMiddle(range: Interval): number {
  return range.from > 0 ? Math.sqrt(range.from * range.to) : (range.from + range.to) / 2;
}
