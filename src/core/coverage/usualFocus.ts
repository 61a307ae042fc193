import { type Frame, needAxis, type NeedAxis } from '@/core/brief';
import type { Setup } from '@/core/gear';
import { type Interval, intersect, type IntervalSet } from '@/core/intervals';

/** Where a frame is asked for, m from the sensor; null in the far, and where no distance is given. */
export function askedDistanceM({ need }: Pick<Frame, 'need'>): Interval | null {
  const { kind, range, atM } = needAxis(need);
  if (kind === 'distance') return range;
  return atM === null ? null : { from: atM, to: atM };
}

/** Nearest that anybody asks a frame for, m; null in the far, and where no distance is given. */
export function nearestAskedM(frame: Pick<Frame, 'need' | 'views'>): number | null {
  const asked = askedDistanceM(frame);
  return asked && Math.min(asked.from, ...frame.views.map((v) => v.fromM));
}

/** Of the places that a setup makes, those at which it usually focuses. */
export function atUsualFocus(
  { usualMinFocusM }: Setup,
  { kind, atM }: NeedAxis,
  positions: IntervalSet,
): IntervalSet {
  if (usualMinFocusM === null) return positions;
  if (kind === 'distance') return intersect(positions, [{ from: usualMinFocusM, to: Infinity }]);
  return atM !== null && atM < usualMinFocusM ? [] : positions;
}
