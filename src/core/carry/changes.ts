import type { FrameId } from '@/core/brief';
import type { BodyId } from '@/core/gear';
import type { Mounting, Option, Shift, Task } from './tasks';

/** A picture being made: with what, after which changes. */
export interface Step {
  readonly shift: number;
  readonly frameId: FrameId;
  readonly with: Option;
  /** Mountings put on for it, in order; what can be on since the outset is no change. */
  readonly put: readonly { readonly mounting: Mounting; readonly isChange: boolean }[];
}

export interface Schedule {
  readonly steps: readonly Step[];
  readonly changes: number;
  /** Whether no schedule has fewer; false where the search was cut short. */
  readonly proven: boolean;
}

export interface ScheduleOptions {
  /** Shifts in which the pictures may be made in any order. */
  readonly anyOrder: ReadonlySet<number>;
  /** States kept at any moment; beyond it the best are kept and nothing is proven. */
  readonly mostStates?: number;
}

const MOST_STATES = 40_000;
/** Pieces told apart by whether they have been used; what is beyond counts as used. */
const MOST_PIECES = 30;
/** Frames that may be made in several stretches, of which each choice is looked at. */
const MOST_MOVABLE = 14;

/** What is on each body: a mounting, nothing yet, or nothing any more. */
type Mounted = readonly (Mounting | 'fresh' | 'bare')[];

interface State {
  readonly mounted: Mounted;
  /** Frames that could be made in another stretch too and are made. */
  readonly made: number;
  /** Pieces that have been on a body, a bit each; 0 once every body has borne something. */
  readonly used: number;
  readonly cost: number;
  readonly trail: Trail | null;
}

interface Trail {
  readonly step: Step;
  readonly before: Trail | null;
}

/**
 * The fewest changes over the whole outing, exactly.
 *
 * A setup is put on only when a picture needs it: putting it on earlier never saves a change. So
 * what can differ is what lies on the bodies and which of the frames that may be made in several
 * stretches are made; all of it is kept picture by picture, the cheapest way to each. A state that
 * costs as many changes more than the cheapest as there are bodies is left: the cheapest could
 * remount them all. Where no lens may be changed, everything of the stretch is on before it begins.
 */
export function fewestChanges(
  shifts: readonly Shift[],
  { anyOrder, mostStates = MOST_STATES }: ScheduleOptions,
): Schedule {
  const bodies = [...new Set(shifts.flatMap((s) => s.hands.flatMap((h) => h.bodyIds)))];
  const movable = movableOf(shifts);
  const search = new Search(shifts, bodies, movable.bits, mostStates, movable.all);
  let states: readonly State[] = [
    { mounted: bodies.map(() => 'fresh'), made: 0, used: 0, cost: 0, trail: null },
  ];
  shifts.forEach((shift, at) => {
    const entered = search.enter(states, shift);
    const left = !shift.changes
      ? search.allAtOnce(entered, at)
      : anyOrder.has(at)
        ? search.inAnyOrder(entered, at)
        : search.inOrder(entered, at);
    // Where not all can be made, the stretch is left as it was entered and its frames stay unplanned.
    states = left.length > 0 ? left : entered;
  });
  const best = states.reduce((a, b) => (b.cost < a.cost ? b : a));
  return { steps: stepsOf(best.trail), changes: best.cost, proven: search.whole };
}

/** A bit for each frame that more than one stretch can make. */
function movableOf(shifts: readonly Shift[]) {
  const counts = new Map<FrameId, number>();
  for (const { tasks } of shifts)
    for (const { frame } of tasks) counts.set(frame.id, (counts.get(frame.id) ?? 0) + 1);
  const many = [...counts].filter(([, n]) => n > 1).map(([id]) => id);
  return {
    bits: new Map(many.slice(0, MOST_MOVABLE).map((id, i) => [id, 1 << i])),
    all: many.length <= MOST_MOVABLE,
  };
}

function stepsOf(trail: Trail | null): Step[] {
  const steps: Step[] = [];
  for (let at = trail; at !== null; at = at.before) steps.push(at.step);
  return steps.reverse();
}

class Search {
  private readonly bodyAt: ReadonlyMap<BodyId, number>;
  private readonly last: ReadonlyMap<FrameId, number>;
  private readonly first: ReadonlyMap<FrameId, number>;
  private readonly pieceBits: ReadonlyMap<string, number>;

  constructor(
    private readonly shifts: readonly Shift[],
    private readonly bodies: readonly BodyId[],
    private readonly bits: ReadonlyMap<FrameId, number>,
    private readonly mostStates: number,
    /** Whether everything has been looked at so far. */
    public whole: boolean,
  ) {
    this.bodyAt = new Map(bodies.map((id, i) => [id, i]));
    const pieces = shifts.flatMap((s) =>
      s.hands.flatMap((h) => h.mountings.flatMap((m) => m.pieces)),
    );
    this.pieceBits = new Map(
      [...new Set(pieces)].slice(0, MOST_PIECES).map((id, i) => [id, 1 << i]),
    );
    const last = new Map<FrameId, number>();
    const first = new Map<FrameId, number>();
    shifts.forEach(({ tasks }, at) => {
      for (const { frame } of tasks) {
        last.set(frame.id, at);
        if (!first.has(frame.id)) first.set(frame.id, at);
      }
    });
    this.last = last;
    this.first = first;
  }

  /** What belongs to another hand in this stretch comes off the bodies that bear it. */
  enter(states: readonly State[], { hands }: Shift): State[] {
    if (hands.length < 2) return [...states];
    const holders = new Map<string, Set<BodyId>>();
    for (const { mountings } of hands)
      for (const { pieces, bodyId } of mountings)
        for (const id of pieces) holders.set(id, (holders.get(id) ?? new Set()).add(bodyId));
    const isElsewhere = (m: Mounting) =>
      m.pieces.some((id) => {
        const bodies = holders.get(id);
        return bodies !== undefined && !bodies.has(m.bodyId);
      });
    return this.merged(
      states.map((state) => ({
        ...state,
        mounted: state.mounted.map((m) => (typeof m !== 'string' && isElsewhere(m) ? 'bare' : m)),
      })),
    );
  }

  inOrder(states: readonly State[], at: number): State[] {
    return this.tasksOf(at).reduce<State[]>(
      (now, task) =>
        this.merged(
          now.flatMap((state) => [
            ...(this.isMade(state, task) || this.mayWait(task, at) ? [state] : []),
            ...(this.isMade(state, task) ? [] : this.make(state, task, at)),
          ]),
        ),
      [...states],
    );
  }

  /**
   * Everything that is on already is made first, which costs nothing and spoils nothing; then any of
   * the others.
   */
  inAnyOrder(states: readonly State[], at: number): State[] {
    const tasks = this.tasksOf(at);
    const full = tasks.reduce(
      (mask, task, i) => (this.mayWait(task, at) ? mask : mask | (1 << i)),
      0,
    );
    const keyed = (all: readonly { state: State; done: number }[]) => {
      const best = new Map<string, { state: State; done: number }>();
      for (const entry of all) {
        const key = `${entry.done}|${keyOf(entry.state)}`;
        const known = best.get(key);
        if (!known || entry.state.cost < known.state.cost) best.set(key, entry);
      }
      return [...best.values()];
    };
    const settle = (state: State, done: number): { state: State; done: number } => {
      let now = { state, done };
      tasks.forEach((task, i) => {
        if (now.done & (1 << i)) return;
        if (this.isMade(now.state, task)) {
          now = { ...now, done: now.done | (1 << i) };
          return;
        }
        const free = this.make(now.state, task, at).find(
          (s) => s.cost === now.state.cost && sameMounts(s, now.state),
        );
        if (free) now = { state: free, done: now.done | (1 << i) };
      });
      return now;
    };
    let open = keyed(states.map((state) => settle(state, 0)));
    const ended: State[] = [];
    for (let round = 0; round <= tasks.length && open.length > 0; round += 1) {
      for (const { state, done } of open) if ((done & full) === full) ended.push(state);
      open = this.cut(
        keyed(
          open.flatMap(({ state, done }) =>
            tasks.flatMap((task, i) =>
              done & (1 << i)
                ? []
                : this.make(state, task, at).map((next) => settle(next, done | (1 << i))),
            ),
          ),
        ),
        ({ state }) => state.cost,
      );
    }
    return this.merged(ended);
  }

  /** One setup a body for the whole stretch: every consistent choice of options. */
  allAtOnce(states: readonly State[], at: number): State[] {
    const tasks = this.tasksOf(at);
    const ways = new Map<string, { mounted: Map<number, Mounting>; chosen: Map<Task, Option> }>();
    const visit = (i: number, mounted: Map<number, Mounting>, chosen: Map<Task, Option>): void => {
      const task = tasks[i];
      if (!task) {
        const key = [...mounted.values()]
          .map((m) => m.key)
          .sort()
          .concat([...chosen.keys()].map((t) => t.frame.id))
          .join('|');
        if (!ways.has(key)) ways.set(key, { mounted, chosen });
        return;
      }
      for (const option of task.options) {
        const next = withAll(mounted, option, this.bodyAt);
        if (next) visit(i + 1, next, new Map([...chosen, [task, option]]));
      }
      if (this.mayWait(task, at) || this.first.get(task.frame.id) !== at)
        visit(i + 1, mounted, chosen);
    };
    visit(0, new Map(), new Map());
    return this.merged(
      states.flatMap((state) =>
        [...ways.values()].flatMap(({ mounted, chosen }) => {
          const open = tasks.filter(
            (t) => !chosen.has(t) && !this.isMade(state, t) && !this.mayWait(t, at),
          );
          if (open.length > 0) return [];
          let now = state;
          for (const [body, mounting] of mounted) now = this.putOn(now, body, mounting);
          const put = [...mounted.entries()]
            .filter(([body, m]) => !isOn(state.mounted[body], m))
            .map(([body, mounting]) => ({
              mounting,
              isChange: this.isChange(state, body, mounting),
            }));
          let trail = state.trail;
          let first = true;
          for (const [task, option] of chosen) {
            if (this.isMade(state, task)) continue;
            const step = { shift: at, frameId: task.frame.id, with: option, put: first ? put : [] };
            trail = { step, before: trail };
            first = false;
            now = { ...now, made: now.made | (this.bits.get(task.frame.id) ?? 0) };
          }
          return [{ ...now, trail }];
        }),
      ),
    );
  }

  /** Tasks to be made in a stretch; of movable ones beyond the bits only the first stretch counts. */
  private tasksOf(at: number): Task[] {
    return (this.shifts[at]?.tasks ?? []).filter(
      ({ frame }) =>
        this.bits.has(frame.id) ||
        this.first.get(frame.id) === at ||
        this.first.get(frame.id) === this.last.get(frame.id),
    );
  }

  private isMade(state: State, { frame }: Task): boolean {
    return (state.made & (this.bits.get(frame.id) ?? 0)) !== 0;
  }

  private mayWait({ frame }: Task, at: number): boolean {
    return this.bits.has(frame.id) && (this.last.get(frame.id) ?? at) > at;
  }

  /** Every way of making a task from a state. */
  private make(state: State, task: Task, at: number): State[] {
    return task.options.flatMap((option) =>
      ordersOf(option).map((order) => {
        let now = state;
        const put: { mounting: Mounting; isChange: boolean }[] = [];
        for (const mounting of order) {
          const body = this.bodyAt.get(mounting.bodyId)!;
          if (isOn(now.mounted[body], mounting)) continue;
          put.push({ mounting, isChange: this.isChange(now, body, mounting) });
          now = this.putOn(now, body, mounting);
        }
        const step = { shift: at, frameId: task.frame.id, with: option, put };
        return {
          ...now,
          made: now.made | (this.bits.get(task.frame.id) ?? 0),
          trail: { step, before: state.trail },
        };
      }),
    );
  }

  /** Puts a mounting on a body; what it takes comes off any other body. */
  private putOn(state: State, body: number, mounting: Mounting): State {
    if (isOn(state.mounted[body], mounting)) return state;
    const mounted = state.mounted.map((m, i) => {
      if (i === body) return mounting;
      return typeof m !== 'string' && m.pieces.some((id) => mounting.pieces.includes(id))
        ? 'bare'
        : m;
    });
    const used = mounting.pieces.reduce((mask, id) => mask | this.bitOf(id), state.used);
    return {
      ...state,
      cost: state.cost + (this.isChange(state, body, mounting) ? 1 : 0),
      mounted,
      used: mounted.includes('fresh') ? used : 0,
    };
  }

  /** The first setup of a body is no change where all of it can be on since the outset. */
  private isChange(state: State, body: number, { pieces }: Mounting): boolean {
    return (
      state.mounted[body] !== 'fresh' || pieces.some((id) => (state.used & this.bitOf(id)) !== 0)
    );
  }

  private bitOf(piece: string): number {
    return this.pieceBits.get(piece) ?? -1;
  }

  /** The cheapest state of each kind, without those that are too dear to matter. */
  private merged(states: readonly State[]): State[] {
    const best = new Map<string, State>();
    for (const state of states) {
      const key = keyOf(state);
      const known = best.get(key);
      if (!known || state.cost < known.cost) best.set(key, state);
    }
    const least = new Map<number, number>();
    for (const { made, cost } of best.values())
      least.set(made, Math.min(least.get(made) ?? Infinity, cost));
    return this.cut(
      [...best.values()].filter(
        ({ made, cost }) => cost <= (least.get(made) ?? 0) + this.bodies.length,
      ),
      ({ cost }) => cost,
    );
  }

  private cut<T>(all: T[], costOf: (one: T) => number): T[] {
    if (all.length <= this.mostStates) return all;
    this.whole = false;
    return all.sort((a, b) => costOf(a) - costOf(b)).slice(0, this.mostStates);
  }
}

const isOn = (m: Mounting | string | undefined, other: Mounting) =>
  typeof m === 'object' && m.key === other.key;

const sameMounts = (a: State, b: State) => a.mounted.every((m, i) => m === b.mounted[i]);

function keyOf({ mounted, made, used }: State): string {
  return `${made}|${used}|${mounted.map((m) => (typeof m === 'string' ? m : m.key)).join('|')}`;
}

/** One order where all are on different bodies with different pieces, else every order. */
function ordersOf(option: Option): Option[] {
  if (option.length < 2) return [option];
  return option.flatMap((first, i) =>
    ordersOf(option.filter((_, j) => j !== i)).map((rest) => [first, ...rest]),
  );
}

/** What is on with an option besides, or null where a body or a piece would be needed twice. */
function withAll(
  mounted: ReadonlyMap<number, Mounting>,
  option: Option,
  bodyAt: ReadonlyMap<BodyId, number>,
): Map<number, Mounting> | null {
  const next = new Map(mounted);
  for (const mounting of option) {
    const body = bodyAt.get(mounting.bodyId)!;
    const on = next.get(body);
    if (on && on.key !== mounting.key) return null;
    const clash = [...next].some(
      ([other, m]) => other !== body && m.pieces.some((id) => mounting.pieces.includes(id)),
    );
    if (clash) return null;
    next.set(body, mounting);
  }
  return next;
}
