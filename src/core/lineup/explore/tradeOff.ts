import type { FrameId } from '@/core/brief';
import type { Problem } from '../problem/problem';
import {
  type MipModel,
  type MipOutcome,
  type MipRow,
  type MipSolver,
  rowOver,
} from '../solve/mipSolver';
import { type CoveringModel, modelOf } from '../solve/model';
import { AIM_TOLERANCE, aimsOf, partLost } from '../problem/aims';
import { wantSharesPercent } from '../problem/wantShares';
import { presolve } from '../presolve/presolve';

/** A lineup that nothing beats by items, weight, money and wants all together. */
export interface TradePoint {
  readonly pieceIds: readonly string[];
  readonly got: readonly FrameId[];
  readonly lenses: number;
  /** Lenses, with what a converter, a tube or an adapter counts beside them for the person. */
  readonly items: number;
  /** g, of what is known. */
  readonly weightG: number;
  readonly weightUnknown: readonly string[];
  /** Money for what is not owned or borrowed, of what is known. */
  readonly spend: number;
  /** Percent of the wanted pictures got. */
  readonly wantsPercent: number;
}

/** The trade-off curve: items against weight against money against wanted pictures. */
export interface TradeOff {
  /** By items, then weight. */
  readonly points: readonly TradePoint[];
  /** Whether these are all; each one is proven by itself. */
  readonly complete: boolean;
}

/**
 * Steps that count as a difference: a point must beat each other one by at least one of these. Finer
 * ones nobody packs by. Common practice, no source.
 */
const STEPS = { items: 0.5, weightG: 50, spend: 25, wantsPercent: 1 } as const;
const DIMENSIONS = ['items', 'weightG', 'spend', 'wantsPercent'] as const;
type Dimension = (typeof DIMENSIONS)[number];

/** What each dimension may reach at the most. */
type Box = Readonly<Record<Dimension, number>>;

/**
 * All lineups that lose as few musts as possible and that no other one beats in one of the four by
 * a step without being worse in another.
 *
 * Each search minimises a sum with positive weights within a box of largest values, so what it finds
 * is efficient; every box that holds the point is then cut below it in each dimension. When no box
 * is left all points are found (box methods as in Kirlik and Sayın 2014, from memory).
 */
export function tradeOff(
  solver: MipSolver,
  problem: Problem,
  {
    timeLimitS,
    mostPoints,
    goOn,
    progress,
  }: {
    readonly timeLimitS: number;
    readonly mostPoints: number;
    readonly goOn: () => boolean;
    readonly progress: (share: number) => void;
  },
): TradeOff {
  const unranked = { ...problem, limits: { ...problem.limits, order: [] } };
  const model = modelOf(unranked, presolve(unranked, { byResources: true }));
  const costs = costsByDimension(problem, model);
  const musts = mustRows(solver, problem, model, timeLimitS);
  if (musts === null) return { points: [], complete: false };
  const scale = scaleOf(model, costs);
  const first = model.mip.rows.length + musts.length;
  const session = solver.open({
    ...model.mip,
    deciding: model.items.length,
    rows: [
      ...model.mip.rows,
      ...musts,
      ...DIMENSIONS.map((d) => rowOver(costs[d], -Infinity, Infinity)),
    ],
  });
  const within = (box: Box) => {
    DIMENSIONS.forEach((d, i) => session.boundRow(first + i, -Infinity, box[d]));
    return session.minimise(scale, timeLimitS);
  };
  const points: TradePoint[] = [];
  let boxes: Box[] = [
    { items: Infinity, weightG: Infinity, spend: Infinity, wantsPercent: Infinity },
  ];
  try {
    for (let box = boxes.pop(); box !== undefined; box = boxes.pop()) {
      if (points.length >= mostPoints || !goOn())
        return { points: ordered(points), complete: false };
      const outcome = within(box);
      if (outcome.kind === 'time-limit') return { points: ordered(points), complete: false };
      if (outcome.kind === 'infeasible') continue;
      const values = valuesOf(costs, outcome.values);
      points.push(pointOf(model, problem.choice.estimated.weight, outcome.values, values));
      boxes = cutBelow([...boxes, box], values);
      progress(points.length / mostPoints);
    }
    return { points: ordered(points), complete: true };
  } finally {
    session.close();
  }
}

function minimiseOnce(
  solver: MipSolver,
  mip: MipModel,
  costs: readonly number[],
  timeLimitS: number,
): MipOutcome {
  const session = solver.open(mip);
  try {
    return session.minimise(costs, timeLimitS);
  } finally {
    session.close();
  }
}

/** Cuts every box that holds a point below it, dimension by dimension, and drops boxes in others. */
function cutBelow(boxes: readonly Box[], point: Box): Box[] {
  const cut = boxes.flatMap((box) =>
    DIMENSIONS.some((d) => point[d] > box[d] + AIM_TOLERANCE)
      ? [box]
      : DIMENSIONS.map((d) => ({ ...box, [d]: point[d] - STEPS[d] + AIM_TOLERANCE })),
  );
  return cut.filter(
    (box, i) =>
      !cut.some(
        (other, j) =>
          i !== j &&
          DIMENSIONS.every((d) => box[d] <= other[d]) &&
          (j < i || DIMENSIONS.some((d) => box[d] < other[d])),
      ),
  );
}

/** What each column costs in each dimension; wants count what is lost. */
function costsByDimension(problem: Problem, model: CoveringModel): Record<Dimension, number[]> {
  const zeros = () => new Array<number>(model.mip.columnCount).fill(0);
  const costs = { items: zeros(), weightG: zeros(), spend: zeros(), wantsPercent: zeros() };
  model.items.forEach((p, i) => {
    costs.items[i] = p.itemCost;
    costs.weightG[i] = p.weightG;
    costs.spend[i] = p.spend ?? 0;
  });
  if (problem.limits.countBodies)
    for (const { body, column } of model.along) costs.weightG[column] = body.weightG;
  const shares = wantSharesPercent(problem.frames);
  for (const { target, column } of model.targets)
    costs.wantsPercent[column] = -partLost(target) * (shares.get(target.frame.id) ?? 0) || 0;
  return costs;
}

/** Keeps the musts lost at their fewest, then those covered once; null when the limits cannot be met. */
function mustRows(
  solver: MipSolver,
  problem: Problem,
  model: CoveringModel,
  timeLimitS: number,
): MipRow[] | null {
  const aims = aimsOf(problem.frames, problem.limits);
  const rows: MipRow[] = [];
  for (const name of ['musts', 'once'] as const) {
    const aim = aims.find((each) => each.name === name)!;
    const entries = model.targets
      .map(({ target, column }) => [column, aim.targetCost(target)] as const)
      .filter(([, cost]) => cost !== 0);
    if (entries.length === 0 && rows.length > 0) continue;
    const costs = new Array<number>(model.mip.columnCount).fill(0);
    for (const [column, cost] of entries) costs[column] = -cost;
    const mip = { ...model.mip, rows: [...model.mip.rows, ...rows] };
    const outcome = minimiseOnce(solver, mip, costs, timeLimitS);
    if (outcome.kind !== 'optimal') return null;
    if (entries.length === 0) continue;
    rows.push({
      lower: -outcome.objective - AIM_TOLERANCE,
      upper: Infinity,
      columns: entries.map(([column]) => column),
      coefficients: entries.map(([, cost]) => cost),
    });
  }
  return rows;
}

/** One objective of all dimensions, each by its step, so that none is lost in rounding. */
function scaleOf(model: CoveringModel, costs: Record<Dimension, number[]>): number[] {
  const weights: Record<Dimension, number> = {
    items: 1,
    weightG: 1 / (10 * STEPS.weightG),
    spend: 1 / (40 * STEPS.spend),
    wantsPercent: 1 / (5 * STEPS.wantsPercent),
  };
  return Array.from({ length: model.mip.columnCount }, (_, i) =>
    DIMENSIONS.reduce((sum, d) => sum + weights[d] * (costs[d][i] ?? 0), 0),
  );
}

function valuesOf(
  costs: Record<Dimension, number[]>,
  values: readonly number[],
): Record<Dimension, number> {
  const of = (d: Dimension) =>
    costs[d].reduce((sum, c, i) => (c === 0 ? sum : sum + c * (values[i] ?? 0)), 0);
  /** Sums of whole grams and money, told apart from the solver's rounding. */
  const tidy = (value: number) => Math.round(value * 1e4) / 1e4;
  return {
    items: tidy(of('items')),
    weightG: tidy(of('weightG')),
    spend: tidy(of('spend')),
    wantsPercent: tidy(of('wantsPercent')),
  };
}

function pointOf(
  model: CoveringModel,
  estimated: ReadonlySet<string>,
  values: readonly number[],
  reached: Record<Dimension, number>,
): TradePoint {
  const taken = model.items.filter((_, i) => (values[i] ?? 0) > 0.5);
  const got = new Set(
    model.targets
      .filter(({ target, column }) => partLost(target) > 0 && (values[column] ?? 0) > 0.5)
      .map(({ target }) => target.frame.id),
  );
  const ids = taken.map((p) => p.id);
  return {
    pieceIds: ids,
    got: [...got],
    lenses: taken.filter((p) => p.kind === 'lens').length,
    items: reached.items,
    weightG: reached.weightG,
    weightUnknown: ids.filter((id) => estimated.has(id)),
    spend: reached.spend,
    wantsPercent: -reached.wantsPercent,
  };
}

function ordered(points: readonly TradePoint[]): TradePoint[] {
  return [...points].sort(
    (a, b) => a.items - b.items || a.weightG - b.weightG || a.spend - b.spend,
  );
}
