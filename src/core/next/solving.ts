import { AIM_TOLERANCE, endingBy } from '@/core/lineup';
import type { NextRun } from './answering';
import { type JointModel, jointConstant, jointCosts } from './joint';
import type { NextField } from './field';
import type { NextAfter } from './question';

/** Something to be made as small as what stands before it allows. */
export interface Goal {
  readonly name: GoalName;
  readonly costs: readonly number[];
  /** What is added to the sum of costs. */
  readonly constant: number;
}

export type GoalName =
  'musts' | 'once' | 'wants' | 'items' | 'weight' | 'money' | 'unknown' | 'things' | 'order';

/** Where time ran out: what was reached, and what nothing can fall below. */
export interface NextOpen {
  readonly goal: GoalName;
  readonly value: number;
  readonly bound: number;
}

export interface Solution {
  readonly values: readonly number[];
  readonly open: NextOpen | null;
}

/**
 * Makes each goal as small as those before it allow.
 *
 * @returns null where nothing keeps to the rows, or time ran out before anything was found
 */
export function solveGoals(
  run: Pick<NextRun, 'solver' | 'deadline'>,
  { mip }: JointModel,
  goals: readonly Goal[],
): Solution | 'impossible' | 'out-of-time' {
  const session = endingBy(run.deadline, run.solver).open(mip);
  let values: readonly number[] | null = null;
  try {
    // What is no goal of this model is only asked where nothing else is.
    const asked = goals.filter(({ costs }) => costs.some((c) => c !== 0));
    for (const { name, costs, constant } of asked.length > 0 ? asked : goals.slice(0, 1)) {
      const outcome = session.minimise(costs, Infinity);
      if (outcome.kind === 'infeasible') return 'impossible';
      let value = outcome.objective;
      if (outcome.kind === 'time-limit') {
        const found: readonly number[] | null = outcome.values ?? values;
        if (found === null) return 'out-of-time';
        value = costs.reduce((sum, c, i) => sum + c * (found[i] ?? 0), 0);
        const least = Math.max(outcome.bound, boxLeast(costs, mip));
        values = found;
        if (least < value - AIM_TOLERANCE * Math.max(1, Math.abs(value)))
          return {
            values,
            open: { goal: name, value: value + constant, bound: least + constant },
          };
      } else values = outcome.values;
      session.hold({ costs, value });
    }
    return { values: values ?? [], open: null };
  } finally {
    session.close();
  }
}

function boxLeast(costs: readonly number[], { lower, upper }: JointModel['mip']): number {
  return costs.reduce(
    (sum, c, i) => (c === 0 ? sum : sum + Math.min(c * (lower[i] ?? 0), c * (upper[i] ?? 0))),
    0,
  );
}

const AFTER = { money: [], items: ['pieces'], weight: ['weight'] } as const;
const GOAL_OF = { pieces: 'items', weight: 'weight' } as const;

/** The pictures first, then what the person counts after them. */
export function pictureGoals(field: NextField, joint: JointModel, after: NextAfter): Goal[] {
  const aim = (name: 'musts' | 'once' | 'wants' | 'pieces' | 'weight', as: GoalName): Goal => ({
    name: as,
    costs: jointCosts(field, joint, name),
    constant: jointConstant(field, joint, name),
  });
  return [
    aim('musts', 'musts'),
    aim('once', 'once'),
    aim('wants', 'wants'),
    ...AFTER[after].map((name) => aim(name, GOAL_OF[name])),
  ];
}

/** A goal on what is had at each step. */
export function haveGoal(
  joint: JointModel,
  name: GoalName,
  cost: (id: string, order: number, step: number) => number,
): Goal {
  const costs = new Array<number>(joint.mip.columnCount).fill(0);
  joint.have.forEach((at, step) =>
    [...at].forEach(([id, column], order) => {
      costs[column] = cost(id, order, step);
    }),
  );
  return { name, costs, constant: 0 };
}

/**
 * What is spent, and of what costs the same the first by the order of ids: in one goal, since the order
 * of everything together weighs less than the smallest step in money.
 */
export function moneyGoal(joint: JointModel, price: (id: string) => number): Goal {
  const things = [...(joint.have[0]?.keys() ?? [])];
  const smallest = things.every((id) => Number.isInteger(price(id))) ? 1 : 0.01;
  const orders = (joint.have.length * things.length * (things.length + 1)) / 2;
  const rank = smallest / (2 * Math.max(1, orders));
  return haveGoal(joint, 'money', (id, order) => price(id) + rank * (order + 1));
}

/** What is had at each step of a solution. */
export function hadIn({ have }: JointModel, { values }: Solution): Set<string>[] {
  return have.map(
    (at) => new Set([...at].flatMap(([id, column]) => ((values[column] ?? 0) > 0.5 ? [id] : []))),
  );
}
