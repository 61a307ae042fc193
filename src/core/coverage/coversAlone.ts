import { footingOf, type Frame, type Limits, needAxis } from '@/core/brief';
import type { Setup } from '@/core/gear';
import { covers, type IntervalSet, union } from '@/core/intervals';
import { coveredPositions } from './covering';

/** Whether what is covered of a frame is enough: all of it, or any of it where that will do. */
export function isEnough(covered: IntervalSet, { need }: Pick<Frame, 'need'>): boolean {
  return footingOf(need) === 'free' ? covered.length > 0 : covers(covered, needAxis(need).range);
}

/**
 * Whether setups of one lens make a frame as it is described. From a fixed spot each may make its part;
 * else one of them has to make it, since nothing is put on another camera meanwhile.
 */
export function coversAlone(setups: readonly Setup[], frame: Frame, limits: Limits): boolean {
  const covered = setups.map((s) => coveredPositions(s, frame, limits));
  return footingOf(frame.need) === 'held'
    ? isEnough(union(covered.flat()), frame)
    : covered.some((each) => isEnough(each, frame));
}
