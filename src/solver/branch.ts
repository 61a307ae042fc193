/** One solved relaxation; `failed` when the solver could not finish it. */
export type Relaxation =
  | { readonly kind: 'optimal'; readonly values: ArrayLike<number>; readonly objective: number }
  | { readonly kind: 'infeasible' }
  | { readonly kind: 'failed' };

/** A relaxed model whose columns can be bounded one by one. */
export interface Relaxed {
  /** Columns that must be whole. */
  readonly whole: Int32Array;
  /** The first so many columns are branched on before any other: they decide the rest. */
  readonly deciding?: number;
  /** Bounds of all columns as they are before branching. */
  readonly lower: ArrayLike<number>;
  readonly upper: ArrayLike<number>;
  solve(): Relaxation;
  bound(column: number, lower: number, upper: number): void;
}

/** A whole solution. */
export interface Whole {
  readonly values: readonly number[];
  readonly objective: number;
}

export type Branched =
  | ({ readonly kind: 'optimal' } & Whole)
  | { readonly kind: 'infeasible' }
  /** With the best that was found by then. */
  | { readonly kind: 'given-up'; readonly best: Whole | null };

/** A value this near to a whole number is one. */
const WHOLE_TOLERANCE = 1e-7;
/** An objective must be lower than the best by more than this to be better. */
const BETTER_BY = 1e-9;
/** Largest number of steps of `wholeStep` tried in one unit. */
const FINEST_STEP = 1 / 4;

/**
 * The exact optimum by depth-first branching, the column nearest to a half first, upwards first: a
 * branch is left when its relaxation is no better than the best whole solution. All columns have
 * their bounds again afterwards.
 *
 * @param step what every whole solution's objective is a multiple of; null when not known
 * @param goOn asked before each branch, with the branches so far; `given-up` when it says no
 * @param known a whole solution to begin with; it is the answer when none is better
 */
export function branch(
  relaxed: Relaxed,
  step: number | null,
  goOn: (branches: number) => boolean,
  known: Whole | null = null,
): Branched {
  let best = known;
  let branches = 0;
  let givenUp = false;
  const lower = Float64Array.from(relaxed.lower);
  const upper = Float64Array.from(relaxed.upper);
  /** The least that a whole solution under a relaxation can cost. */
  const leastOf = (objective: number) =>
    step === null ? objective : Math.ceil(objective / step - 1e-6) * step;

  const visit = (): void => {
    const node = relaxed.solve();
    if (node.kind === 'failed') givenUp = true;
    if (node.kind !== 'optimal' || givenUp) return;
    if (best !== null && leastOf(node.objective) >= best.objective - BETTER_BY) return;
    const column = mostFractional(relaxed, node.values, { lower, upper });
    if (column === null) {
      best = { values: Array.from(node.values), objective: node.objective };
      return;
    }
    if (!goOn(branches)) {
      givenUp = true;
      return;
    }
    branches += 1;
    const value = node.values[column] ?? 0;
    const [from, to] = [lower[column] ?? 0, upper[column] ?? 0];
    const within = (least: number, most: number) => {
      lower[column] = least;
      upper[column] = most;
      relaxed.bound(column, least, most);
    };
    within(Math.ceil(value), to);
    visit();
    within(from, Math.floor(value));
    visit();
    within(from, to);
  };
  visit();
  if (givenUp) return { kind: 'given-up', best };
  return best === null ? { kind: 'infeasible' } : { kind: 'optimal', ...best };
}

/**
 * The column nearest to a half; where some decide the rest, rather one that is more in than out, since
 * ruling out what the relaxation nearly takes changes most (a third to a half of the branches).
 * How far a value lies outside its bounds is the solver's tolerance. */
function mostFractional(
  { whole, deciding = 0 }: Pick<Relaxed, 'whole' | 'deciding'>,
  values: ArrayLike<number>,
  { lower, upper }: Pick<Relaxed, 'lower' | 'upper'>,
): number | null {
  let column: number | null = null;
  let most = 0;
  for (const i of whole) {
    if (i >= deciding && column !== null && column < deciding) break;
    const value = Math.min(upper[i]!, Math.max(lower[i]!, values[i] ?? 0));
    const off = Math.abs(value - Math.round(value));
    const weight = deciding > 0 ? off * (0.5 + value) : off;
    if (off > WHOLE_TOLERANCE && weight > most) {
      most = weight;
      column = i;
    }
  }
  return column;
}

/** What every sum of these costs over whole columns is a multiple of: 1, a half, a quarter; else null. */
export function wholeStep(costs: readonly number[]): number | null {
  for (let step = 1; step >= FINEST_STEP; step /= 2) {
    if (costs.every((c) => Number.isInteger(c / step))) return step;
  }
  return null;
}
