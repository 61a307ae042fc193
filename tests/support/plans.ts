import fc from 'fast-check';
import type { Frame } from '@/core/brief';
import type { BodyId, Setup } from '@/core/gear';
import type { Mounting, Option, Shift, Task } from '@/core/carry';

/** Small plans by seed, and the fewest changes of one by looking at everything that can be done. */

export interface RandomPlan {
  readonly shifts: readonly Shift[];
  readonly anyOrder: ReadonlySet<number>;
}

const mounting = (body: number, pieces: readonly string[]): Mounting => ({
  key: `b${body} ${pieces.join('+')}`,
  bodyId: `b${body}` as BodyId,
  setup: {} as Setup,
  pieces,
});

const LENSES = ['l0', 'l1', 'l2'];
const MOUNTINGS = [0, 1].flatMap((body) => [
  ...LENSES.map((l) => mounting(body, [l])),
  mounting(body, ['l0', 'c']),
]);

const option = fc.oneof(
  { weight: 4, arbitrary: fc.nat(MOUNTINGS.length - 1).map((i): Option => [MOUNTINGS[i]!]) },
  {
    weight: 1,
    arbitrary: fc
      .tuple(fc.nat(MOUNTINGS.length - 1), fc.nat(MOUNTINGS.length - 1))
      .map(([i, j]): Option => (i === j ? [MOUNTINGS[i]!] : [MOUNTINGS[i]!, MOUNTINGS[j]!])),
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
      hands: [{ hand: {} as never, bodyIds: ['b0', 'b1'] as BodyId[], mountings: MOUNTINGS }],
      tasks: tasks.filter((t, k) => tasks.findIndex((o) => o.frame.id === t.frame.id) === k),
    })),
  }));

interface Spot {
  readonly shift: number;
  /** Frames made, of all stretches. */
  readonly made: readonly string[];
  /** Frames of this stretch that are behind, made or left for later. */
  readonly behind: readonly string[];
  /** The frame being made and the mountings that it has had. */
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
      for (const m of MOUNTINGS) {
        const body = m.bodyId === 'b0' ? 0 : 1;
        if (spot.mounted[body] === m.key) continue;
        const free = spot.fresh[body] && !m.pieces.some((p) => spot.ever.includes(p));
        moves.push([
          {
            ...spot,
            mounted: spot.mounted.map((on, i) => {
              if (i === body) return m.key;
              const other = MOUNTINGS.find((x) => x.key === on);
              return other?.pieces.some((p) => m.pieces.includes(p)) ? null : (on ?? null);
            }),
            fresh: spot.fresh.map((f, i) => f && i !== body),
            ever: [...new Set([...spot.ever, ...m.pieces])].sort(),
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
