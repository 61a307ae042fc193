import { type FrameId, isAskedTwice, type StretchId } from '@/core/brief';
import type { LensId } from '@/core/gear';
import type { Interval } from '@/core/intervals';
import { cut, type OpportunitySegments } from '../presolve/segments';
import type { Problem, Target } from '../problem/problem';
import { lensesOf } from '../problem/candidates';
import type { Got } from '../solve/choose';
import type { MipSolver } from '../solve/mipSolver';
import type { Presolved } from '../presolve/presolve';

/** A picture, or a run of distances of one, and every lens that can make it. */
export interface Witness {
  readonly frameId: FrameId;
  /** One place for each stretch or shooter that might get it; all of them would have to be made. */
  readonly places: readonly { readonly stretchId: StretchId | null; readonly range: Interval }[];
  readonly lensIds: readonly LensId[];
  /** Lenses that it takes: 2 where it is twice covered. */
  readonly lenses: 1 | 2;
}

/**
 * Why fewer will not do.
 *
 * witnesses: no two of these can be made with the same lens, and none with a locked-in lens, so
 * every lineup that gets these frames has at least `bound` lenses, as many as the lineup has.
 * search: the largest such set is smaller than the lineup; fewer items are ruled out by the
 * solver's exact search.
 * none: there is nothing to prove, or the search was cut short.
 */
export type Proof =
  | {
      readonly kind: 'witnesses' | 'search';
      readonly bound: number;
      readonly lockedIn: number;
      readonly witnesses: readonly Witness[];
    }
  | { readonly kind: 'none' };

/** A frame that can come about in several ways has so many combinations of places looked at. */
const MOST_COMBINATIONS = 256;

/**
 * The largest set of segments, among the frames got, of which no two can be made with the same lens.
 *
 * It is found exactly: one column a segment, one row a lens, at most one chosen segment in each row. A
 * frame with several opportunities stands for one segment of each of them together.
 *
 * @param got what the lineup gets; bonus frames count for nothing here
 * @param lineup its number of lenses, and whether it is itself proven best
 */
export function proofOf(
  solver: MipSolver,
  problem: Problem,
  presolved: Presolved,
  { got, once }: Got,
  lineup: { readonly lensCount: number; readonly proven: boolean },
  timeLimitS: number,
): Proof {
  if (lineup.lensCount === 0) return { kind: 'none' };
  const lockedIn = new Set(
    problem.choice.items.filter((p) => p.lockedIn && p.kind === 'lens').map((p) => p.id),
  );
  const candidates = fewestLenses(
    presolved.withEveryWay
      .filter(
        ({ layer, frame: { id, want } }) =>
          want !== 'bonus' && got.has(id) && layer === (once.has(id) ? 'single' : 'base'),
      )
      .flatMap((t) => candidatesOf(t, problem))
      .filter(({ lensIds }) => !lensIds.some((id) => lockedIn.has(id))),
  );
  const witnesses = candidates.length === 0 ? [] : largestDisjoint(solver, candidates, timeLimitS);
  const bound = witnesses.reduce((sum, w) => sum + w.lenses, lockedIn.size);
  if (bound >= lineup.lensCount)
    return { kind: 'witnesses', bound, lockedIn: lockedIn.size, witnesses };
  return lineup.proven
    ? { kind: 'search', bound, lockedIn: lockedIn.size, witnesses }
    : { kind: 'none' };
}

/**
 * The witnesses that matter: one whose lenses include all of another's could always give way to it,
 * and never stand beside it. Their lenses come in the order of ids.
 */
function fewestLenses(all: readonly Witness[]): Witness[] {
  const kept: { witness: Witness; lenses: ReadonlySet<LensId> }[] = [];
  const bySize = [...all].sort(
    (a, b) => b.lenses - a.lenses || a.lensIds.length - b.lensIds.length,
  );
  for (const witness of bySize) {
    const lenses = new Set(witness.lensIds);
    const covered = kept.some(
      (k) => k.lenses.size <= lenses.size && k.witness.lensIds.every((id) => lenses.has(id)),
    );
    if (!covered) kept.push({ witness, lenses });
  }
  return kept.map((k) => ({ ...k.witness, lensIds: [...k.lenses].sort() }));
}

/**
 * The combinations of one segment for each opportunity, with every lens of the whole choice that makes
 * any of them. Opportunities that nothing can make are no way to get the frame and ask for nothing. A
 * segment is cut once more by all lenses: those that were left out may make a part of it.
 */
function candidatesOf(target: Target<OpportunitySegments>, problem: Problem): Witness[] {
  const { candidates } = problem;
  const all = candidates.map(() => true);
  const whole = problem.targets.find((t) => t.key === target.key)!;
  const opportunities = target.opportunities.map(({ opportunity, segments }) => {
    const { positions } = whole.opportunities.find((w) => w.opportunity === opportunity)!;
    return segments
      .flatMap((segment) => cut(opportunity.frame, segment.range, positions, all))
      .map((segment) => ({
        place: { stretchId: opportunity.stretchId, range: segment.range },
        lensIds: lensesOf(segment.candidates, candidates),
      }));
  });
  let combinations: { positions: Witness['places'][number][]; lensIds: Set<LensId> }[] = [
    { positions: [], lensIds: new Set() },
  ];
  for (const segments of opportunities) {
    combinations = combinations
      .flatMap((c) =>
        segments.map((segment) => ({
          positions: [...c.positions, segment.place],
          lensIds: new Set([...c.lensIds, ...segment.lensIds]),
        })),
      )
      .sort((a, b) => a.lensIds.size - b.lensIds.size)
      .slice(0, MOST_COMBINATIONS);
  }
  const isTwice = target.layer === 'base' && isAskedTwice(target.frame);
  const isDouble = target.opportunities.length === 1 && isTwice;
  return combinations.map(({ positions, lensIds }) => ({
    frameId: target.frame.id,
    places: positions,
    lensIds: [...lensIds],
    lenses: isDouble ? 2 : 1,
  }));
}

function largestDisjoint(
  solver: MipSolver,
  segments: readonly Witness[],
  timeLimitS: number,
): Witness[] {
  const byLens = new Map<LensId, number[]>();
  segments.forEach((segment, i) => {
    for (const id of segment.lensIds) byLens.set(id, [...(byLens.get(id) ?? []), i]);
  });
  const session = solver.open({
    columnCount: segments.length,
    lower: segments.map(() => 0),
    upper: segments.map(() => 1),
    integer: segments.map(() => true),
    rows: largestOnly([...byLens.values()]).map((columns) => ({
      lower: -Infinity,
      upper: 1,
      columns,
      coefficients: columns.map(() => 1),
    })),
  });
  try {
    const outcome = session.minimise(
      segments.map((segment) => -segment.lenses),
      timeLimitS,
    );
    if (outcome.kind === 'infeasible' || outcome.values === null) return [];
    const { values } = outcome;
    return segments.filter((_, i) => (values[i] ?? 0) > 0.5);
  } finally {
    session.close();
  }
}

/** Rows that no other row holds wholly; a smaller one says nothing more. Columns run upwards. */
function largestOnly(rows: readonly (readonly number[])[]): (readonly number[])[] {
  const distinct = [...new Map(rows.map((row) => [row.join(), row])).values()].sort(
    (a, b) => b.length - a.length,
  );
  const kept: { row: readonly number[]; members: ReadonlySet<number> }[] = [];
  for (const row of distinct) {
    if (!kept.some(({ members }) => row.every((i) => members.has(i))))
      kept.push({ row, members: new Set(row) });
  }
  return kept.map(({ row }) => row);
}
