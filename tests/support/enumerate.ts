import { footingOf, type Frame, needAxis } from '@/core/brief';
import { ablePlaces } from '@/core/coverage';
import type { Setup } from '@/core/gear';
import { covers, union } from '@/core/intervals';
import { aimsOf, type LineupQuestion, type Piece, selectable } from '@/core/lineup';

/** The slow, obvious way: every subset of the pieces, each frame looked at on its own. */

function isGot(frame: Frame, setups: readonly Setup[], { limits }: LineupQuestion): boolean {
  const axis = needAxis(frame.need).range;
  const places = setups.map((s) => ablePlaces(s, frame, limits));
  switch (footingOf(frame.need)) {
    case 'free':
      return places.some((p) => p.length > 0);
    case 'flowing':
      return places.some((p) => covers(p, axis));
    case 'held':
      return covers(union(places.flat()), axis);
  }
}

/** The values of all aims for one set of pieces; the last aim, the order of ids, is left out. */
export function aimValues(
  question: LineupQuestion,
  all: readonly Piece[],
  setups: readonly Setup[],
  taken: ReadonlySet<string>,
): number[] {
  const atHand = setups.filter(
    (s) => taken.has(s.lensId) && (s.converterId === null || taken.has(s.converterId)),
  );
  const lost = question.frames.filter((f) => !isGot(f, atHand, question));
  const pieces = all.filter((p) => taken.has(p.id));
  return aimsOf(question.frames, question.limits)
    .filter((aim) => aim.name !== 'order')
    .map(
      (aim) =>
        lost.reduce((sum, f) => sum + aim.frameCost(f.id), 0) +
        pieces.reduce((sum, p) => sum + aim.pieceCost(p, 0), 0),
    );
}

export function compareAims(a: readonly number[], b: readonly number[], tolerance: number): number {
  for (const [i, value] of a.entries()) {
    const other = b[i] ?? 0;
    if (Math.abs(value - other) > tolerance * Math.max(1, Math.abs(other))) return value - other;
  }
  return 0;
}

/** The best aims over all subsets that keep to the limits; null when none does. */
export function bestByEnumeration(question: LineupQuestion, tolerance: number): number[] | null {
  const { pieces, setups } = selectable(question.shelf, question.limits);
  const { maxLenses, maxLineupWeightG } = question.limits;
  let best: number[] | null = null;
  for (let mask = 0; mask < 2 ** pieces.length; mask += 1) {
    const chosen = pieces.filter((_, i) => mask & (1 << i));
    if (pieces.some((p) => p.lockedIn && !chosen.includes(p))) continue;
    if (maxLenses !== null && chosen.filter((p) => p.kind === 'lens').length > maxLenses) continue;
    if (
      maxLineupWeightG !== null &&
      chosen.reduce((sum, p) => sum + (p.weightG ?? 0), 0) > maxLineupWeightG
    )
      continue;
    const values = aimValues(question, pieces, setups, new Set(chosen.map((p) => p.id)));
    if (best === null || compareAims(values, best, tolerance) < 0) best = values;
  }
  return best;
}
