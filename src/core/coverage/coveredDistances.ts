import type { Frame, Limits } from '@/core/brief';
import type { Setup } from '@/core/gear';
import type { IntervalSet } from '@/core/intervals';
import { coveredPositions } from './covering';

/** Between these distances it is looked, m: nearer is inside the camera, farther is out of any plan. */
const LOOKED_AT = { fromM: 0.1, toM: 20_000 } as const;

/**
 * The distances at which a setup makes a subject at all, wherever its frame says that it is; none for a
 * need without distances. Nothing is held in reserve.
 */
export function coveredDistances(setup: Setup, frame: Frame, limits: Limits): IntervalSet {
  if (frame.need.kind !== 'subject') return [];
  const need = { ...frame.need, ...LOOKED_AT, footing: 'held' as const };
  return coveredPositions(setup, { ...frame, need }, limits);
}
