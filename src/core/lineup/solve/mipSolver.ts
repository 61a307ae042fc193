/** One row of a model: lower <= sum of entries <= upper. */
export interface MipRow {
  readonly lower: number;
  readonly upper: number;
  readonly columns: readonly number[];
  readonly coefficients: readonly number[];
}

/** The sum of what columns cost, between two ends. */
export function rowOver(costs: readonly number[], lower: number, upper: number): MipRow {
  const columns = costs.flatMap((c, i) => (c === 0 ? [] : [i]));
  return { lower, upper, columns, coefficients: columns.map((i) => costs[i]!) };
}

/** A model without objective: columns between bounds, some whole-numbered, and rows. */
export interface MipModel {
  readonly columnCount: number;
  readonly lower: readonly number[];
  readonly upper: readonly number[];
  readonly integer: readonly boolean[];
  readonly rows: readonly MipRow[];
  /** The first so many columns decide most of the others: they are branched on first. */
  readonly deciding?: number;
}

export type MipOutcome =
  | { readonly kind: 'optimal'; readonly values: readonly number[]; readonly objective: number }
  | { readonly kind: 'infeasible' }
  | {
      readonly kind: 'time-limit';
      /** null when not even one feasible point was found. */
      readonly values: readonly number[] | null;
      readonly objective: number;
      readonly bound: number;
    };

/** What comes of a search without any time: nothing is found, and nothing ruled out. */
export const NOT_SEARCHED = {
  kind: 'time-limit',
  values: null,
  objective: Infinity,
  bound: -Infinity,
} as const satisfies MipOutcome;

/** An objective, or a part of one, at its value. */
export interface Reached {
  readonly costs: readonly number[];
  readonly value: number;
}

/** A model loaded once and solved for one objective after another. */
export interface MipSession {
  minimise(costs: readonly number[], timeLimitS: number): MipOutcome;
  /**
   * Keeps the objective of the last `minimise`, which was optimal, at its value from now on; given
   * in parts, each part at its own.
   */
  hold(...parts: readonly Reached[]): void;
  addRow(row: MipRow): void;
  /** Moves the ends of a row; `row` counts in the order of adding, the model's own first. */
  boundRow(row: number, lower: number, upper: number): void;
  /**
   * After an infeasible outcome: rows that cannot be met together, as numbers in order of their
   * adding; null when the solver cannot tell, or not in this time.
   */
  conflictingRows(timeLimitS: number): readonly number[] | null;
  close(): void;
}

/** The mixed-integer solver that the choice runs on; an adapter loads the real one. */
export interface MipSolver {
  readonly name: string;
  /** Work done so far, in simplex steps times columns: to limit a search by, alike on every machine. */
  readonly work?: () => number;
  open(model: MipModel): MipSession;
}

/** A session that does some things in another way. */
export function sessionWith(session: MipSession, change: Partial<MipSession>): MipSession {
  return {
    minimise: (costs, timeLimitS) => session.minimise(costs, timeLimitS),
    hold: (...parts) => session.hold(...parts),
    addRow: (row) => session.addRow(row),
    boundRow: (row, lower, upper) => session.boundRow(row, lower, upper),
    conflictingRows: (timeLimitS) => session.conflictingRows(timeLimitS),
    close: () => session.close(),
    ...change,
  };
}
