import { footingOf, type Frame, needAxis } from '@/core/brief';
import type { Covering } from '@/core/coverage';
import {
  containsPoint,
  covers,
  type Interval,
  type IntervalSet,
  subtract,
  union,
} from '@/core/intervals';
import type { CandidateTable } from './candidates';
import type { Opportunity } from './opportunities';

/** An opportunity with what makes any of it. */
export interface OpportunityPositions {
  readonly opportunity: Opportunity;
  /** Two lenses on two bodies are asked for. */
  readonly needsBackup: boolean;
  readonly axis: Interval;
  /**
   * Where each candidate, by its number, makes it. Where one place or one setup has to do, the candidates
   * that do it have the whole axis, and the others are left out.
   */
  readonly positions: ReadonlyMap<number, IntervalSet>;
}

/** What the able setups make of an opportunity in its assignments. */
export function positionsAt(
  opportunity: Opportunity,
  covered: readonly Covering[],
  table: CandidateTable,
  needsBackup: boolean,
): OpportunityPositions {
  const axis = needAxis(opportunity.frame.need).range;
  const whole: IntervalSet = [axis];
  const oneItem = isOfOneItem(opportunity.frame);
  const free = footingOf(opportunity.frame.need) === 'free';
  const positions = new Map<number, IntervalSet>();
  for (const assignment of opportunity.assignments) {
    for (const { index, positions: set } of covered) {
      if (!table.isAvailableIn(index, assignment)) continue;
      const isWhole = free || covers(set, axis);
      if (oneItem && !isWhole) continue;
      const number = table.numberOf(index, assignment, needsBackup);
      const before = positions.get(number);
      if (isWhole) positions.set(number, whole);
      else if (before !== whole) positions.set(number, before ? union([...before, ...set]) : set);
    }
  }
  return { opportunity, needsBackup, axis, positions };
}

/** The places that the candidates that count make. */
export function* positionsOf(
  positions: OpportunityPositions['positions'],
  counts: readonly boolean[],
): Generator<IntervalSet> {
  for (const [number, set] of positions) if (counts[number]) yield set;
}

/** Whether one candidate has to do for the whole of a frame: it is free, flowing, or of one place. */
export function isOfOneItem({ need }: Frame): boolean {
  const { from, to } = needAxis(need).range;
  return footingOf(need) !== 'held' || from === to;
}

/** The places of an axis that some sets leave unmade. */
export function missingOf(axis: Interval, made: Iterable<IntervalSet>): IntervalSet {
  const sets: IntervalSet[] = [];
  for (const set of made) {
    if (covers(set, axis)) return [];
    sets.push(set);
  }
  const positions = union(sets.flat());
  if (axis.from === axis.to) return containsPoint(positions, axis.from) ? [] : [axis];
  return subtract([axis], positions);
}
