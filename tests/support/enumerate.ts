import { footingOf, type Frame, needAxis } from '@/core/brief';
import { coveredPositions } from '@/core/coverage';
import { type Body, mountableSetups, stackItemIds, type Setup } from '@/core/gear';
import { containsPoint, covers, type Interval, type IntervalSet, union } from '@/core/intervals';
import type { LineupQuestion } from '@/core/lineup';
import { bodiesLeft, itemsLeft, type PlainItem, worthOf } from './plainAims';

/**
 * The slow, obvious way: every subset of the pieces; in each stretch every way to share pieces and
 * bodies among the hands, and where setups are fixed every way to mount them; each frame looked at
 * on its own. It knows nothing of segments, candidates or reduction, and counts by plainAims. What a setup
 * covers it takes from the product: verdict.test.ts holds that against a search place by place.
 */

const LAYERS = [
  'base',
  'single',
  'usualFocus',
  'stop1',
  'stop2',
  'whole',
  'good',
  'firstClass',
] as const;
type Layer = (typeof LAYERS)[number];
const HARDER = {
  base: undefined,
  single: undefined,
  usualFocus: { stops: 0, uncropped: false, leastGrade: null, usualFocus: true },
  stop1: { stops: 1, uncropped: false, leastGrade: null, usualFocus: false },
  stop2: { stops: 2, uncropped: false, leastGrade: null, usualFocus: false },
  whole: { stops: 0, uncropped: true, leastGrade: null, usualFocus: false },
  good: { stops: 0, uncropped: false, leastGrade: 'good', usualFocus: false },
  firstClass: { stops: 0, uncropped: false, leastGrade: 'first-class', usualFocus: false },
} as const;

interface AssignmentState {
  readonly shooterId: string | null;
  readonly placed: boolean;
  /** The station that is held; null where all are open. */
  readonly stationId: string | null;
  readonly setups: readonly Setup[];
}

interface AssignmentRule {
  readonly shooterId: string | null;
  readonly placed: boolean;
  readonly bodyIds: readonly string[];
  readonly bodiesAtOnce: number;
  readonly maxWeightG: number | null;
}

/** What one way of sharing things out in a stretch gets, and the changes that it needs. */
interface Outcome {
  readonly got: ReadonlySet<string>;
  readonly changes: number;
}

/** The values of all aims for a set of pieces, at their best; the order of ids is left out. */
function bestValues(
  question: LineupQuestion,
  items: readonly PlainItem[],
  bodies: readonly Body[],
  outcomes: readonly (readonly Outcome[])[],
): number[] {
  let best: number[] | null = null;
  const visit = (i: number, got: ReadonlySet<string>, changes: number) => {
    const outcome = outcomes[i];
    if (outcome) {
      for (const o of outcome) visit(i + 1, new Set([...got, ...o.got]), changes + o.changes);
      return;
    }
    const values = worthOf(question.frames, question.limits, {
      items,
      bodies: [...bodies],
      changes,
      got: (id, reading) => got.has(`${id} ${reading}`),
    });
    if (best === null || compareAims(values, best, 1e-9) < 0) best = values;
  };
  visit(0, new Set(), 0);
  return best ?? [];
}

export function compareAims(a: readonly number[], b: readonly number[], tolerance: number): number {
  for (const [i, value] of a.entries()) {
    const other = b[i] ?? 0;
    if (Math.abs(value - other) > tolerance * Math.max(1, Math.abs(other))) return value - other;
  }
  return 0;
}

/** The aims for one given set of pieces at their best; null when it breaks a limit. */
export function aimValues(
  question: LineupQuestion,
  taken: ReadonlySet<string>,
  along?: readonly Body[],
): number[] | null {
  if (along) return aimValuesWith(question, taken, along);
  const all = aimValuesByBodies(question, taken);
  return all.reduce<number[] | null>(
    (best, { values }) => (best === null || compareAims(values, best, 1e-9) < 0 ? values : best),
    null,
  );
}

/** The same with each set of cameras that may come along, where their weight counts. */
export function aimValuesByBodies(
  question: LineupQuestion,
  taken: ReadonlySet<string>,
): { readonly along: readonly Body[]; readonly values: number[] }[] {
  const bodies = bodiesLeft(question.shelf, question.limits);
  const sets = question.limits.countBodies
    ? Array.from({ length: 2 ** bodies.length }, (_, mask) =>
        bodies.filter((_b, i) => mask & (1 << i)),
      )
    : [bodies];
  return sets.flatMap((along) => {
    const values = aimValuesWith(question, taken, along);
    return values === null ? [] : [{ along, values }];
  });
}

function aimValuesWith(
  question: LineupQuestion,
  taken: ReadonlySet<string>,
  bodies: readonly Body[],
): number[] | null {
  const { limits } = question;
  const { shelf } = question;
  const all = itemsLeft(shelf, limits);
  const mayBeTaken = ({ id }: { readonly id: string }) => all.some((item) => item.id === id);
  const setups = mountableSetups({
    ...shelf,
    bodies: [...bodies],
    lenses: shelf.lenses.filter(mayBeTaken),
    converters: shelf.converters.filter(mayBeTaken),
    tubes: shelf.tubes.filter(mayBeTaken),
    adapters: shelf.adapters.filter(mayBeTaken),
  });
  const bodyWeightG = limits.countBodies ? bodies.reduce((g, b) => g + (b.weightG ?? 0), 0) : 0;
  const items = all.filter((p) => taken.has(p.id));
  const sum = (of: (p: PlainItem) => number) => items.reduce((s, p) => s + of(p), 0);
  const over = (most: number | null, value: number) => most !== null && value > most;
  if (
    over(
      limits.maxLenses,
      sum((p) => Number(p.isLens)),
    ) ||
    over(limits.maxLineupWeightG, sum((p) => p.weightG) + bodyWeightG) ||
    over(
      limits.maxSpend,
      sum((p) => p.spend ?? 0),
    )
  )
    return null;
  const carried = setups.filter((s) => stackItemIds(s).every((id) => taken.has(id)));
  const stretches = question.stretches.length > 0 ? question.stretches : [null];
  const look = lookerFor(question);
  const weights = new Map<string, number | null>(
    [...all, ...bodies].map((item) => [item.id, item.weightG]),
  );
  const outcomes = stretches.map((stretch) => {
    const rules = rulesOf(
      question,
      stretch,
      bodies.map((b) => b.id),
    );
    const stationings = everyStationing(question, stretch, rules);
    const fixed =
      limits.neverChange || (stretch !== null && (!stretch.changes || !stretch.allowed.bags));
    const seen = new Map<string, Outcome>();
    for (const shared of sharings(
      items.map((p) => p.id),
      bodies.map((b) => b.id),
      rules,
      weights,
    )) {
      const setupsByAssignment = shared.map(({ itemIds, bodyIds }) =>
        carried.filter(
          (s) => bodyIds.has(s.bodyId) && stackItemIds(s).every((id) => itemIds.has(id)),
        ),
      );
      const ways = assignedSetups(
        setupsByAssignment,
        rules.map((rule) => fixed || rule.placed),
      );
      const counted = limits.order.includes('changes') && !fixed;
      for (const way of ways) {
        const changes = counted
          ? shared.reduce((s, { itemIds }, i) => {
              const lenses = items.filter((p) => p.isLens && itemIds.has(p.id)).length;
              return s + (rules[i]!.placed ? 0 : Math.max(0, lenses - rules[i]!.bodiesAtOnce));
            }, 0)
          : 0;
        for (const held of stationings) {
          const got = look(
            stretch,
            way.map((assigned, i) => ({ ...rules[i]!, stationId: held[i]!, setups: assigned })),
          );
          const key = [...got].sort().join();
          const known = seen.get(key);
          if (!known || changes < known.changes) seen.set(key, { got, changes });
        }
      }
    }
    const all = [...seen.values()];
    return all.filter(
      (o) =>
        !all.some(
          (p) =>
            p !== o &&
            p.changes <= o.changes &&
            p.got.size > o.got.size &&
            [...o.got].every((x) => p.got.has(x)),
        ),
    );
  });
  return bestValues(question, items, limits.countBodies ? bodies : [], outcomes);
}

function rulesOf(
  { outing }: LineupQuestion,
  stretch: LineupQuestion['stretches'][number] | null,
  bodies: readonly string[],
): AssignmentRule[] {
  const first = outing.shooters.find((s) => !s.placed)?.id ?? null;
  if (stretch === null || stretch.hands.length === 0)
    return [
      {
        shooterId: first,
        placed: false,
        bodyIds: bodies,
        bodiesAtOnce: bodies.length,
        maxWeightG: null,
      },
    ];
  return stretch.hands.map((assignment) => {
    const bodyIds =
      assignment.bodyIds.length > 0
        ? bodies.filter((b) => assignment.bodyIds.includes(b as never))
        : bodies;
    const placed = outing.shooters.some((s) => s.placed && s.id === assignment.shooterId);
    return {
      shooterId: assignment.shooterId,
      placed,
      bodyIds,
      bodiesAtOnce: Math.min(placed ? 1 : (assignment.bodies ?? bodyIds.length), bodyIds.length),
      maxWeightG: placed ? null : assignment.maxWeightG,
    };
  });
}

/** Every way in which those who don't move can stand: a station each, of those open to them. */
function everyStationing(
  { frames }: LineupQuestion,
  stretch: LineupQuestion['stretches'][number] | null,
  rules: readonly AssignmentRule[],
): (string | null)[][] {
  return rules.reduce<(string | null)[][]>(
    (all, rule) => {
      const open = frames
        .flatMap((f) => f.standpoints)
        .filter((s) => isOpen(s, stretch, rule))
        .map((s) => s.stationId);
      const stations =
        (stretch?.stays || (stretch && rule.placed)) && open.length > 0 ? new Set(open) : [null];
      return all.flatMap((held) => [...stations].map((id) => [...held, id]));
    },
    [[]],
  );
}

function isOpen(
  { shooterIds, stretchIds }: Frame['standpoints'][number],
  stretch: LineupQuestion['stretches'][number] | null,
  { shooterId, placed }: Pick<AssignmentRule, 'shooterId' | 'placed'>,
): boolean {
  const who = shooterIds.length === 0 ? !placed : shooterIds.some((id) => id === shooterId);
  return who && (stretchIds.length === 0 || stretchIds.some((id) => id === stretch?.id));
}

interface Shared {
  readonly itemIds: Set<string>;
  readonly bodyIds: Set<string>;
}

/** Every way to share pieces and bodies among the hands, some of them left behind. */
function* sharings(
  items: readonly string[],
  bodies: readonly string[],
  rules: readonly AssignmentRule[],
  weights: ReadonlyMap<string, number | null>,
): Generator<readonly Shared[]> {
  const things = [
    ...bodies.map((id) => ['bodyIds', id] as const),
    ...items.map((id) => ['itemIds', id] as const),
  ];
  const assignments: Shared[] = rules.map(() => ({
    itemIds: new Set<string>(),
    bodyIds: new Set<string>(),
  }));
  const visit = function* (i: number): Generator<readonly Shared[]> {
    const thing = things[i];
    if (!thing) {
      if (assignments.every((assignment, h) => isCarriable(assignment, rules[h]!, weights)))
        yield assignments;
      return;
    }
    const [kind, id] = thing;
    yield* visit(i + 1);
    for (const [h, assignment] of assignments.entries()) {
      if (kind === 'bodyIds' && !rules[h]!.bodyIds.includes(id)) continue;
      assignment[kind].add(id);
      if (assignment.bodyIds.size <= rules[h]!.bodiesAtOnce) yield* visit(i + 1);
      assignment[kind].delete(id);
    }
  };
  yield* visit(0);
}

function isCarriable(
  { itemIds, bodyIds }: Shared,
  { maxWeightG }: AssignmentRule,
  weights: ReadonlyMap<string, number | null>,
): boolean {
  if (maxWeightG === null) return true;
  if ([...itemIds, ...bodyIds].some((id) => weights.get(id) === null)) return false;
  return [...itemIds, ...bodyIds].reduce((s, id) => s + (weights.get(id) ?? 0), 0) <= maxWeightG;
}

/** Every way to put one setup on each body, no piece used twice, in each hand that changes nothing. */
function assignedSetups(
  setupsByAssignment: readonly (readonly Setup[])[],
  fixed: readonly boolean[],
): (readonly Setup[])[][] {
  const ofAssignment = (setups: readonly Setup[]): Setup[][] => {
    let ways: Setup[][] = [[]];
    for (const body of new Set(setups.map((s) => s.bodyId))) {
      const bodyStacks = stacks(setups.filter((s) => s.bodyId === body));
      ways = ways.flatMap((way) => [
        way,
        ...bodyStacks
          .filter((stack) =>
            way.every((s) => !stackItemIds(s).some((id) => stackItemIds(stack[0]!).includes(id))),
          )
          .map((stack) => [...way, ...stack]),
      ]);
    }
    return ways;
  };
  return setupsByAssignment.reduce<(readonly Setup[])[][]>(
    (all, setups, i) =>
      all.flatMap((one) =>
        (fixed[i] ? ofAssignment(setups) : [setups]).map((way) => [...one, way]),
      ),
    [[]],
  );
}

/** Setups of the same pieces: with a built-in converter there are two. */
function stacks(setups: readonly Setup[]): Setup[][] {
  const byStack = new Map<string, Setup[]>();
  for (const s of setups) {
    const key = stackItemIds(s).join();
    byStack.set(key, [...(byStack.get(key) ?? []), s]);
  }
  return [...byStack.values()];
}

type Look = (
  stretch: LineupQuestion['stretches'][number] | null,
  assignments: readonly AssignmentState[],
) => ReadonlySet<string>;

/** Looks which frames, and stricter readings of them, the hands of a stretch get. */
function lookerFor({ frames, limits }: LineupQuestion): Look {
  const positions = new Map<string, IntervalSet>();
  const positionsOf = (frame: Frame, key: string, layer: Layer, setup: Setup) => {
    const full = `${key} ${layer} ${setup.bodyId} ${stackItemIds(setup).join()} ${setup.builtIn}`;
    const known = positions.get(full);
    if (known) return known;
    const set = coveredPositions(setup, frame, limits, HARDER[layer]);
    positions.set(full, set);
    return set;
  };
  return (stretch, assignments) => {
    const got = new Set<string>();
    const wet = stretch?.weather.includes('wet') ?? false;
    const { flash, support } = stretch?.allowed ?? { flash: true, support: true };
    for (const frame of frames) {
      if (frame.stretchIds.length > 0 && !frame.stretchIds.some((id) => id === stretch?.id))
        continue;
      const eligible = assignments.filter(
        (h) =>
          frame.shooterIds.some((id) => id === h.shooterId) ||
          (frame.shooterIds.length === 0 &&
            (!h.placed ||
              frame.views.some((v) => v.shooterId === h.shooterId) ||
              frame.standpoints.some((s) => s.shooterIds.some((id) => id === h.shooterId)))),
      );
      const groups = new Map<string, { frame: Frame; setups: Setup[]; shooterId: string | null }>();
      const isMeasured = frame.standpoints.length > 0;
      interface From {
        readonly assignment: AssignmentState;
        readonly view: { readonly fromM: number; readonly toM: number } | undefined;
        readonly station: string;
      }
      const fromWhere = eligible.flatMap((assignment): From[] =>
        isMeasured
          ? frame.standpoints
              .filter(
                (s) =>
                  isOpen(s, stretch, assignment) &&
                  (assignment.stationId === null || assignment.stationId === s.stationId) &&
                  s.seenPercent >= (footingOf(frame.need) === 'free' ? 1 : 100),
              )
              .map((view) => ({ assignment, view, station: view.stationId }))
          : [
              {
                assignment,
                view: frame.views.find((v) => v.shooterId === assignment.shooterId),
                station: '',
              },
            ],
      );
      for (const { assignment, view, station } of fromWhere) {
        const asked: Frame = {
          ...frame,
          special: { ...frame.special, sealed: frame.special.sealed || wet },
          light: {
            ...frame.light,
            flash: flash ? frame.light.flash : null,
            support: assignment.placed ? 'support' : support ? frame.light.support : 'hand',
          },
          need:
            view && frame.need.kind === 'subject'
              ? { ...frame.need, fromM: view.fromM, toM: view.toM }
              : frame.need,
        };
        const isAlone = frame.twice?.by === 'people' || (frame.twice !== null && isMeasured);
        const alone = isAlone ? assignment.shooterId : '';
        const key = `${station} ${frame.id} ${wet} ${flash} ${asked.light.support} ${JSON.stringify(asked.need)} ${alone}`;
        const group = groups.get(key) ?? {
          frame: asked,
          setups: [],
          shooterId: assignment.shooterId,
        };
        group.setups.push(...assignment.setups);
        groups.set(key, group);
      }
      for (const layer of LAYERS) {
        let times = 0;
        const people = new Set<string | null>();
        /** What one person covers from one place after another does not add up. */
        const most = new Map<string | null, number>();
        for (const [key, group] of groups) {
          const sets = group.setups.map((s) => ({
            setup: s,
            set: positionsOf(group.frame, key, layer, s),
          }));
          const made = timesMade(group.frame, sets);
          if (isMeasured && frame.twice !== null)
            most.set(group.shooterId, Math.max(made, most.get(group.shooterId) ?? 0));
          else times += made;
          if (made > 0) people.add(group.shooterId);
        }
        for (const made of most.values()) times += made;
        if (isEnough(frame, layer, times, people)) got.add(`${frame.id} ${layer}`);
      }
    }
    return got;
  };
}

/** Whether a frame is made often enough, by enough people. */
function isEnough(
  { twice }: Frame,
  layer: Layer,
  times: number,
  people: ReadonlySet<string | null>,
): boolean {
  if (twice === null || layer !== 'base') return times >= 1;
  if (twice.by === 'bodies') return times >= 2;
  return twice.shooterIds.length === 0
    ? people.size >= 2
    : twice.shooterIds.every((id) => people.has(id));
}

interface Made {
  readonly setup: Setup;
  readonly set: IntervalSet;
}

/** 0, 1, or 2 when every place of the frame is made by two setups that share nothing. */
function timesMade(frame: Frame, made: readonly Made[]): 0 | 1 | 2 {
  const axis = needAxis(frame.need).range;
  const footing = footingOf(frame.need);
  if (footing !== 'held') {
    const covered = made.filter(({ set }) =>
      footing === 'free' ? set.length > 0 : covers(set, axis),
    );
    return covered.length === 0 ? 0 : hasApart(covered) ? 2 : 1;
  }
  if (!covers(union(made.flatMap(({ set }) => [...set])), axis)) return 0;
  const twice = middles(axis, made).every((x) =>
    hasApart(made.filter(({ set }) => containsPoint(set, x))),
  );
  return twice ? 2 : 1;
}

function hasApart(made: readonly Made[]): boolean {
  const parts = (s: Setup) => [...stackItemIds(s), s.bodyId as string];
  return made.some((a) =>
    made.some((b) => !parts(a.setup).some((id) => parts(b.setup).includes(id))),
  );
}

/** A point in each piece of the axis between two ends. */
function middles(axis: Interval, made: readonly Made[]): number[] {
  const ends = [
    axis.from,
    axis.to,
    ...made.flatMap(({ set }) => set.flatMap((r) => [r.from, r.to])),
  ]
    .filter((x) => x >= axis.from && x <= axis.to)
    .sort((a, b) => a - b);
  if (axis.from === axis.to) return [axis.from];
  return ends.slice(1).flatMap((x, i) => (x > ends[i]! * (1 + 1e-9) ? [(x + ends[i]!) / 2] : []));
}

/** The best aims over all subsets that keep to the limits; null when none does. */
export function bestByEnumeration(question: LineupQuestion, tolerance: number): number[] | null {
  const items = itemsLeft(question.shelf, question.limits);
  let best: number[] | null = null;
  for (let mask = 0; mask < 2 ** items.length; mask += 1) {
    const chosen = items.filter((_, i) => mask & (1 << i));
    if (items.some((p) => p.lockedIn && !chosen.includes(p))) continue;
    const values = aimValues(question, new Set(chosen.map((p) => p.id)));
    if (values !== null && (best === null || compareAims(values, best, tolerance) < 0))
      best = values;
  }
  return best;
}
