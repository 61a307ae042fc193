import { AT_EASE, type Pace } from '@/core/pace';
import { segmentsOf, type OpportunitySegments } from './segments';
import {
  abilitiesBySegments,
  abilitiesByPositions,
  type DominanceOptions,
  undominated,
} from './dominance';
import type { Problem, Target } from '../problem/problem';
import { narrowestWays } from './narrowestWays';
import { isAvailable } from '../problem/candidates';
import { missingOf, positionsOf } from '../problem/positions';
import type { SelectableItem } from '../problem/item';

/**
 * The part of a problem that decides: opportunities that something makes wholly, by their essential
 * segments, with only the lenses that may be needed.
 */
export interface Presolved {
  readonly targets: readonly Target<OpportunitySegments>[];
  /** The same with every opportunity, those too that another beats: what a proof has to look at. */
  readonly withEveryWay: readonly Target<OpportunitySegments>[];
  /** Items that are left, in the order of ids. */
  readonly items: readonly SelectableItem[];
  /** Items that must be taken: what is locked in, and what is tried. */
  readonly forced: ReadonlySet<string>;
}

export interface ReduceOptions extends Omit<DominanceOptions, 'forced'> {
  /** Items to be taken whatever the answer, at their full cost: to see what that would mean. */
  readonly forced?: ReadonlySet<string>;
  /** Items that may be chosen; all when left out. */
  readonly among?: ReadonlySet<string>;
  /** Keep every lens. */
  readonly keepAll?: boolean;
}

/** Leaves out the lenses that are never needed, first by the places they make, then by the segments. */
export function presolve(problem: Problem, options: ReduceOptions = {}): Presolved {
  const { among, pace = AT_EASE } = options;
  const items = problem.choice.items.filter((p) => among === undefined || among.has(p.id));
  const forced = new Set(
    items.filter((p) => p.lockedIn || options.forced?.has(p.id)).map((p) => p.id),
  );
  const allowed = candidatesAmong(problem, items);
  const reduced = (withEveryWay: readonly Target<OpportunitySegments>[]) => ({
    withEveryWay,
    targets: withEveryWay.map((target) => narrowestWays(target, allowed.length)),
  });
  if (options.keepAll) return { ...reduced(cutAll(problem.targets, allowed, pace)), items, forced };
  const ranking = { ...options, forced };
  const left = (kept: ReadonlySet<string>) => items.filter((p) => kept.has(p.id));
  const open = coverable(problem.targets, allowed);
  const byPositions = left(
    undominated(problem, abilitiesByPositions(problem, open, allowed), items, ranking),
  );
  const segments = cutAll(open, candidatesAmong(problem, byPositions), pace);
  const bySegments = left(
    undominated(problem, abilitiesBySegments(problem, segments), byPositions, ranking),
  );
  return {
    ...reduced(cutAll(open, candidatesAmong(problem, bySegments), pace)),
    items: bySegments,
    forced,
  };
}

/** For each candidate, whether all that it takes is among some items. */
function candidatesAmong({ candidates }: Problem, items: readonly SelectableItem[]): boolean[] {
  const ids = new Set(items.map((p) => p.id));
  return candidates.map(({ stack }) => isAvailable(stack, ids));
}

/** Targets by the opportunities that the allowed candidates can make wholly. */
function coverable(targets: readonly Target[], allowed: readonly boolean[]): Target[] {
  return targets.flatMap((target) => {
    const opportunities = target.opportunities.filter(
      ({ axis, positions }) => missingOf(axis, positionsOf(positions, allowed)).length === 0,
    );
    return isKept(target, opportunities) ? [{ ...target, opportunities }] : [];
  });
}

/** One that can't be got is lost; what rests on usual focus isn't where the whole frame is. */
const isKept = ({ layer }: Target, opportunities: readonly unknown[]) =>
  opportunities.length > 0 || layer === 'usualFocus';

/** Targets by the segments of the opportunities of which every segment has an allowed candidate. */
function cutAll(
  targets: readonly Target[],
  allowed: readonly boolean[],
  pace: Pace,
): Target<OpportunitySegments>[] {
  return targets.flatMap((target) => {
    const opportunities = target.opportunities
      .map((o) => {
        pace();
        return segmentsOf(o, allowed);
      })
      .filter(({ segments }) => segments.every((segment) => segment.candidates.length > 0));
    return isKept(target, opportunities) ? [{ ...target, opportunities }] : [];
  });
}
