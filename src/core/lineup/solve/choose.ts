import type { FrameId } from '@/core/brief';
import type { BodyId } from '@/core/gear';
import type { Problem } from '../problem/problem';
import type { Assignment } from '../problem/assignments';
import type { Candidate } from '../problem/candidates';
import type { MipSession, MipSolver } from './mipSolver';
import { type CoveringModel, modelOf } from './model';
import { type Aim, AIM_TOLERANCE, type AimName, aimsOf, BODY_AIMS } from '../problem/aims';
import type { Presolved } from '../presolve/presolve';

/** Where time ran out: the aim, its value and the best that is still open. */
export interface Open {
  readonly aim: AimName;
  readonly value: number;
  readonly bound: number;
}

export interface Choice {
  /** Ids of the items taken, in the order of ids. */
  readonly taken: readonly string[];
  /** The frames that they get. */
  readonly got: ReadonlySet<FrameId>;
  /** The values of the aims, in their order. */
  readonly values: readonly AimValue[];
  readonly uses: Uses;
  /** Bodies that come along; null where they were not chosen. */
  readonly along: readonly BodyId[] | null;
  /** null when proven. */
  readonly open: Open | null;
}

export interface AimValue {
  readonly aim: AimName;
  readonly value: number;
}

/** What is in which assignment, where that is part of the choice. */
export interface Uses {
  readonly held: readonly { readonly assignment: Assignment; readonly itemId: string }[];
  readonly bodies: readonly { readonly assignment: Assignment; readonly bodyId: BodyId }[];
  /** Setups that stay on their bodies for a stretch. */
  readonly fixed: readonly { readonly assignment: Assignment; readonly candidate: Candidate }[];
}

/**
 * The best lineup by the aims in their order, each solved to the optimum and then held while the
 * next is improved.
 *
 * @returns null when the locked-in items and the limits cannot be met together
 */
export function choose(
  solver: MipSolver,
  problem: Problem,
  presolved: Presolved,
  timeLimitS: number,
  aims: readonly Aim[] = allAims(problem),
): Choice | null {
  const model = modelOf(problem, presolved);
  const session = solver.open(model.mip);
  try {
    return solveAims(session, model, aims, timeLimitS);
  } finally {
    session.close();
  }
}

/** The aims of a problem; where bodies are chosen with the lenses, those of the bodies come last. */
export function allAims({ frames, limits, tied }: Problem): Aim[] {
  return [...aimsOf(frames, limits), ...(tied ? BODY_AIMS : [])];
}

export function solveAims(
  session: MipSession,
  model: CoveringModel,
  aims: readonly Aim[],
  timeLimitS: number,
): Choice | null {
  let values: readonly number[] | null = null;
  const reached: AimValue[] = [];
  const reach = (aim: Aim, value: number) =>
    reached.push({ aim: aim.name, value: value + constantOf(aim, model) });
  const both = solveTogether(session, model, aims, timeLimitS);
  if (both !== null) {
    values = both.values;
    both.reached.forEach(([aim, value]) => reach(aim, value));
    if (both.open) return choiceOf(model, values, reached, both.open);
  }
  for (const aim of aims.slice(reached.length)) {
    const costs = costsOf(aim, model);
    if (costs.every((c) => c === 0) && values !== null) {
      // Nothing can change it, but what can't be got counts as lost beside another choice.
      if (constantOf(aim, model) !== 0) reach(aim, 0);
      continue;
    }
    const outcome = session.minimise(costs, timeLimitS);
    if (outcome.kind === 'infeasible') return null;
    let { objective } = outcome;
    if (outcome.kind === 'time-limit') {
      const open = openAt(aim, costs, outcome, values, model);
      const found = outcome.values ?? values;
      // What is as good as its bound is the optimum, whatever was cut.
      if (found === null || open.value > open.bound) return choiceOf(model, found, reached, open);
      objective = open.value - constantOf(aim, model);
    }
    values = outcome.values ?? values;
    reach(aim, objective);
    session.hold({ costs, value: objective });
  }
  return choiceOf(model, values, reached, null);
}

/** Largest spread of a second aim that is added to a first one: beyond it rounding could tell. */
const WIDEST_SPREAD = 1e4;

/**
 * The first two aims in one go, which is exact where the first counts wholes: one of it weighs more
 * than all of the second.
 *
 * @returns null when they cannot be, or were not, solved together
 */
function solveTogether(
  session: MipSession,
  model: CoveringModel,
  [first, second]: readonly Aim[],
  timeLimitS: number,
): {
  values: readonly number[];
  reached: readonly (readonly [Aim, number])[];
  open: Open | null;
} | null {
  if (!first || !second) return null;
  const [ones, others] = [costsOf(first, model), costsOf(second, model)];
  const spread = others.reduce(
    (sum, c, i) => sum + Math.abs(c) * ((model.mip.upper[i] ?? 0) - (model.mip.lower[i] ?? 0)),
    0,
  );
  const whole = ones.every((c, i) => c === 0 || (Number.isInteger(c) && model.mip.integer[i]));
  if (!whole || spread === 0 || spread > WIDEST_SPREAD || ones.every((c) => c === 0)) return null;
  const costs = ones.map((c, i) => c * (spread + 1) + (others[i] ?? 0));
  const outcome = session.minimise(costs, timeLimitS);
  if (outcome.kind === 'infeasible') return null;
  if (outcome.kind === 'time-limit') {
    const { values, bound } = outcome;
    if (values === null) return null;
    const most = boxEnd(others, model, 'most');
    const least = Math.ceil((bound - most) / (spread + 1) - AIM_TOLERANCE);
    const open = openAt(first, ones, { values, bound: least }, null, model);
    if (open.value > open.bound) return { values, reached: [], open };
    const one = open.value - constantOf(first, model);
    const left = bound - one * (spread + 1);
    const then = openAt(second, others, { values, bound: left }, null, model);
    return { values, reached: [[first, one]], open: then };
  }
  const [one, other] = [Math.round(valueAt(ones, outcome.values)), valueAt(others, outcome.values)];
  session.hold({ costs: ones, value: one }, { costs: others, value: other });
  return {
    values: outcome.values,
    reached: [
      [first, one],
      [second, other],
    ],
    open: null,
  };
}

/** Where time ran out over an aim: what it has reached, and what nothing can fall below. */
function openAt(
  aim: Aim,
  costs: readonly number[],
  { values, bound }: { readonly values: readonly number[] | null; readonly bound: number },
  before: readonly number[] | null,
  model: CoveringModel,
): Open {
  const constant = constantOf(aim, model);
  const at = values ?? before ?? model.items.map((p) => Number(p.lockedIn));
  const value = valueAt(costs, at);
  const least = Math.max(bound, boxEnd(costs, model, 'least'));
  const met = least >= value - AIM_TOLERANCE * Math.max(1, Math.abs(value));
  return { aim: aim.name, value: value + constant, bound: (met ? value : least) + constant };
}

/** What some costs come to. */
function valueAt(costs: readonly number[], at: readonly number[]): number {
  return costs.reduce((sum, c, i) => (c === 0 ? sum : sum + c * (at[i] ?? 0)), 0);
}

/** What some costs come to at the least or the most between the bounds of the columns. */
function boxEnd(costs: readonly number[], { mip }: CoveringModel, end: 'least' | 'most'): number {
  return costs.reduce((sum, c, i) => {
    const [low, high] = [c * (mip.lower[i] ?? 0), c * (mip.upper[i] ?? 0)];
    return c === 0 ? sum : sum + (end === 'least' ? Math.min(low, high) : Math.max(low, high));
  }, 0);
}

/** Targets count as lost unless got, also those that nothing makes, so a target's cost is subtracted where its column is 1. */
export function costsOf(aim: Aim, model: CoveringModel): number[] {
  const costs = new Array<number>(model.mip.columnCount).fill(0);
  model.items.forEach((p, order) => {
    costs[order] = aim.itemCostOf(p, order);
  });
  for (const { target, column } of model.targets) costs[column] = -aim.targetCost(target) || 0;
  for (const { assignment, column } of model.changes) costs[column] = aim.changeCost(assignment);
  model.along.forEach(({ body, column }, order) => {
    costs[column] = aim.bodyCost(body, order);
  });
  for (const { column, first } of model.turns)
    costs[column] = (first ? -aim.turnCost : aim.turnCost) || 0;
  return costs;
}

function constantOf(aim: Aim, model: CoveringModel): number {
  return model.asked.reduce((sum, target) => sum + aim.targetCost(target), 0);
}

function choiceOf(
  model: CoveringModel,
  values: readonly number[] | null,
  reached: readonly AimValue[],
  open: Open | null,
): Choice {
  const on = (column: number) => (values?.[column] ?? 0) > 0.5;
  const taken = model.items.filter((p, i) => (values === null ? p.lockedIn : on(i)));
  return {
    taken: taken.map((p) => p.id),
    got: new Set(
      model.targets
        .filter(({ target, column }) => target.layer === 'base' && on(column))
        .map(({ target }) => target.frame.id),
    ),
    values: reached,
    along:
      model.along.length === 0
        ? null
        : model.along.filter((a) => on(a.column)).map((a) => a.body.id),
    uses: {
      held: model.held.filter((h) => on(h.column)),
      bodies: model.bodies.filter((b) => on(b.column)),
      fixed: model.fixed.flatMap(({ candidate, column }) =>
        candidate.assignment !== null && on(column)
          ? [{ assignment: candidate.assignment, candidate }]
          : [],
      ),
    },
    open,
  };
}
