import { askedDistances, needAxis, type NeedAxis } from '@/core/brief';
import type { Setup } from '@/core/gear';
import { intersect, type IntervalSet } from '@/core/intervals';

/** Nearest that anybody asks a frame for, m from the sensor; null at infinity, and where no distance is given. */
export function nearestAskedM(frame: Parameters<typeof askedDistances>[0]): number | null {
  const { kind, atM } = needAxis(frame.need);
  return kind === 'distance' ? Math.min(...askedDistances(frame).map((d) => d.fromM)) : atM;
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
