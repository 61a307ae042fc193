import { createRequire } from 'node:module';
import { resolve } from 'node:path';
import type { MipModel, MipOutcome, MipRow, MipSession, MipSolver } from '@/core/lineup';

/** They stand in bench/node_modules, which only `npm run bench` installs. */
const load = createRequire(resolve('bench/package.json'));

interface Yalps {
  readonly solve: (
    problem: object,
    options: object,
  ) => { readonly status: string; readonly variables: readonly (readonly [string, number])[] };
  readonly equalTo: (value: number) => object;
  readonly lessEq: (value: number) => object;
  readonly greaterEq: (value: number) => object;
  readonly inRange: (lower: number, upper: number) => object;
}
interface JsLp {
  readonly Solve: (problem: object) => Readonly<Record<string, number | boolean>>;
}

/** Two general MILP packages of the npm registry behind the port that HiGHS stands behind. */

type SolveOnce = (model: MipModel, costs: readonly number[]) => readonly number[] | null;

/** A session that solves from scratch each time; held objectives become rows. */
function peer(name: string, solveOnce: SolveOnce): MipSolver {
  return {
    name,
    open(model): MipSession {
      let rows: readonly MipRow[] = model.rows;
      return {
        minimise(costs): MipOutcome {
          const values = solveOnce({ ...model, rows }, costs);
          if (values === null) return { kind: 'infeasible' };
          const objective = costs.reduce((sum, c, i) => sum + c * (values[i] ?? 0), 0);
          return { kind: 'optimal', values, objective };
        },
        hold(...parts) {
          const heldRows = parts.map(({ costs, value }): MipRow => {
            const columns = costs.flatMap((c, i) => (c === 0 ? [] : [i]));
            return {
              lower: -Infinity,
              upper: value + 1e-4 * Math.max(1, Math.abs(value)),
              columns,
              coefficients: columns.map((i) => costs[i] ?? 0),
            };
          });
          rows = [...rows, ...heldRows];
        },
        addRow(row) {
          rows = [...rows, row];
        },
        boundRow(i, lower, upper) {
          rows = rows.map((row, r) => (r === i ? { ...row, lower, upper } : row));
        },
        conflictingRows: () => null,
        close: () => undefined,
      };
    },
  };
}

/** Rows by name with the entries of each column; bounds of columns are rows too. */
function tableOf(model: MipModel, costs: readonly number[]) {
  const variables = Array.from({ length: model.columnCount }, (_, i): Record<string, number> => ({
    cost: costs[i] ?? 0,
    [`b${i}`]: 1,
  }));
  model.rows.forEach((row, r) =>
    row.columns.forEach((column, k) => {
      variables[column]![`r${r}`] = row.coefficients[k] ?? 0;
    }),
  );
  const bounds: [string, number, number][] = [
    ...model.rows.map((row, r): [string, number, number] => [`r${r}`, row.lower, row.upper]),
    ...variables.map((_, i): [string, number, number] => [
      `b${i}`,
      model.lower[i] ?? 0,
      model.upper[i] ?? 1,
    ]),
  ];
  return { variables, bounds };
}

const yalps: SolveOnce = (model, costs) => {
  const { equalTo, greaterEq, inRange, lessEq, solve } = load('yalps') as Yalps;
  const { variables, bounds } = tableOf(model, costs);
  const constraint = (lower: number, upper: number) => {
    if (lower === upper) return equalTo(lower);
    if (lower === -Infinity) return lessEq(upper);
    return upper === Infinity ? greaterEq(lower) : inRange(lower, upper);
  };
  const problem = {
    direction: 'minimize',
    objective: 'cost',
    constraints: new Map(bounds.map(([name, lower, upper]) => [name, constraint(lower, upper)])),
    variables: new Map(variables.map((v, i) => [`x${i}`, new Map(Object.entries(v))])),
    integers: variables.flatMap((_, i) => (model.integer[i] ? [`x${i}`] : [])),
  };
  const { status, variables: found } = solve(problem, {
    tolerance: 0,
    timeout: 60_000,
    // Left to itself it gives up after so many steps and calls that a cycle.
    maxPivots: Infinity,
    maxIterations: Infinity,
  });
  if (status === 'infeasible') return null;
  if (status !== 'optimal') throw new Error(`it ended ${status}`);
  const values = new Map(found);
  return variables.map((_, i) => values.get(`x${i}`) ?? 0);
};

const jsLp: SolveOnce = (model, costs) => {
  const { variables, bounds } = tableOf(model, costs);
  const problem = {
    optimize: 'cost',
    opType: 'min' as const,
    constraints: Object.fromEntries(
      bounds.map(([name, lower, upper]) => [
        name,
        {
          ...(lower === -Infinity ? {} : { min: lower }),
          ...(upper === Infinity ? {} : { max: upper }),
        },
      ]),
    ),
    variables: Object.fromEntries(variables.map((v, i) => [`x${i}`, v])),
    ints: Object.fromEntries(variables.flatMap((_, i) => (model.integer[i] ? [[`x${i}`, 1]] : []))),
  };
  const found = (load('javascript-lp-solver') as JsLp).Solve(problem);
  if (found.feasible !== true) return null;
  return variables.map((_, i) => Number(found[`x${i}`] ?? 0));
};

export const PEERS = [peer('yalps', yalps), peer('javascript-lp-solver', jsLp)];
