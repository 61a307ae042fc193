import fc from 'fast-check';
import type { Frame } from '@/core/brief';
import type { BodyId, Setup } from '@/core/gear';
import type { AssignedSetup, Option, Shift, Task } from '@/core/carry';
import type { Assignment } from '@/core/lineup';

/** Small plans by seed, and the fewest changes of one by looking at everything that can be done. */

export interface RandomPlan {
  readonly shifts: readonly Shift[];
  readonly anyOrder: ReadonlySet<number>;
}

const assignedSetup = (body: number, items: readonly string[], assignment = 0): AssignedSetup => ({
  key: `b${body} ${items.join('+')}`,
  bodyId: `b${body}` as BodyId,
  setup: {} as Setup,
  items,
  assignment,
});

/** A hand with two bodies; tests override what they are about. */
const assignmentOf = (index: number, change: Partial<Assignment>): Assignment =>
  ({
    index,
    shooterId: null,
    placed: false,
    fixedSetups: false,
    maxWeightG: null,
    bodiesAtOnce: 2,
    bodyIds: ['b0', 'b1'],
    ...change,
  }) as Assignment;

const LENSES = ['l0', 'l1', 'l2'];
const ASSIGNED_SETUPS = [0, 1].flatMap((body) => [
  ...LENSES.map((l) => assignedSetup(body, [l])),
  assignedSetup(body, ['l0', 'c']),
]);

const option = fc.oneof(
  {
    weight: 4,
    arbitrary: fc.nat(ASSIGNED_SETUPS.length - 1).map((i): Option => [ASSIGNED_SETUPS[i]!]),
  },
  {
    weight: 1,
    arbitrary: fc
      .tuple(fc.nat(ASSIGNED_SETUPS.length - 1), fc.nat(ASSIGNED_SETUPS.length - 1))
      .map(([i, j]): Option =>
        i === j ? [ASSIGNED_SETUPS[i]!] : [ASSIGNED_SETUPS[i]!, ASSIGNED_SETUPS[j]!],
      ),
  },
);
const task = (name: fc.Arbitrary<string>): fc.Arbitrary<Task> =>
  fc.record({
    frame: name.map((id) => ({ id }) as unknown as Frame),
    options: fc.array(option, { minLength: 1, maxLength: 3 }),
  });

/** Two bodies, three lenses, a converter; up to three stretches, and frames that several can make. */
export const anyPlan: fc.Arbitrary<RandomPlan> = fc
  .array(
    fc.record({
      changes: fc.nat(4).map((n) => n > 0),
      free: fc.boolean(),
      tasks: fc.array(task(fc.nat(5).map((n) => `f${n}`)), { minLength: 1, maxLength: 3 }),
    }),
    { minLength: 1, maxLength: 3 },
  )
  .map((stretches) => ({
    anyOrder: new Set(stretches.flatMap((s, i) => (s.free ? [i] : []))),
    shifts: stretches.map(({ changes, tasks }, i) => ({
      stretchId: `s${i}` as never,
      changes,
      assignments: [
        {
          assignment: assignmentOf(i, { fixedSetups: !changes }),
          bodyIds: ['b0', 'b1'] as BodyId[],
          assignedSetups: ASSIGNED_SETUPS.map((m) => ({ ...m, assignment: i })),
        },
      ],
      tasks: tasks
        .filter((t, k) => tasks.findIndex((o) => o.frame.id === t.frame.id) === k)
        .map((t) => ({
          ...t,
          options: t.options.map((o) => o.map((m) => ({ ...m, assignment: i }))),
        })),
      meetings: [],
    })),
  }));

/** Two people in up to three stretches, who can meet before some of them; setups in either's hands. */
export const anyShared: fc.Arbitrary<RandomPlan> = fc
  .array(
    fc.record({
      meets: fc.boolean(),
      fixed: fc.nat(4).map((n) => n === 0),
      inAssignment: fc.constantFrom(1, 2, 2),
      tasks: fc.array(
        fc.array(
          fc.array(fc.tuple(fc.nat(1), fc.nat(1), fc.nat(2)), { minLength: 1, maxLength: 2 }),
          { minLength: 1, maxLength: 3 },
        ),
        { minLength: 1, maxLength: 2 },
      ),
    }),
    { minLength: 1, maxLength: 3 },
  )
  .map((stretches) => ({
    anyOrder: new Set<number>(),
    shifts: stretches.map(({ meets, fixed, inAssignment, tasks }, i) => ({
      stretchId: `s${i}` as never,
      changes: !fixed,
      assignments: ['one', 'two'].map((shooterId, h) => ({
        assignment: assignmentOf(2 * i + h, {
          shooterId: shooterId as never,
          fixedSetups: fixed,
          bodiesAtOnce: inAssignment,
        }),
        bodyIds: ['b0', 'b1'] as BodyId[],
        assignedSetups: [],
      })),
      tasks: tasks.map((options, t) => ({
        frame: { id: `f${i}.${t}` } as unknown as Frame,
        options: options.map((o) =>
          o.map(([h, body, lens]) => assignedSetup(body, [LENSES[lens]!], 2 * i + h)),
        ),
      })),
      meetings: meets
        ? [
            ['one' as never, 'two' as never],
            ['two' as never, 'one' as never],
          ]
        : [],
    })),
  }));

/**
 * The fewest changes of two people by plain trial: every option of every picture, its setups in every
 * order, followed to the end. Infinity when the pictures cannot all be made.
 */
export function fewestSharedByTrial({ shifts }: RandomPlan): number {
  const steps = shifts.flatMap((shift, at) =>
    shift.tasks.map((t) => ({ at, shift, options: t.options })),
  );
  interface Now {
    readonly on: Readonly<Record<string, string>>;
    readonly user: Readonly<Record<string, string>>;
    readonly usedIn: Readonly<Record<string, number>>;
    readonly inUse: Readonly<Record<string, number>>;
  }
  const orders = (o: Option): Option[] => (o.length === 2 ? [o, [o[1]!, o[0]!]] : [o]);
  const canMeet = (since: number, at: number) =>
    shifts.some((s, i) => i > since && i <= at && s.meetings.length > 0);
  const apply = (now: Now, m: AssignedSetup, at: number): { now: Now; cost: number } | null => {
    const assignment = shifts[at]!.assignments.find(
      (h) => h.assignment.index === m.assignment,
    )!.assignment;
    const [lens] = m.items as [string];
    const things = [m.bodyId as string, lens];
    if (things.some((t) => now.inUse[t] !== undefined && now.inUse[t] !== m.assignment))
      return null;
    const isOn = now.on[m.bodyId] === lens;
    const other = Object.keys(now.on).find((b) => b !== m.bodyId && now.on[b] === lens);
    if (!isOn && assignment.fixedSetups) {
      if (now.inUse[m.bodyId] !== undefined) return null;
      if (other !== undefined && now.inUse[other] !== undefined) return null;
    }
    const me = assignment.shooterId as unknown as string;
    const from = things.filter((t) => now.user[t] !== undefined && now.user[t] !== me);
    if (from.some((t) => !canMeet(now.usedIn[t]!, at))) return null;
    const inUse = { ...now.inUse, [m.bodyId]: m.assignment, [lens]: m.assignment };
    if (['b0', 'b1'].filter((b) => inUse[b] === m.assignment).length > assignment.bodiesAtOnce)
      return null;
    const hasBorne = now.on[m.bodyId] !== undefined;
    const cost = from.length > 0 || (!isOn && (hasBorne || now.user[lens] !== undefined)) ? 1 : 0;
    const on: Record<string, string> = { ...now.on, [m.bodyId]: lens };
    if (other !== undefined && !isOn) on[other] = 'nothing';
    return {
      cost,
      now: {
        on,
        inUse,
        user: { ...now.user, [m.bodyId]: me, [lens]: me },
        usedIn: { ...now.usedIn, [m.bodyId]: at, [lens]: at },
      },
    };
  };
  const visit = (i: number, now: Now): number => {
    const step = steps[i];
    if (!step) return 0;
    const isNew = i === 0 || steps[i - 1]!.at !== step.at;
    const start = isNew ? { ...now, inUse: {} } : now;
    let best = Infinity;
    for (const o of step.options.flatMap(orders)) {
      let [after, cost]: [Now | null, number] = [start, 0];
      for (const m of o) {
        const used: { now: Now; cost: number } | null = after && apply(after, m, step.at);
        after = used && used.now;
        cost += used?.cost ?? 0;
      }
      if (after) best = Math.min(best, cost + visit(i + 1, after));
    }
    return best;
  };
  return visit(0, { on: {}, user: {}, usedIn: {}, inUse: {} });
}

interface Spot {
  readonly shift: number;
  /** Frames made, of all stretches. */
  readonly made: readonly string[];
  /** Frames of this stretch that are behind, made or left for later. */
  readonly behind: readonly string[];
  /** The frame being made and the assigned setups that it has had. */
  readonly making: string | null;
  readonly had: readonly string[];
  readonly mounted: readonly (string | null)[];
  readonly fresh: readonly boolean[];
  readonly ever: readonly string[];
  /** Whether pictures of the stretch have begun. */
  readonly begun: boolean;
}

/**
 * The fewest changes by the shortest way through everything that can be done: put any setup on any
 * body at any time, use what is on, leave a frame for a later stretch, go on. Infinity when the
 * frames cannot all be made.
 */
export function fewestByEnumeration({ shifts, anyOrder }: RandomPlan): number {
  const start: Spot = {
    shift: 0,
    made: [],
    behind: [],
    making: null,
    had: [],
    mounted: [null, null],
    fresh: [true, true],
    ever: [],
    begun: false,
  };
  const later = (id: string, at: number) =>
    shifts.some((s, i) => i > at && s.tasks.some((t) => t.frame.id === id));
  const movesFrom = (spot: Spot): (readonly [Spot, number])[] => {
    const shift = shifts[spot.shift];
    if (!shift) return [];
    const moves: (readonly [Spot, number])[] = [];
    if (shift.changes || !spot.begun) {
      for (const m of ASSIGNED_SETUPS) {
        const body = m.bodyId === 'b0' ? 0 : 1;
        if (spot.mounted[body] === m.key) continue;
        const free = spot.fresh[body] && !m.items.some((p) => spot.ever.includes(p));
        moves.push([
          {
            ...spot,
            mounted: spot.mounted.map((on, i) => {
              if (i === body) return m.key;
              const other = ASSIGNED_SETUPS.find((x) => x.key === on);
              return other?.items.some((p) => m.items.includes(p)) ? null : (on ?? null);
            }),
            fresh: spot.fresh.map((f, i) => f && i !== body),
            ever: [...new Set([...spot.ever, ...m.items])].sort(),
          },
          free ? 0 : 1,
        ]);
      }
    }
    const open = shift.tasks.filter((t) => !spot.behind.includes(t.frame.id));
    const nextUp = anyOrder.has(spot.shift) && shift.changes ? open : open.slice(0, 1);
    const current = spot.making === null ? nextUp : open.filter((t) => t.frame.id === spot.making);
    for (const t of current) {
      const { id } = t.frame;
      const behind = [...spot.behind, id].sort();
      if (spot.making === null && (spot.made.includes(id) || later(id, spot.shift)))
        moves.push([{ ...spot, behind }, 0]);
      for (const on of spot.mounted) {
        if (on === null || on === undefined || spot.had.includes(on)) continue;
        const had = [...spot.had, on].sort();
        if (t.options.some((o) => o.every((m) => had.includes(m.key))))
          moves.push([
            {
              ...spot,
              making: null,
              had: [],
              behind,
              begun: true,
              made: [...new Set([...spot.made, id])].sort(),
            },
            0,
          ]);
        else if (t.options.some((o) => o.some((m) => m.key === on)))
          moves.push([{ ...spot, making: id, had, begun: true }, 0]);
      }
    }
    if (open.length === 0)
      moves.push([{ ...spot, shift: spot.shift + 1, behind: [], begun: false }, 0]);
    return moves;
  };
  const all = new Set(shifts.flatMap((s) => s.tasks.map((t) => t.frame.id as string)));
  const best = new Map<string, number>([[JSON.stringify(start), 0]]);
  let layer: Spot[] = [start];
  for (let cost = 0; layer.length > 0; cost += 1) {
    const dearer: Spot[] = [];
    for (let spot = layer.pop(); spot; spot = layer.pop()) {
      if ((best.get(JSON.stringify(spot)) ?? Infinity) < cost) continue;
      if (spot.shift === shifts.length && spot.made.length === all.size) return cost;
      for (const [next, step] of movesFrom(spot)) {
        const key = JSON.stringify(next);
        if ((best.get(key) ?? Infinity) <= cost + step) continue;
        best.set(key, cost + step);
        (step === 0 ? layer : dearer).push(next);
      }
    }
    layer = dearer;
  }
  return Infinity;
}
