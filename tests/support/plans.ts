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

/** Up to three people, one of them a placed camera, four cameras, four lenses, six stretches. */
export const anyShared: fc.Arbitrary<RandomPlan> = fc
  .record({
    people: fc.integer({ min: 2, max: 3 }),
    bodies: fc.integer({ min: 2, max: 4 }),
    isPlaced: fc.nat(3).map((n) => n === 0),
    stretches: fc.array(
      fc.record({
        meets: fc.boolean(),
        fixed: fc.nat(4).map((n) => n === 0),
        free: fc.boolean(),
        inAssignment: fc.constantFrom(1, 2, 2),
        tasks: fc.array(
          fc.tuple(
            fc.nat(7),
            fc.array(
              fc.array(fc.tuple(fc.nat(2), fc.nat(3), fc.nat(3)), { minLength: 1, maxLength: 2 }),
              { minLength: 1, maxLength: 3 },
            ),
          ),
          { minLength: 1, maxLength: 2 },
        ),
      }),
      { minLength: 1, maxLength: 6 },
    ),
  })
  .map(({ people, bodies, isPlaced, stretches }) => {
    const ids = ['one', 'two', 'three'].slice(0, people);
    const bodyIds = ['b0', 'b1', 'b2', 'b3'].slice(0, bodies) as BodyId[];
    const pairs = ids.flatMap((x) => ids.flatMap((y) => (x === y ? [] : [[x, y] as const])));
    return {
      anyOrder: new Set(stretches.flatMap((s, i) => (s.free && !s.fixed ? [i] : []))),
      shifts: stretches.map(({ meets, fixed, inAssignment, tasks }, i) => ({
        stretchId: `s${i}` as never,
        changes: !fixed,
        assignments: ids.map((shooterId, h) => {
          const placed = isPlaced && h === 1;
          return {
            assignment: assignmentOf(3 * i + h, {
              shooterId: shooterId as never,
              placed,
              fixedSetups: fixed || placed,
              bodiesAtOnce: placed ? 1 : inAssignment,
              bodyIds,
            }),
            bodyIds,
            assignedSetups: [],
          };
        }),
        // The first three pictures can be made in any stretch that has them.
        tasks: tasks
          .filter(([name], k) => tasks.findIndex(([other]) => other === name) === k)
          .map(([name, options]) => ({
            frame: { id: name < 3 ? `f${name}` : `f${i}.${name}` } as unknown as Frame,
            options: options.map((o) =>
              o.map(([h, body, lens]) =>
                assignedSetup(body % bodies, [`l${lens}`], 3 * i + (h % people)),
              ),
            ),
          })),
        meetings: (meets ? pairs : []) as never,
      })),
    };
  });

/** Who has what was only ever on a placed camera. */
const NOBODY = 'nobody';

/** What a plain search knows at a moment: all of it, by name. */
interface Moment {
  readonly at: number;
  /** Pictures of this stretch that are behind, and all that are made. */
  readonly behind: readonly string[];
  readonly made: readonly string[];
  readonly on: Readonly<Record<string, string>>;
  readonly user: Readonly<Record<string, string>>;
  /** Whom the user of each thing has met since. */
  readonly met: Readonly<Record<string, readonly string[]>>;
  readonly inUse: Readonly<Record<string, number>>;
}

/**
 * The fewest changes of several people by plain search over every moment, the cheapest first: every
 * option of every picture, its setups in every order. Infinity when the pictures cannot all be made.
 */
export function fewestSharedByTrial({ shifts, anyOrder }: RandomPlan): number {
  const orders = (o: Option): Option[] => (o.length === 2 ? [o, [o[1]!, o[0]!]] : [o]);
  const apply = (now: Moment, m: AssignedSetup): { now: Moment; cost: number } | null => {
    const { assignment } = shifts[now.at]!.assignments.find(
      (h) => h.assignment.index === m.assignment,
    )!;
    const [lens] = m.items as [string];
    const things = [m.bodyId as string, lens];
    if (things.some((t) => now.inUse[t] !== undefined && now.inUse[t] !== m.assignment))
      return null;
    const isOn = now.on[m.bodyId] === lens;
    const other = Object.keys(now.on).find((b) => b !== m.bodyId && now.on[b] === lens);
    const isFixed = (body: string | undefined) => {
      const user = body === undefined ? undefined : now.inUse[body];
      const hand = shifts[now.at]!.assignments.find((h) => h.assignment.index === user);
      return hand?.assignment.fixedSetups === true;
    };
    if (!isOn && (isFixed(m.bodyId) || isFixed(other))) return null;
    const me = assignment.shooterId as unknown as string;
    const { placed } = assignment;
    const from = placed ? [] : things.filter((t) => ![undefined, NOBODY, me].includes(now.user[t]));
    if (from.some((t) => !now.met[t]!.includes(me))) return null;
    const inUse = { ...now.inUse, [m.bodyId]: m.assignment, [lens]: m.assignment };
    const bodies = Object.keys(inUse).filter((t) => t.startsWith('b') && inUse[t] === m.assignment);
    if (bodies.length > assignment.bodiesAtOnce) return null;
    const hasBorne = now.on[m.bodyId] !== undefined;
    const cost = from.length > 0 || (!isOn && (hasBorne || now.user[lens] !== undefined)) ? 1 : 0;
    const on: Record<string, string> = { ...now.on, [m.bodyId]: lens };
    if (other !== undefined && !isOn) on[other] = 'nothing';
    const taken = things.filter((t) => !placed || now.user[t] === undefined);
    const user = {
      ...now.user,
      ...Object.fromEntries(taken.map((t) => [t, placed ? NOBODY : me])),
    };
    const met = { ...now.met, ...Object.fromEntries(taken.map((t) => [t, []])) };
    return { cost, now: { ...now, on, inUse, user, met } };
  };
  const entered = (now: Moment): Moment => {
    const meetings = shifts[now.at]?.meetings ?? [];
    const met = Object.entries(now.user).map(([thing, user]) => {
      const more = meetings.filter(([a]) => (a as unknown) === user).map(([, b]) => String(b));
      return [thing, [...new Set([...now.met[thing]!, ...more])].sort()];
    });
    return { ...now, behind: [], inUse: {}, met: Object.fromEntries(met) };
  };
  const later = (id: string, at: number) =>
    shifts.some((s, i) => i > at && s.tasks.some((t) => t.frame.id === id));
  const movesFrom = (now: Moment): (readonly [Moment, number])[] => {
    const open = shifts[now.at]!.tasks.filter((t) => !now.behind.includes(t.frame.id));
    if (open.length === 0) return [[entered({ ...now, at: now.at + 1 }), 0]];
    return (anyOrder.has(now.at) ? open : open.slice(0, 1)).flatMap((t) => {
      const id = t.frame.id as string;
      const behind = [...now.behind, id].sort();
      const isMade = now.made.includes(id);
      const passed = isMade || later(id, now.at) ? [[{ ...now, behind }, 0] as const] : [];
      if (isMade) return passed;
      const made = [...now.made, id].sort();
      return [
        ...passed,
        ...t.options.flatMap(orders).flatMap((o) => {
          let [after, cost]: [Moment | null, number] = [now, 0];
          for (const m of o) {
            const used: { now: Moment; cost: number } | null = after && apply(after, m);
            after = used && used.now;
            cost += used?.cost ?? 0;
          }
          return after ? [[{ ...after, behind, made }, cost] as const] : [];
        }),
      ];
    });
  };
  const start: Moment = { at: 0, behind: [], made: [], on: {}, user: {}, met: {}, inUse: {} };
  const nameOf = (m: Moment) =>
    JSON.stringify(m, (_, v) =>
      typeof v === 'object' && v !== null && !Array.isArray(v)
        ? Object.fromEntries(Object.entries(v).sort(([x], [y]) => (x < y ? -1 : 1)))
        : v,
    );
  const queue: Moment[][] = [[start]];
  const best = new Map([[nameOf(start), 0]]);
  for (let cost = 0; cost < queue.length; cost += 1)
    for (let now = queue[cost]?.pop(); now; now = queue[cost]!.pop()) {
      if (best.get(nameOf(now))! < cost) continue;
      if (now.at === shifts.length) return cost;
      for (const [next, step] of movesFrom(now)) {
        const name = nameOf(next);
        if ((best.get(name) ?? Infinity) <= cost + step) continue;
        best.set(name, cost + step);
        while (queue.length <= cost + step) queue.push([]);
        queue[cost + step]!.push(next);
      }
    }
  return Infinity;
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
