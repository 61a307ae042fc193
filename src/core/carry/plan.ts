import type { FrameId, Outing, Packing, ShooterId, StationId, StretchId } from '@/core/brief';
import { type Body, type BodyId, type Weighing, weighingOf } from '@/core/gear';
import { firstPerson, type LineupQuestion, type LineupResult } from '@/core/lineup';
import { fewestChanges, type Put, type Schedule, type PlanStep } from './changes';
import { lightestItems } from './lightest';
import {
  type AssignmentShift,
  type Planned,
  type AssignedSetup,
  type Shift,
  shiftsOf,
  takenItems,
  type Task,
} from './tasks';

/** What a plan of carrying is made for. */
export interface CarryQuestion extends Omit<LineupQuestion, 'outing'> {
  readonly outing: Pick<Outing, 'shooters' | 'currency'>;
  readonly packing: Packing;
}

/** A setup on a body, by ids. */
export interface OnBody {
  readonly bodyId: BodyId;
  readonly pieceIds: readonly string[];
}

/** What is done in a stretch, in order: a setup is put on, or a picture is made. */
export type Doing =
  | { readonly kind: 'put'; readonly on: OnBody; readonly isChange: boolean }
  | { readonly kind: 'frame'; readonly frameId: FrameId; readonly with: readonly OnBody[] };

export interface Weights {
  /** The heaviest setup that is lifted to the eye, g. */
  readonly inHandG: number;
  /** All other setups that hang on the shooter at the same time. */
  readonly shoulderG: number;
  /** What is in the bag, the bag included. */
  readonly bagG: number;
  readonly allG: number;
  /** What is carried and weighs as usual for its kind, since nobody knows what it weighs. */
  readonly unknown: readonly string[];
}

/** One shooter in one stretch. */
export interface CarryAssignment {
  readonly shooterId: ShooterId | null;
  /** The station that is held to the end; null where one may walk. */
  readonly stationId: StationId | null;
  /** A camera that stands there and that nobody carries. */
  readonly placed: boolean;
  /** What is mounted when the stretch begins; a body without a setup has an empty list. */
  readonly start: readonly OnBody[];
  readonly bag: readonly string[];
  readonly doings: readonly Doing[];
  readonly weights: Weights;
}

/** One stretch of the plan. */
export interface CarryStretch {
  readonly stretchId: StretchId | null;
  /** Changes made before it begins, where they can be made at rest. */
  readonly before: readonly OnBody[];
  readonly hands: readonly CarryAssignment[];
  /** Changes during it. */
  readonly changes: number;
  /** Whether changes are allowed in it. */
  readonly mayChange: boolean;
  /** Items and bodies that stay at the base. */
  readonly left: readonly string[];
  /** Frames that more than one shooter could make here with what is in hand. */
  readonly both: readonly FrameId[];
  /** Items and bodies that another shooter had in the stretch before. */
  readonly handovers: readonly { readonly id: string; readonly to: ShooterId | null }[];
}

export interface CarryPlan {
  readonly stretches: readonly CarryStretch[];
  /** Changes in all: before stretches and during them. */
  readonly changes: number;
  /** Changes that no plan can do without; as many where it is proven. */
  readonly atLeast: number;
  readonly proven: boolean;
  /** Frames of the lineup for which no way was found here. */
  readonly unplanned: readonly FrameId[];
  /** The most that anyone carries at any moment, and where; null without stretches. */
  readonly worst: {
    readonly stretchId: StretchId | null;
    readonly shooterId: ShooterId | null;
    readonly weightG: number;
  } | null;
}

/** A plan with what would be otherwise. */
export interface CarryAnswer {
  readonly plan: CarryPlan;
  /** The plan by the other preference; null where it is the same. */
  readonly other: CarryPlan | null;
  /** Changes with every picture in the order of the brief. */
  readonly changesInOrder: number;
  /** Changes if every stretch left its order free. */
  readonly changesAnyOrder: number;
}

/** The plan by the person's preference, the other one, and what the order of pictures is worth. */
export function carryAnswer(question: CarryQuestion, result: LineupResult): CarryAnswer {
  const shifts = shiftsOf(question, result);
  const light = lightestItems(shifts, question);
  const free = freeOrders(shifts, question);
  const { weightOf } = itemsOf(question);
  const inOrder = fewestChanges(shifts, { anyOrder: new Set(), weightOf });
  const inFreeOrder = leastIn(shifts, free, weightOf, inOrder);
  const fewest = planOf(question, result, shifts, inFreeOrder);
  const lightest = planOf(question, result, light, leastIn(light, free, weightOf));
  const [plan, other] =
    question.packing.prefer === 'changes' ? [fewest, lightest] : [lightest, fewest];
  const all = new Set(shifts.keys());
  return {
    plan,
    other:
      plan.changes === other.changes && plan.worst?.weightG === other.worst?.weightG ? null : other,
    changesInOrder: inOrder.changes,
    changesAnyOrder: (free.size === all.size
      ? inFreeOrder
      : leastIn(shifts, all, weightOf, inFreeOrder)
    ).changes,
  };
}

/** The plan by the person's preference alone. */
export function preferredPlan(question: CarryQuestion, result: Planned): CarryPlan {
  const shifts = shiftsOf(question, result);
  const anyOrder = freeOrders(shifts, question);
  const of = question.packing.prefer === 'changes' ? shifts : lightestItems(shifts, question);
  const { weightOf } = itemsOf(question);
  return planOf(question, result, of, leastIn(of, anyOrder, weightOf));
}

/** The fewest changes where some order is free: what goes in a stricter order goes here too. */
function leastIn(
  shifts: readonly Shift[],
  anyOrder: ReadonlySet<number>,
  weightOf: (id: string) => number,
  stricter = fewestChanges(shifts, { anyOrder: new Set(), weightOf }),
): Schedule {
  return anyOrder.size === 0
    ? stricter
    : fewestChanges(shifts, { anyOrder, weightOf, known: stricter });
}

/** Shifts in which the pictures may be made in any order. */
function freeOrders(shifts: readonly Shift[], { packing }: CarryQuestion): Set<number> {
  return new Set(
    shifts.flatMap((s, i) => (packing.anyOrder.some((id) => id === s.stretchId) ? [i] : [])),
  );
}

function planOf(
  question: CarryQuestion,
  result: Planned,
  shifts: readonly Shift[],
  schedule: Schedule,
): CarryPlan {
  const items = itemsOf(question);
  const planned = new Set(schedule.steps.map((s) => s.frameId));
  const mounted = new Map<BodyId, AssignedSetup>();
  const holder = new Map<string, ShooterId | null>();
  const along = [
    ...takenItems(result),
    ...result.bodies,
    ...question.limits.spares.map((s) => s.bodyId),
  ];
  const stretches = shifts.map((shift, at) => {
    const steps = schedule.steps.filter((s) => s.shift === at);
    const { before, during } = atRest(steps, shift);
    for (const { assignedSetup } of before) putOn(mounted, assignedSetup);
    const started = new Map(mounted);
    const assignments = shift.assignments.map((h) =>
      assignmentOf(h, during, started, items, question),
    );
    for (const { put } of during)
      for (const { assignedSetup } of put) putOn(mounted, assignedSetup);
    const carried = assignments.map((h) => [
      ...h.bag,
      ...h.start.flatMap((s) => [s.bodyId, ...s.pieceIds]),
    ]);
    const handovers = shift.assignments.flatMap(({ assignment }, i) =>
      (assignment.placed ? [] : (carried[i] ?? [])).flatMap((id) => {
        const from = holder.get(id);
        holder.set(id, assignment.shooterId);
        return from !== undefined && from !== assignment.shooterId
          ? [{ id, to: assignment.shooterId }]
          : [];
      }),
    );
    const carriedIds = new Set(carried.flat());
    return {
      stretchId: shift.stretchId,
      mayChange: shift.changes,
      before: before.filter((p) => p.isChange).map(({ assignedSetup }) => onBody(assignedSetup)),
      hands: assignments,
      changes: during.reduce((sum, s) => sum + s.put.filter((p) => p.isChange).length, 0),
      left: along.filter((id) => !carriedIds.has(id)),
      both: shift.tasks
        .filter((task) => byMany(task, shift.assignments))
        .map((task) => task.frame.id),
      handovers,
    };
  });
  return {
    stretches,
    changes: schedule.changes,
    atLeast: schedule.atLeast,
    proven: schedule.proven,
    unplanned: result.frames
      .filter((f) => f.state !== 'lost' && !planned.has(f.frameId))
      .map((f) => f.frameId),
    worst: worstOf(stretches),
  };
}

/** Whether more than one assignment can make a task with its own bodies alone. */
function byMany({ options }: Task, assignments: readonly AssignmentShift[]): boolean {
  const covered = assignments.filter(({ assignment }) =>
    options.some((option) => option.every((m) => m.assignment === assignment.index)),
  );
  return covered.length > 1;
}

/**
 * Changes that can be made at rest before a stretch: the first on each body, as long as nothing of
 * it is used on another body before. Where no lens may be changed, all of them.
 */
function atRest(
  steps: readonly PlanStep[],
  { assignments }: Shift,
): { before: Put[]; during: PlanStep[] } {
  const fixed = new Set(
    assignments.filter((h) => h.assignment.fixedSetups).map((h) => h.assignment.index),
  );
  const before: Put[] = [];
  const touched = new Set<BodyId>();
  const used = new Set<string>();
  const during = steps.map((step) => {
    const put = step.put.filter((p) => {
      const { bodyId, items } = p.assignedSetup;
      const first = !touched.has(bodyId) && !items.some((id) => used.has(id));
      touched.add(bodyId);
      if (!first && !fixed.has(p.assignedSetup.assignment)) return true;
      before.push(p);
      return false;
    });
    for (const m of step.with) {
      touched.add(m.bodyId);
      for (const id of m.items) used.add(id);
    }
    return { ...step, put };
  });
  return { before, during };
}

function putOn(mounted: Map<BodyId, AssignedSetup>, assignedSetup: AssignedSetup): void {
  for (const [body, other] of mounted)
    if (other.items.some((id) => assignedSetup.items.includes(id))) mounted.delete(body);
  mounted.set(assignedSetup.bodyId, assignedSetup);
}

const onBody = ({ bodyId, items }: AssignedSetup): OnBody => ({ bodyId, pieceIds: items });

/** What one shooter has and does in a stretch; who has nothing to photograph carries nothing. */
function assignmentOf(
  { assignment }: AssignmentShift,
  steps: readonly PlanStep[],
  started: ReadonlyMap<BodyId, AssignedSetup>,
  items: Items,
  { packing, limits, outing }: CarryQuestion,
): CarryAssignment {
  const doings: Doing[] = steps.flatMap((step) => {
    const ours = step.with.filter((m) => m.assignment === assignment.index);
    if (ours.length === 0) return [];
    return [
      ...step.put
        .filter((p) => p.assignedSetup.assignment === assignment.index)
        .map((p) => ({ kind: 'put' as const, on: onBody(p.assignedSetup), isChange: p.isChange })),
      { kind: 'frame' as const, frameId: step.frameId, with: ours.map(onBody) },
    ];
  });
  const inUse = doings.flatMap((d) => (d.kind === 'put' ? [d.on] : d.with));
  const bodyIds = [...new Set(inUse.map((o) => o.bodyId))];
  const used = new Set(inUse.flatMap((o) => [o.bodyId as string, ...o.pieceIds]));
  const start = bodyIds.map((bodyId) => {
    const on = started.get(bodyId);
    return { bodyId, pieceIds: on?.items.every((id) => used.has(id)) ? on.items : [] };
  });
  const worn = new Set<string>([...bodyIds, ...start.flatMap((s) => s.pieceIds)]);
  const spares = limits.spares.filter((s) => s.lies === 'bag').map((s) => s.bodyId);
  const carriesSpares = assignment.shooterId === firstPerson(outing.shooters) && doings.length > 0;
  const bag = [...[...used].filter((id) => !worn.has(id)), ...(carriesSpares ? spares : [])];
  return {
    shooterId: assignment.shooterId,
    stationId: assignment.stationId,
    placed: assignment.placed,
    start,
    bag,
    doings,
    weights: assignment.placed ? NO_WEIGHTS : weightsOf(start, bag, doings, items, packing),
  };
}

/** What a camera that stands somewhere weighs on anyone. */
const NO_WEIGHTS: Weights = { inHandG: 0, shoulderG: 0, bagG: 0, allG: 0, unknown: [] };

interface Items {
  readonly weightOf: Weighing['of'];
  readonly isEstimated: Weighing['isEstimated'];
  readonly bodies: ReadonlyMap<string, Body>;
}

function itemsOf({ shelf }: CarryQuestion): Items {
  const { of: weightOf, isEstimated } = weighingOf(shelf);
  return {
    weightOf,
    isEstimated,
    bodies: new Map(shelf.bodies.map((b) => [b.id, b])),
  };
}

function weightsOf(
  start: readonly OnBody[],
  bag: readonly string[],
  doings: readonly Doing[],
  { weightOf, isEstimated }: Items,
  packing: Packing,
): Weights {
  const sum = (ids: readonly string[]) => ids.reduce((g, id) => g + weightOf(id), 0);
  const setups = [...start, ...doings.flatMap((d) => (d.kind === 'put' ? [d.on] : []))];
  const weightOfSetup = (s: OnBody) => sum([s.bodyId, ...s.pieceIds]);
  const worn = sum(start.flatMap((s) => [s.bodyId, ...s.pieceIds]));
  const inHandG = Math.max(0, ...setups.map(weightOfSetup));
  const heaviestWorn = Math.max(0, ...start.map(weightOfSetup));
  const bagG = sum(bag) + (bag.length > 0 ? (packing.bagWeightG ?? 0) : 0);
  const carried = [...start.flatMap((s) => [s.bodyId, ...s.pieceIds]), ...bag];
  return {
    inHandG,
    shoulderG: Math.max(0, worn - heaviestWorn),
    bagG,
    allG: worn + bagG,
    unknown: carried.filter(isEstimated),
  };
}

function worstOf(stretches: readonly CarryStretch[]): CarryPlan['worst'] {
  let worst: CarryPlan['worst'] = null;
  for (const { stretchId, hands: assignments } of stretches)
    for (const { shooterId, weights } of assignments)
      if (weights.allG > (worst?.weightG ?? 0))
        worst = { stretchId, shooterId, weightG: weights.allG };
  return worst;
}
