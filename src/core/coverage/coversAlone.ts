import { footingOf, type Frame, type Limits, needAxis } from '@/core/brief';
import type { Setup } from '@/core/gear';
import { covers, union } from '@/core/intervals';
import { coveredPositions } from './covering';

/** Whether some setups make all of a frame as it is described, or some of it where that is enough. */
export function coversAlone(setups: readonly Setup[], frame: Frame, limits: Limits): boolean {
  const made = union(setups.flatMap((s) => [...coveredPositions(s, frame, limits)]));
  return footingOf(frame.need) === 'free'
    ? made.length > 0
    : covers(made, needAxis(frame.need).range);
}
