import {
  type Aim,
  aimsOf,
  costsOf,
  type CoveringModel,
  type MipModel,
  type MipRow,
  modelOf,
  presolve,
  type Problem,
  problemOf,
} from '@/core/lineup';
import type { YearWorth } from './answering';
import { type NextField, picturesOnly, questionWith } from './field';
import type { Tradable } from './question';

/** One outing's covering model within the joint one. */
export interface JointPart {
  /** Which outing, and at which step. */
  readonly outing: number;
  readonly step: number;
  readonly problem: Problem;
  readonly model: CoveringModel;
  /** Number of its first column. */
  readonly first: number;
  /** The column of what is counted against items, percent; null where nothing is. */
  readonly against: number | null;
}

/** The covering models of all outings with the things that they share. */
export interface JointModel {
  readonly mip: MipModel;
  readonly parts: readonly JointPart[];
  /** For each step, the column that says that a thing is had. */
  readonly have: readonly ReadonlyMap<string, number>[];
}

export interface JointOptions {
  /** Things of which it is chosen whether they are had; everything else that isn't wished is. */
  readonly open: readonly Tradable[];
  /** Steps in time: each has all that the one before had. */
  readonly steps?: number;
  /**
   * What a year comes to now: fewer items than each outing takes are no pictures, so that nothing is
   * bought to save one where the pictures alone are asked for.
   */
  readonly now?: YearWorth;
  /** Rows on what is had, by step. */
  readonly rows?: (have: JointModel['have']) => readonly MipRow[];
}

/**
 * One model over all outings and steps. A thing is had at a step (z); an outing takes only what is had
 * (x ≤ z) and brings only bodies that are. Each outing is reduced as for its own lineup, except that
 * only what is surely had stands for other lenses there.
 */
export function jointOf(
  field: NextField,
  { open, steps = 1, now, rows }: JointOptions,
): JointModel {
  const openIds = new Set(open.map(({ id }) => id));
  const traded = new Set([...field.wished, ...field.sellable].map(({ id }) => id));
  const closed = new Set(field.sellable.flatMap(({ id }) => (openIds.has(id) ? [] : [id])));
  const had = new Set([...openIds, ...closed]);
  const single = field.outings.map((o) => {
    const question = picturesOnly(questionWith(o, (id) => traded.has(id), had));
    const isOpen = (id: string) => openIds.has(id) && !o.anyhow.has(id);
    const openBodies = new Set(question.shelf.bodies.flatMap(({ id }) => (isOpen(id) ? [id] : [])));
    const problem = problemOf(question, { openBodies, memory: o.memory });
    const presolved = presolve(problem, { isSure: (id) => !isOpen(id) });
    return { problem, model: modelOf(problem, presolved), isOpen };
  });
  const builder = new JointBuilder(open);
  const have = Array.from({ length: steps }, () => builder.step());
  have.forEach((at, step) => {
    single.forEach(({ problem, model, isOpen }, outing) => {
      const column = (id: string) => (isOpen(id) ? at.get(id) : undefined);
      builder.part(
        { outing, step, problem, model },
        column,
        now?.outings[outing]!.againstPercent ?? null,
      );
    });
  });
  for (let step = 1; step < steps; step += 1)
    for (const [id, column] of have[step]!) builder.row(atLeast(column, have[step - 1]!.get(id)!));
  for (const row of rows?.(have) ?? []) builder.row(row);
  return { mip: builder.model(), parts: builder.parts, have };
}

class JointBuilder {
  private readonly lower: number[] = [];
  private readonly upper: number[] = [];
  private readonly integer: boolean[] = [];
  private readonly rows: MipRow[] = [];
  private deciding = 0;
  readonly parts: JointPart[] = [];

  constructor(private readonly open: readonly Tradable[]) {}

  /** Before all parts: what is had decides what they come to. */
  step(): Map<string, number> {
    this.deciding += this.open.length;
    return new Map(
      this.open.map(({ id }) => {
        this.lower.push(0);
        this.upper.push(1);
        this.integer.push(true);
        return [id, this.lower.length - 1];
      }),
    );
  }

  part(
    of: Omit<JointPart, 'first' | 'against'>,
    haveOf: (id: string) => number | undefined,
    againstNow: number | null,
  ): void {
    const first = this.lower.length;
    const { mip, items, along } = of.model;
    // One by one: a spread of a large model's columns overflows the stack.
    for (const value of mip.lower) this.lower.push(value);
    for (const value of mip.upper) this.upper.push(value);
    for (const value of mip.integer) this.integer.push(value);
    for (const row of mip.rows)
      this.rows.push({ ...row, columns: row.columns.map((c) => first + c) });
    items.forEach(({ id }, column) => {
      const z = haveOf(id);
      if (z !== undefined) this.row(atLeast(z, first + column));
    });
    for (const { body, column } of along) {
      const z = haveOf(body.id);
      if (z !== undefined) this.row(atLeast(z, first + column));
    }
    this.parts.push({ ...of, first, against: this.againstItems(of, first, againstNow) });
  }

  /** A column that is what is counted against items, and no less than it is now. */
  private againstItems(
    { model, problem: { frames, limits } }: Omit<JointPart, 'first' | 'against'>,
    first: number,
    now: number | null,
  ): number | null {
    const wants = aimsOf(frames, limits).find(({ name }) => name === 'wants');
    if (now === null || !wants) return null;
    const counted = model.items.flatMap((item, i) => {
      const cost = wants.itemCostOf(item, i);
      return cost === 0 ? [] : [[first + i, cost] as const];
    });
    if (counted.length === 0) return null;
    const column = this.lower.length;
    this.lower.push(now);
    this.upper.push(now + counted.reduce((sum, [, cost]) => sum + cost, 0));
    this.integer.push(false);
    this.row({
      lower: 0,
      upper: Infinity,
      columns: [column, ...counted.map(([item]) => item)],
      coefficients: [1, ...counted.map(([, cost]) => -cost)],
    });
    return column;
  }

  row(row: MipRow): void {
    this.rows.push(row);
  }

  model(): MipModel {
    const { lower, upper, integer, rows } = this;
    return { columnCount: lower.length, deciding: this.deciding, lower, upper, integer, rows };
  }
}

/** large ≥ small */
export function atLeast(large: number, small: number): MipRow {
  return { lower: 0, upper: Infinity, columns: [large, small], coefficients: [1, -1] };
}

/** What is summed over outings: an aim, or what is lost of the wanted pictures whatever the items. */
export type JointFigure = Aim['name'] | 'lost';

/** The costs of one figure over all outings and steps, each as often as it happens. */
export function jointCosts(field: NextField, joint: JointModel, name: JointFigure): number[] {
  const costs = new Array<number>(joint.mip.columnCount).fill(0);
  for (const part of joint.parts) {
    const n = field.outings[part.outing]!.timesAYear;
    partCosts(part, name).forEach((c, i) => (costs[part.first + i] = n * c));
    if (name !== 'wants' || part.against === null) continue;
    costs.fill(0, part.first, part.first + part.model.items.length);
    costs[part.against] = n;
  }
  return costs;
}

/** What nothing in the model can change of a figure: what is lost where nothing makes it. */
export function jointConstant(field: NextField, joint: JointModel, name: JointFigure): number {
  return joint.parts.reduce(
    (sum, part) => sum + field.outings[part.outing]!.timesAYear * partConstant(part, name),
    0,
  );
}

/** The costs of a figure of one outing, once, from its first column on; with 'wants', each item as it counts it. */
export function partCosts({ problem, model }: JointPart, name: JointFigure): number[] {
  const aim = aimsOf(problem.frames, problem.limits).find((a) => a.name === aimOf(name));
  if (!aim) return [];
  const costs = costsOf(aim, model);
  return name === 'lost' ? costs.fill(0, 0, model.items.length) : costs;
}

export function partConstant({ problem, model }: JointPart, name: JointFigure): number {
  const aim = aimsOf(problem.frames, problem.limits).find((a) => a.name === aimOf(name));
  return model.asked.reduce((all, target) => all + (aim?.targetCost(target) ?? 0), 0);
}

const aimOf = (name: JointFigure): Aim['name'] => (name === 'lost' ? 'wants' : name);
