import type { FrameId } from '@/core/brief';
import type { LensId } from '@/core/gear';
import type { Interval } from '@/core/intervals';
import { type Cell, type Covering, lensesOf } from './cells';
import type { MipSolver } from './mipSolver';
import type { Reduced } from './reduce';
import type { Piece } from './selectable';

/** A picture, or a run of distances of one, and every lens that can make it. */
export interface Witness {
  readonly frameId: FrameId;
  readonly range: Interval;
  readonly lensIds: readonly LensId[];
}

/**
 * Why fewer will not do.
 *
 * witnesses: no two of these can be made with the same lens, and none with a locked-in lens, so
 * every lineup that gets these frames has at least `bound` lenses, as many as the lineup has.
 * search: the largest such set is smaller than the lineup; fewer pieces are ruled out by the
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

/**
 * The largest set of cells, among the frames got, of which no two can be made with the same lens.
 *
 * It is found exactly: one column a cell, one row a lens, at most one chosen cell in each row.
 *
 * @param got the frames that the lineup gets; bonus frames count for nothing here
 * @param proven whether the lineup itself is proven best
 */
export function proofOf(
  solver: MipSolver,
  { covering, reduced, pieces }: { covering: Covering; reduced: Reduced; pieces: readonly Piece[] },
  got: ReadonlySet<FrameId>,
  lineup: { readonly lensCount: number; readonly proven: boolean },
  timeLimitS: number,
): Proof {
  if (lineup.lensCount === 0) return { kind: 'none' };
  const lockedIn = new Set(pieces.filter((p) => p.lockedIn && p.kind === 'lens').map((p) => p.id));
  const cells = [...got]
    .sort()
    .flatMap((id) => reduced.cells.get(id) ?? [])
    .map((cell) => ({ cell, lensIds: lensesOf(cell.kits, covering) }))
    .filter(({ lensIds }) => !lensIds.some((id) => lockedIn.has(id)));
  const chosen = cells.length === 0 ? [] : largestDisjoint(solver, cells, timeLimitS);
  const witnesses = chosen.map(({ cell }) => witnessOf(cell, covering));
  const bound = witnesses.length + lockedIn.size;
  if (bound >= lineup.lensCount)
    return { kind: 'witnesses', bound, lockedIn: lockedIn.size, witnesses };
  return lineup.proven
    ? { kind: 'search', bound, lockedIn: lockedIn.size, witnesses }
    : { kind: 'none' };
}

/** A reduced cell again with every lens that makes it. */
function witnessOf({ frameId, range }: Cell, covering: Covering): Witness {
  const whole = (covering.cells.get(frameId) ?? []).find((cell) => cell.range === range);
  return { frameId, range, lensIds: whole ? lensesOf(whole.kits, covering) : [] };
}

interface Candidate {
  readonly cell: Cell;
  readonly lensIds: readonly LensId[];
}

function largestDisjoint(
  solver: MipSolver,
  cells: readonly Candidate[],
  timeLimitS: number,
): Candidate[] {
  const byLens = new Map<LensId, number[]>();
  cells.forEach((cell, i) => {
    for (const id of cell.lensIds) byLens.set(id, [...(byLens.get(id) ?? []), i]);
  });
  const session = solver.open({
    columnCount: cells.length,
    lower: cells.map(() => 0),
    upper: cells.map(() => 1),
    integer: cells.map(() => true),
    rows: largestOnly([...byLens.values()]).map((columns) => ({
      lower: -Infinity,
      upper: 1,
      columns,
      coefficients: columns.map(() => 1),
    })),
  });
  try {
    const outcome = session.minimise(
      cells.map(() => -1),
      timeLimitS,
    );
    if (outcome.kind === 'infeasible' || outcome.values === null) return [];
    const { values } = outcome;
    return cells.filter((_, i) => (values[i] ?? 0) > 0.5);
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
