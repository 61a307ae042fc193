import loadHighs, { type Highs, type ModelData } from 'highs';
import {
  AIM_TOLERANCE,
  type MipModel,
  type MipOutcome,
  type MipRow,
  type MipSession,
  type MipSolver,
  NOT_SEARCHED,
  type Reached,
  rowOver,
} from '@/core/lineup';
import { branch, type Branched, type Relaxation, type Whole, wholeStep } from './branch';

let loading: Promise<MipSolver> | null = null;

/** Loads HiGHS once for this thread; the WebAssembly comes with the package. */
export function loadHighsSolver(): Promise<MipSolver> {
  loading ??= loadHighs().then(solverOn);
  return loading;
}

function solverOn(highs: Highs): MipSolver {
  let done = 0;
  const count = (work: number) => {
    done += work;
  };
  return {
    name: `HiGHS ${highs.version.string}`,
    work: () => done,
    open: (model) =>
      model.columnCount === 0 ? emptySession(model) : new HighsSession(highs, model, count),
  };
}

/**
 * Lets HiGHS go on with the primal simplex when only the costs have changed and the basis is still
 * feasible, and with the dual one after a branch; by default it always takes the dual one.
 */
const STRATEGY_BY_BASIS = 0;
/** Presolving pays for the search, and throws away the basis that a relaxation could start from. */
const RELAXED_PRESOLVE = 'off';
/** Duals beyond this are not zero. */
const DUAL_TOLERANCE = 1e-7;
/** Objectives nearer than this, relatively, are the same but for rounding. */
const SAME_OBJECTIVE = 1e-9;
/** A time that never runs out, s: HiGHS takes no infinite one. */
const NO_LIMIT_S = 1e9;
/** A value of a cut search this near to a whole number is one. */
const WHOLE_TOLERANCE = 1e-5;
/** HiGHS looks at its clock now and then only: it ran over by a third where that was measured. */
const SHARE_BY_CLOCK = 0.75;
/** Share of the time that is kept for the search, while its relaxation is solved and branched. */
const SHARE_FOR_SEARCH = 0.4;
/** Time for finding rows that fight, s. */
const CONFLICT_TIME_S = 10;
/**
 * Most work that branching takes, in simplex steps times columns: about 200 ms, a few times what
 * starting the search takes. Not told by a clock, which would let a slow moment choose another of
 * several optima.
 */
const MOST_BRANCHING_WORK = 5e6;
/** The same where it is known which columns decide: they branch in few, and HiGHS's search doesn't know. */
const MOST_DECIDING_WORK = 1e8;
/** Steps that setting a relaxation up counts as. */
const STEPS_TO_START = 50;
/**
 * Branches tried before HiGHS's own search takes over: many in a small model, where starting that
 * search costs more than they do, few in a large one, where each relaxation does.
 */
const mostBranches = (columns: number) =>
  Math.round(Math.min(600, Math.max(20, 120_000 / columns)));

/**
 * Nodes that HiGHS's own search looks at before the best found is given: a limit by work, so that the
 * same question has the same answer on every machine. A clock may only end it sooner.
 */
const mostNodes = (columns: number) => Math.round(Math.max(500, 5e6 / columns));

/**
 * One model in HiGHS.
 *
 * Covering models mostly have whole solutions already in their relaxation, or after a few branches,
 * each a warm-started simplex of a millisecond, while starting HiGHS's own whole-numbered search
 * takes a tenth of a second however small the model. So the relaxation is solved first, then a
 * little branching is tried, and only then the full search: each of the three is exact.
 */
class HighsSession implements MipSession {
  private readonly native: ReturnType<Highs['createModel']>;
  private readonly all: Int32Array;
  private readonly whole: Int32Array;
  private readonly deciding: number;
  private readonly status: Highs['constants']['modelStatus'];
  /** The relaxation of what was last minimised; null where none was solved to the end. */
  private root: Root | null = null;
  /** The optimum of what was last minimised; null when there was none, or a row may forbid it. */
  private best: Whole | null = null;
  /** Branching led nowhere once: with what is held since, it will not the next time. */
  private branches = true;
  private readonly lower: Float64Array;
  private readonly upper: Float64Array;

  constructor(
    private readonly highs: Highs,
    model: MipModel,
    private readonly count: (work: number) => void,
  ) {
    this.deciding = model.deciding ?? 0;
    this.native = highs.createModel(modelData(model));
    this.native.options.set({
      output_flag: false,
      mip_rel_gap: 0,
      mip_abs_gap: 1e-9,
      random_seed: 0,
      mip_max_nodes: mostNodes(model.columnCount),
      simplex_strategy: STRATEGY_BY_BASIS,
      presolve: RELAXED_PRESOLVE,
    });
    this.all = Int32Array.from({ length: model.columnCount }, (_, i) => i);
    this.whole = this.all.filter((i) => model.integer[i]);
    this.status = highs.constants.modelStatus;
    this.lower = Float64Array.from(model.lower);
    this.upper = Float64Array.from(model.upper);
  }

  minimise(costs: readonly number[], timeLimitS: number): MipOutcome {
    const until = performance.now() + timeLimitS * 1000;
    const leftS = () => (until - performance.now()) / 1000;
    const keptS = Number.isFinite(timeLimitS) ? timeLimitS * SHARE_FOR_SEARCH : 0;
    const outcome = this.branch(costs, leftS, keptS);
    if (outcome.kind !== 'given-up') return this.reached(outcome);
    this.branches = false;
    return this.reached(this.bounded(this.search(leftS()), outcome.best, costs));
  }

  /** What a cut search tells, with what the relaxation and the steps of the objective know besides. */
  private bounded(
    outcome: MipOutcome,
    branched: Whole | null,
    costs: readonly number[],
  ): MipOutcome {
    if (outcome.kind !== 'time-limit') return outcome;
    const better = branched !== null && !(outcome.objective <= branched.objective);
    const { values, objective } = better ? branched : outcome;
    const step = this.stepOf(costs);
    const least = Math.max(outcome.bound, this.root?.objective ?? -Infinity);
    const bound =
      step === null || !Number.isFinite(least) ? least : Math.ceil(least / step - 1e-6) * step;
    if (values !== null && objective <= bound + slackAt(objective) / 10)
      return { kind: 'optimal', values, objective };
    return { kind: 'time-limit', values, objective, bound };
  }

  private reached(outcome: MipOutcome): MipOutcome {
    this.best = outcome.kind === 'optimal' ? outcome : null;
    return outcome;
  }

  private branch(costs: readonly number[], leftS: () => number, keepS: number): Branched {
    this.native.changeColsCost({ kind: 'set', indices: this.all }, Float64Array.from(costs));
    this.root = null;
    let work = 0;
    const known = this.best?.values;
    return branch(
      {
        whole: this.whole,
        deciding: this.deciding,
        solve: () => {
          const solved = this.solveRelaxed(leftS() - keepS);
          if (work === 0 && solved.kind === 'optimal') this.root = this.rootOf(solved);
          const steps = Number(this.native.info.get('simplex_iteration_count'));
          work += (STEPS_TO_START + steps) * this.all.length;
          return solved;
        },
        lower: this.lower,
        upper: this.upper,
        bound: (column, lower, upper) => void this.native.changeColBounds(column, lower, upper),
      },
      this.stepOf(costs),
      (branches) =>
        this.branches &&
        (this.deciding > 0 || branches < mostBranches(this.all.length)) &&
        work < (this.deciding > 0 ? MOST_DECIDING_WORK : MOST_BRANCHING_WORK) &&
        leftS() > keepS,
      known ? { values: known, objective: objectiveAt(costs, known) } : null,
    );
  }

  /**
   * Whole columns whose reduced cost is more than what the whole optimum lies above the relaxation's
   * stay where the relaxation has them. Where the two are as good, all whole optima lie on the
   * relaxation's optimal face: all that has a reduced cost stays, and rows with a dual stay tight.
   * That keeps the model a covering one, which a row over the whole objective does not.
   */
  hold(...parts: readonly Reached[]): void {
    const { root, best } = this;
    const gap = root && best ? Math.max(0, best.objective - root.objective) : Infinity;
    const size = Math.max(1, Math.abs(best?.objective ?? 0));
    const onFace = gap <= SAME_OBJECTIVE * size;
    if (root && best) this.fix(root, onFace ? SAME_OBJECTIVE * size : gap + slackAt(size), onFace);
    if (onFace) return;
    for (const { costs, value } of parts)
      this.insert(rowOver(costs, -Infinity, value + slackAt(value)));
  }

  private fix({ values, duals, rows }: Root, gap: number, onFace: boolean): void {
    for (const i of onFace ? this.all : this.whole) {
      if (Math.abs(duals[i]!) <= gap + DUAL_TOLERANCE) continue;
      this.lower[i] = values[i]!;
      this.upper[i] = values[i]!;
    }
    this.native.changeColsBounds({ kind: 'set', indices: this.all }, this.lower, this.upper);
    if (!onFace) return;
    const tight = Int32Array.from(rows.duals.keys()).filter(
      (i) => Math.abs(rows.duals[i]!) > DUAL_TOLERANCE,
    );
    if (tight.length === 0) return;
    const levels = Float64Array.from(tight, (i) => rows.values[i]!);
    this.native.changeRowsBounds({ kind: 'set', indices: tight }, levels, levels);
  }

  /** The relaxation that was just solved. */
  private rootOf({ objective }: { readonly objective: number }): Root {
    const { colValue, colDual, rowValue, rowDual } = this.native.getSolution();
    return {
      objective,
      values: Float64Array.from(colValue),
      duals: Float64Array.from(colDual),
      rows: { values: Float64Array.from(rowValue), duals: Float64Array.from(rowDual) },
    };
  }

  addRow(row: MipRow): void {
    this.best = null;
    this.insert(row);
  }

  boundRow(row: number, lower: number, upper: number): void {
    this.best = null;
    this.branches = true;
    this.native.changeRowBounds(row, lower, upper);
  }

  private insert(row: MipRow): void {
    this.native.addRow(row.lower, row.upper, {
      indices: Int32Array.from(row.columns),
      values: Float64Array.from(row.coefficients),
    });
  }

  conflictingRows(timeLimitS: number): readonly number[] | null {
    // Left to itself it looks at single rows only, which never fight alone here.
    this.native.options.set('iis_strategy', this.highs.constants.iis.strategyRowPriority);
    if (!this.isInfeasible(this.run(Math.min(timeLimitS, CONFLICT_TIME_S)))) return null;
    const rows = [...this.native.getIis().rowIndex];
    return rows.length > 0 ? rows : null;
  }

  close(): void {
    this.native.dispose();
  }

  /** What the objective is a multiple of; null where a column that need not be whole has a cost. */
  private stepOf(costs: readonly number[]): number | null {
    const whole = new Set(this.whole);
    return costs.every((c, i) => c === 0 || whole.has(i)) ? wholeStep(costs) : null;
  }

  private solveRelaxed(timeLimitS: number): Relaxation {
    const code = this.run(timeLimitS);
    if (this.isInfeasible(code)) return { kind: 'infeasible' };
    if (code !== this.status.optimal) return { kind: 'failed' };
    return {
      kind: 'optimal',
      values: this.native.getSolution().colValue,
      objective: this.native.getObjectiveValue(),
    };
  }

  /** HiGHS's own whole-numbered search. */
  private search(timeLimitS: number): MipOutcome {
    if (timeLimitS <= 0) return NOT_SEARCHED;
    this.relax(false);
    try {
      const code = this.run(timeLimitS);
      if (this.isInfeasible(code)) return { kind: 'infeasible' };
      const objective = this.native.getObjectiveValue();
      const values = () => [...this.native.getSolution().colValue];
      if (code === this.status.optimal) return { kind: 'optimal', values: values(), objective };
      const { timeLimit, iterationLimit, solutionLimit } = this.status;
      const isCut = code === timeLimit || code === iterationLimit || code === solutionLimit;
      if (!isCut) throw new Error(`HiGHS stopped with model status ${code}`);
      const found = Number.isFinite(objective) ? values() : null;
      const isWhole = found !== null && this.whole.every((i) => isWholeNumber(found[i]!));
      return {
        kind: 'time-limit',
        values: isWhole ? found : null,
        objective: isWhole ? objective : Infinity,
        bound: Number(this.native.info.get('mip_dual_bound')),
      };
    } finally {
      this.relax(true);
    }
  }

  private relax(on: boolean): void {
    this.native.options.set('presolve', on ? RELAXED_PRESOLVE : 'choose');
    if (this.whole.length === 0) return;
    const { continuous, integer } = this.highs.constants.variableType;
    const kinds = Int32Array.from(this.whole, () => (on ? continuous : integer));
    this.native.changeColsIntegrality({ kind: 'set', indices: this.whole }, kinds);
  }

  private run(timeLimitS: number): number {
    if (timeLimitS <= 0) return this.status.timeLimit;
    this.native.zeroAllClocks();
    this.native.options.set('time_limit', Math.min(timeLimitS * SHARE_BY_CLOCK, NO_LIMIT_S));
    this.native.run();
    const steps = Number(this.native.info.get('simplex_iteration_count'));
    const nodes = Math.max(1, Number(this.native.info.get('mip_node_count')));
    this.count((nodes * STEPS_TO_START + Math.max(0, steps)) * this.all.length);
    return this.native.getModelStatus();
  }

  private isInfeasible(code: number): boolean {
    return code === this.status.infeasible || code === this.status.unboundedOrInfeasible;
  }
}

/** A solved relaxation, with the reduced costs of its columns and the duals of its rows. */
interface Root {
  readonly objective: number;
  readonly values: Float64Array;
  readonly duals: Float64Array;
  readonly rows: { readonly values: Float64Array; readonly duals: Float64Array };
}

const isWholeNumber = (value: number) => Math.abs(value - Math.round(value)) < WHOLE_TOLERANCE;
const slackAt = (value: number) => AIM_TOLERANCE * Math.max(1, Math.abs(value));
const objectiveAt = (costs: readonly number[], values: readonly number[]) =>
  costs.reduce((sum, c, i) => (c === 0 ? sum : sum + c * values[i]!), 0);

/** HiGHS does not run a model without columns; its one solution is empty, unless a row forbids it. */
function emptySession(model: MipModel): MipSession {
  const rows = [...model.rows];
  const isMet = (row: MipRow) => row.lower <= 0 && row.upper >= 0;
  return {
    minimise: () =>
      rows.every(isMet) ? { kind: 'optimal', values: [], objective: 0 } : { kind: 'infeasible' },
    hold: () => undefined,
    addRow: (row) => void rows.push(row),
    boundRow: (i, lower, upper) => void (rows[i] = { ...rows[i]!, lower, upper }),
    conflictingRows: () => null,
    close: () => undefined,
  };
}

/** The model's relaxation. */
function modelData(model: MipModel): ModelData {
  const entries = model.rows.reduce((sum, row) => sum + row.columns.length, 0);
  const starts = new Int32Array(model.rows.length + 1);
  const indices = new Int32Array(entries);
  const values = new Float64Array(entries);
  let at = 0;
  model.rows.forEach((row, r) => {
    indices.set(row.columns, at);
    values.set(row.coefficients, at);
    at += row.columns.length;
    starts[r + 1] = at;
  });
  return {
    numCols: model.columnCount,
    numRows: model.rows.length,
    colCost: new Float64Array(model.columnCount),
    colLower: Float64Array.from(model.lower),
    colUpper: Float64Array.from(model.upper),
    rowLower: Float64Array.from(model.rows, (r) => r.lower),
    rowUpper: Float64Array.from(model.rows, (r) => r.upper),
    matrix: {
      format: 'csr',
      numRows: model.rows.length,
      numCols: model.columnCount,
      starts,
      indices,
      values,
    },
  };
}
