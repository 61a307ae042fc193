/** One row of a model: lower <= sum of entries <= upper. */
export interface MipRow {
  readonly lower: number;
  readonly upper: number;
  readonly columns: readonly number[];
  readonly coefficients: readonly number[];
}

/** A model without objective: columns between bounds, some whole-numbered, and rows. */
export interface MipModel {
  readonly columnCount: number;
  readonly lower: readonly number[];
  readonly upper: readonly number[];
  readonly integer: readonly boolean[];
  readonly rows: readonly MipRow[];
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
