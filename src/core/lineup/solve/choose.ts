import type { FrameId } from '@/core/brief';
import type { BodyId } from '@/core/gear';
import type { Layer, Problem } from '../problem/problem';
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

/** The frames that something gets. */
export interface Got {
  /** Those covered at least once. */
  readonly got: ReadonlySet<FrameId>;
  /** Of them, those covered once only, though they are asked for twice. */
  readonly once: ReadonlySet<FrameId>;
}

export const NOTHING_GOT: Got = { got: new Set(), once: new Set() };

/** Whether a frame is got as it is asked for, twice where that is asked. */
export function isGotAsAsked({ got, once }: Got, id: FrameId): boolean {
  return got.has(id) && !once.has(id);
}

/** The frames of which one gets less than the other: not at all, or once instead of twice. */
export function lessGot(before: Got, after: Got): FrameId[] {
  return [...before.got].filter(
    (id) => !after.got.has(id) || (after.once.has(id) && !before.once.has(id)),
  );
}

export interface Choice extends Got {
  /** Ids of the items taken, in the order of ids. */
  readonly taken: readonly string[];
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
 * @param got what is got, where that is settled already; null where it is open
 * @returns null when the locked-in items and the limits cannot be met together
 */
export function choose(
  solver: MipSolver,
  problem: Problem,
  presolved: Presolved,
  timeLimitS: number,
  aims: readonly Aim[] = allAims(problem),
  got: Got | null = null,
): Choice | null {
  const model = withGot(modelOf(problem, presolved), got);
  const session = solver.open(model.mip);
  try {
    return solveAims(session, model, aims, timeLimitS);
  } finally {
    session.close();
  }
}

/** A model in which what is got, and how often, is what it is. */
function withGot(model: CoveringModel, got: Got | null): CoveringModel {
  if (got === null) return model;
  const lower = [...model.mip.lower];
  const upper = [...model.mip.upper];
  for (const { target, column } of model.targets) {
    const { id } = target.frame;
    if (target.layer !== 'base' && target.layer !== 'single') continue;
    const isGot = target.layer === 'base' ? isGotAsAsked(got, id) : got.got.has(id);
    lower[column] = upper[column] = Number(isGot);
  }
  return { ...model, mip: { ...model.mip, lower, upper } };
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
  // What nothing can change still counts as lost beside another choice.
  const skip = (aim: Aim) => constantOf(aim, model) !== 0 && reach(aim, 0);
  const weighed = aims.map((aim) => ({ aim, costs: costsOf(aim, model) }));
  let at = 0;
  while (at < weighed.length) {
    const rest = weighed.slice(at);
    const count = leading(rest, model);
    const together =
      count > 1 ? solveTogether(session, model, rest.slice(0, count), timeLimitS) : null;
    if (together !== null) {
      values = together.values;
      at += count;
      for (const { aim, costs, value } of together.reached) {
        if (isIdle(costs)) skip(aim);
        else reach(aim, value);
      }
      if (together.open) return choiceOf(model, values, reached, together.open);
      continue;
    }
    const { aim, costs } = rest[0]!;
    at += 1;
    if (isIdle(costs)) {
      if (reached.length === 0) reach(aim, 0);
      else skip(aim);
      continue;
    }
    const settled = settledValue(costs, model);
    if (settled !== null) {
      reach(aim, settled);
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
  if (values === null) {
    const any = session.minimise(new Array<number>(model.mip.columnCount).fill(0), timeLimitS);
    if (any.kind === 'infeasible') return null;
    values = any.values;
  }
  return choiceOf(model, values, reached, null);
}

/** An aim with what its columns cost. */
interface WeighedAim {
  readonly aim: Aim;
  readonly costs: readonly number[];
}

const isIdle = (costs: readonly number[]) => costs.every((c) => c === 0);

/** What some costs come to where every column that has one is fixed; null where one is free. */
function settledValue(costs: readonly number[], { mip }: CoveringModel): number | null {
  let value = 0;
  for (const [i, c] of costs.entries()) {
    if (c === 0) continue;
    if (mip.lower[i] !== mip.upper[i]) return null;
    value += c * mip.lower[i]!;
  }
  return value;
}

/** Largest spread of the later aims that are added to a first one: beyond it rounding could tell. */
const WIDEST_SPREAD = 1e4;

/** How far the value of some costs can range. */
function spreadOf(costs: readonly number[], { mip }: CoveringModel): number {
  return costs.reduce(
    (sum, c, i) => sum + Math.abs(c) * ((mip.upper[i] ?? 0) - (mip.lower[i] ?? 0)),
    0,
  );
}

/**
 * How many of the first aims can be solved in one go: musts, those covered once, and what comes after.
 * It is exact where each but the last counts wholes: one of it weighs more than all that follow.
 */
function leading(weighed: readonly WeighedAim[], model: CoveringModel): number {
  const isWhole = ({ costs }: WeighedAim) =>
    costs.every((c, i) => c === 0 || (Number.isInteger(c) && model.mip.integer[i]));
  const busy = weighed
    .filter(({ costs }) => settledValue(costs, model) === null)
    .slice(0, MOST_TOGETHER);
  if (busy[0] !== weighed[0]) return 0;
  let weight = 1;
  let count = 1;
  for (const aim of busy.slice(1)) {
    weight *= spreadOf(aim.costs, model) + 1;
    if (weight > WIDEST_SPREAD || !isWhole(busy[count - 1]!)) break;
    count += 1;
  }
  return count > 1 ? weighed.indexOf(busy[count - 1]!) + 1 : 0;
}
/** Aims in one go: musts, those covered once, wants. */
const MOST_TOGETHER = 3;

/**
 * Several aims in one go.
 *
 * @returns null when they were not solved
 */
function solveTogether(
  session: MipSession,
  model: CoveringModel,
  aims: readonly WeighedAim[],
  timeLimitS: number,
): {
  values: readonly number[];
  reached: readonly (WeighedAim & { readonly value: number })[];
  open: Open | null;
} | null {
  const weights: number[] = aims.map(() => 1);
  for (let i = aims.length - 2; i >= 0; i -= 1)
    weights[i] = weights[i + 1]! * (spreadOf(aims[i + 1]!.costs, model) + 1);
  const costs = new Array<number>(model.mip.columnCount).fill(0);
  for (const [i, aim] of aims.entries())
    aim.costs.forEach((c, column) => (costs[column]! += weights[i]! * c));
  const outcome = session.minimise(costs, timeLimitS);
  if (outcome.kind === 'infeasible' || outcome.values === null) return null;
  const { values } = outcome;
  const reached: (WeighedAim & { readonly value: number })[] = [];
  let bound = outcome.kind === 'time-limit' ? outcome.bound : null;
  for (const [i, each] of aims.entries()) {
    const isLast = i === aims.length - 1;
    const value = isLast ? valueAt(each.costs, values) : Math.round(valueAt(each.costs, values));
    if (bound !== null && !isIdle(each.costs)) {
      const mostAfter = aims
        .slice(i + 1)
        .reduce((sum, w, j) => sum + weights[i + 1 + j]! * boxEnd(w.costs, model, 'most'), 0);
      const least = (bound - mostAfter) / weights[i]!;
      const whole = isLast ? least : Math.ceil(least - AIM_TOLERANCE);
      const open = openAt(each.aim, each.costs, { values, bound: whole }, null, model);
      if (open.value > open.bound) return { values, reached, open };
      bound -= weights[i]! * value;
    }
    reached.push({ ...each, value });
  }
  session.hold(
    ...reached.flatMap(({ costs: c, value }) => (isIdle(c) ? [] : [{ costs: c, value }])),
  );
  return { values, reached, open: null };
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
  const gotBy = (layer: Layer) =>
    model.targets
      .filter(({ target, column }) => target.layer === layer && on(column))
      .map(({ target }) => target.frame.id);
  const asAsked = new Set(gotBy('base'));
  const single = gotBy('single');
  return {
    taken: taken.map((p) => p.id),
    got: new Set([...asAsked, ...single]),
    once: new Set(single.filter((id) => !asAsked.has(id))),
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
