import loadHighs, { type Highs, type ModelData } from 'highs';
import type { MipModel, MipOutcome, MipRow, MipSession, MipSolver } from '@/core/lineup';

let loading: Promise<MipSolver> | null = null;

/** Loads HiGHS once for this thread; the WebAssembly comes with the package. */
export function loadHighsSolver(): Promise<MipSolver> {
  loading ??= loadHighs().then(solverOn);
  return loading;
}

function solverOn(highs: Highs): MipSolver {
  return { name: `HiGHS ${highs.version.string}`, open: (model) => sessionOn(highs, model) };
}

function sessionOn(highs: Highs, model: MipModel): MipSession {
  if (model.columnCount === 0) return emptySession();
  const native = highs.createModel(modelData(highs, model));
  native.options.set({
    output_flag: false,
    mip_rel_gap: 0,
    mip_abs_gap: 1e-9,
    random_seed: 0,
  });
  const allColumns = Int32Array.from({ length: model.columnCount }, (_, i) => i);
  const status = highs.constants.modelStatus;
  return {
    minimise(costs, timeLimitS): MipOutcome {
      native.changeColsCost({ kind: 'set', indices: allColumns }, Float64Array.from(costs));
      native.zeroAllClocks();
      native.options.set('time_limit', timeLimitS);
      native.run();
      const outcome = native.getModelStatus();
      if (outcome === status.infeasible || outcome === status.unboundedOrInfeasible) {
        return { kind: 'infeasible' };
      }
      const objective = native.getObjectiveValue();
      if (outcome === status.optimal) {
        return { kind: 'optimal', values: [...native.getSolution().colValue], objective };
      }
      if (outcome !== status.timeLimit)
        throw new Error(`HiGHS stopped with model status ${outcome}`);
      return {
        kind: 'time-limit',
        values: Number.isFinite(objective) ? [...native.getSolution().colValue] : null,
        objective,
        bound: Number(native.info.get('mip_dual_bound')),
      };
    },
    addRow(row: MipRow) {
      native.addRow(row.lower, row.upper, {
        indices: Int32Array.from(row.columns),
        values: Float64Array.from(row.coefficients),
      });
    },
    close: () => native.dispose(),
  };
}

/** HiGHS does not run a model without columns; its one solution is empty. */
function emptySession(): MipSession {
  return {
    minimise: () => ({ kind: 'optimal', values: [], objective: 0 }),
    addRow: () => undefined,
    close: () => undefined,
  };
}

function modelData(highs: Highs, model: MipModel): ModelData {
  const starts = [0];
  for (const row of model.rows) starts.push((starts.at(-1) ?? 0) + row.columns.length);
  const { continuous, integer } = highs.constants.variableType;
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
      starts: Int32Array.from(starts),
      indices: Int32Array.from(model.rows.flatMap((r) => [...r.columns])),
      values: Float64Array.from(model.rows.flatMap((r) => [...r.coefficients])),
    },
    integrality: model.integer.map((whole) => (whole ? integer : continuous)),
  };
}
