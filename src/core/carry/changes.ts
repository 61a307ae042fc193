import type { FrameId, ShooterId } from '@/core/brief';
import type { BodyId } from '@/core/gear';
import type { Assignment } from '@/core/lineup';
import type { AssignedSetup, Option, Shift, Task } from './tasks';

/** A setup that is put on, or taken over from another shooter. */
export interface Put {
  readonly assignedSetup: AssignedSetup;
  /** What can be on since the outset is no change; an hand-over is one. */
  readonly isChange: boolean;
  readonly isHandover: boolean;
}

/** A picture being made: with what, after which changes. */
export interface PlanStep {
  readonly shift: number;
  readonly frameId: FrameId;
  readonly with: Option;
  /** Assigned setups put on for it, in order. */
  readonly put: readonly Put[];
}

export interface Schedule {
  readonly steps: readonly PlanStep[];
  readonly changes: number;
  /** Whether no schedule has fewer; false where the search was cut short. */
  readonly proven: boolean;
}

export interface ScheduleOptions {
  /** Shifts in which the pictures may be made in any order. */
  readonly anyOrder: ReadonlySet<number>;
  /** What a thing weighs, g; null for not known. Only asked where an assignment's weight is limited. */
  readonly weightOf?: (id: string) => number | null;
  /** States kept at any moment; beyond it the best are kept and nothing is proven. */
  readonly mostStates?: number;
}

const MOST_STATES = 20_000;
/** Frames that may be made in several stretches, of which each choice is looked at. */
const MOST_MOVABLE = 14;

/** What is on each body: an assigned setup, nothing yet, or nothing any more. */
type Mounted = readonly (AssignedSetup | 'fresh' | 'bare')[];

/** Who had a thing last, and who has met her since and could have taken it over. */
interface Holder {
  readonly shooterId: ShooterId | null;
  readonly met: readonly (ShooterId | null)[];
}

interface CameraState {
  readonly mounted: Mounted;
  /** Frames that could be made in another stretch too and are made, by number. */
  readonly made: readonly number[];
  /** Things that have been used, with their holders; who it was only counts between several people. */
  readonly holders: ReadonlyMap<string, Holder>;
  /** In the stretch that is on: things in use, by the assignment that has them. */
  readonly owners: ReadonlyMap<string, number>;
  readonly cost: number;
  readonly trail: Trail | null;
}

interface Trail {
  readonly step: PlanStep;
  readonly before: Trail | null;
}

/**
 * The fewest changes over the whole outing, exactly, together with what each shooter holds.
 *
 * A setup is put on only when a picture needs it: putting it on earlier never saves a change. So
 * what can differ is what lies on the bodies, whose things are whose in a stretch, who had them last,
 * and which of the frames that may be made in several stretches are made; all of it is kept picture by
 * picture, the cheapest way to each. In one stretch a thing belongs to one shooter; between stretches it
 * can be handed over where the two meet, which is a change. Where no lens may be changed, a body that has
 * been used keeps its setup to the end of the stretch. Where all can meet, a state that costs as many
 * changes more than the cheapest as there are bodies is left: the cheapest could remount them all.
 */
export function fewestChanges(shifts: readonly Shift[], options: ScheduleOptions): Schedule {
  const search = new Search(shifts, options);
  let states: readonly CameraState[] = [search.start()];
  shifts.forEach((_, at) => {
    const entered = search.enter(states, at);
    const left = options.anyOrder.has(at)
      ? search.inAnyOrder(entered, at)
      : search.inOrder(entered, at);
    // Where not all can be made, the stretch is left as it was entered and its frames stay unplanned.
    states = left.length > 0 ? left : entered;
  });
  const best = states.reduce((a, b) => (b.cost < a.cost ? b : a));
  return { steps: stepsOf(best.trail), changes: best.cost, proven: search.whole };
}

function stepsOf(trail: Trail | null): PlanStep[] {
  const steps: PlanStep[] = [];
  for (let at = trail; at !== null; at = at.before) steps.push(at.step);
  return steps.reverse();
}

/** First and last stretch that can make each frame. */
function spansOf(shifts: readonly Shift[]): Map<FrameId, { first: number; last: number }> {
  const spans = new Map<FrameId, { first: number; last: number }>();
  shifts.forEach(({ tasks }, at) => {
    for (const { frame } of tasks) {
      const known = spans.get(frame.id);
      spans.set(frame.id, { first: known?.first ?? at, last: at });
    }
  });
  return spans;
}

class Search {
  /** Whether everything has been looked at so far. */
  whole: boolean;
  private readonly bodies: readonly BodyId[];
  private readonly bodyAt: ReadonlyMap<BodyId, number>;
  private readonly assignments: ReadonlyMap<number, Assignment>;
  private readonly spans: ReadonlyMap<FrameId, { first: number; last: number }>;
  /** Frames that more than one stretch can make, by number. */
  private readonly movable: ReadonlyMap<FrameId, number>;
  /** More than one person photographs, so that it counts who had a thing last. */
  private readonly shared: boolean;
  /** Hands of which it counts what they have: beside others, of few bodies, weighed, or not changed. */
  private readonly counted: ReadonlySet<number>;
  /** Everyone can meet everyone before each stretch. */
  private readonly allMeet: boolean;

  constructor(
    private readonly shifts: readonly Shift[],
    private readonly options: ScheduleOptions,
  ) {
    this.bodies = [...new Set(shifts.flatMap((s) => s.assignments.flatMap((h) => h.bodyIds)))];
    this.bodyAt = new Map(this.bodies.map((id, i) => [id, i]));
    const assignments = shifts.flatMap((s) => s.assignments.map((h) => h.assignment));
    this.assignments = new Map(assignments.map((assignment) => [assignment.index, assignment]));
    this.spans = spansOf(shifts);
    const many = [...this.spans].filter(([, { first, last }]) => first < last).map(([id]) => id);
    this.movable = new Map(many.slice(0, MOST_MOVABLE).map((id, i) => [id, i]));
    this.whole = many.length <= MOST_MOVABLE;
    const people = new Set(assignments.filter((h) => !h.placed).map((h) => h.shooterId));
    this.shared = people.size > 1;
    this.counted = new Set(
      shifts.flatMap(({ assignments: present }) =>
        present
          .map((h) => h.assignment)
          .filter(
            (h) =>
              present.length > 1 ||
              h.fixedSetups ||
              h.maxWeightG !== null ||
              h.bodiesAtOnce < h.bodyIds.length,
          )
          .map((h) => h.index),
      ),
    );
    const pairs = people.size * (people.size - 1);
    this.allMeet = shifts.every(
      (s) => new Set(s.meetings.map(([a, b]) => `${a} ${b}`)).size >= pairs,
    );
  }

  start(): CameraState {
    return {
      mounted: this.bodies.map(() => 'fresh' as const),
      made: [],
      holders: new Map(),
      owners: new Map(),
      cost: 0,
      trail: null,
    };
  }

  /** A new stretch: nothing is in use yet, and those who meet can take things over. */
  enter(states: readonly CameraState[], at: number): CameraState[] {
    const meetings = this.shifts[at]?.meetings ?? [];
    const metBy = (shooterId: ShooterId | null) =>
      meetings.filter(([a]) => a === shooterId).map(([, b]) => b);
    return this.merged(
      states.map((state) => ({
        ...state,
        owners: new Map<string, number>(),
        holders: this.shared
          ? new Map(
              [...state.holders].map(([id, h]) => [
                id,
                { ...h, met: [...new Set([...h.met, ...metBy(h.shooterId)])].sort() },
              ]),
            )
          : state.holders,
      })),
    );
  }

  inOrder(states: readonly CameraState[], at: number): CameraState[] {
    return this.tasksOf(at).reduce<CameraState[]>(
      (now, task) =>
        this.merged(
          now.flatMap((state) => [
            ...(this.isMade(state, task) || this.mayWait(task, at) ? [state] : []),
            ...(this.isMade(state, task) ? [] : this.make(state, task, at)),
          ]),
          !this.isCounted(at),
        ),
      [...states],
    );
  }

  /**
   * Everything that is on and in use already is made first, which costs nothing and spoils nothing;
   * then any of the others.
   */
  inAnyOrder(states: readonly CameraState[], at: number): CameraState[] {
    const tasks = this.tasksOf(at);
    const needed = tasks.flatMap((task, i) => (this.mayWait(task, at) ? [] : [i]));
    const settle = (state: CameraState, done: ReadonlySet<number>): Progress => {
      let now: CameraState = state;
      const made = new Set(done);
      tasks.forEach((task, i) => {
        if (made.has(i)) return;
        const free = this.isMade(now, task) ? now : this.madeForNothing(now, task, at);
        if (free === null) return;
        now = free;
        made.add(i);
      });
      return { state: now, done: made };
    };
    let open = this.cheapest(states.map((state) => settle(state, new Set())));
    const ended: CameraState[] = [];
    for (let round = 0; round <= tasks.length && open.length > 0; round += 1) {
      for (const { state, done } of open) if (needed.every((i) => done.has(i))) ended.push(state);
      open = this.cut(
        this.cheapest(
          open.flatMap(({ state, done }) =>
            tasks.flatMap((task, i) =>
              done.has(i)
                ? []
                : this.make(state, task, at).map((next) => settle(next, new Set([...done, i]))),
            ),
          ),
        ),
        ({ state }) => state.cost,
      );
    }
    return this.merged(ended, !this.isCounted(at));
  }

  /** In a stretch where it counts who has what, the cheapest may be stuck, so none is left as too dear. */
  private isCounted(at: number): boolean {
    return (this.shifts[at]?.assignments ?? []).some((h) => this.counted.has(h.assignment.index));
  }

  /** A task made with what is on and in use already; null where that does not make it. */
  private madeForNothing(state: CameraState, task: Task, at: number): CameraState | null {
    const isReady = (m: AssignedSetup) =>
      isOn(state.mounted[this.bodyAt.get(m.bodyId)!], m) &&
      (!this.counted.has(m.assignment) ||
        thingsOf(m).every((id) => state.owners.get(id) === m.assignment));
    const option = task.options.find((o) => o.every(isReady));
    return option ? this.after(state, task, option, [], at) : null;
  }

  private cheapest(all: readonly Progress[]): Progress[] {
    const best = new Map<string, Progress>();
    for (const entry of all) {
      const key = `${[...entry.done].sort((a, b) => a - b).join()}|${this.keyOf(entry.state)}`;
      const known = best.get(key);
      if (!known || entry.state.cost < known.state.cost) best.set(key, entry);
    }
    return [...best.values()];
  }

  /** Tasks to be made in a stretch; of movable ones beyond the most only the first stretch counts. */
  private tasksOf(at: number): Task[] {
    return (this.shifts[at]?.tasks ?? []).filter(
      ({ frame }) => this.movable.has(frame.id) || this.spans.get(frame.id)?.first === at,
    );
  }

  private isMade(state: CameraState, { frame }: Task): boolean {
    const number = this.movable.get(frame.id);
    return number !== undefined && state.made.includes(number);
  }

  private mayWait({ frame }: Task, at: number): boolean {
    return this.movable.has(frame.id) && (this.spans.get(frame.id)?.last ?? at) > at;
  }

  /** Every way of making a task from a state. */
  private make(state: CameraState, task: Task, at: number): CameraState[] {
    return task.options.flatMap((option) =>
      ordersOf(option).flatMap((order) => {
        let now: CameraState | null = state;
        const put: Put[] = [];
        for (const assignedSetup of order) {
          const used: { state: CameraState; put: Put | null } | null = this.use(now, assignedSetup);
          if (used === null) return [];
          now = used.state;
          if (used.put !== null) put.push(used.put);
        }
        return [this.after(now, task, option, put, at)];
      }),
    );
  }

  private after(
    state: CameraState,
    { frame }: Task,
    option: Option,
    put: readonly Put[],
    at: number,
  ): CameraState {
    const number = this.movable.get(frame.id);
    const step = { shift: at, frameId: frame.id, with: option, put };
    return {
      ...state,
      made: number === undefined ? state.made : [...state.made, number].sort((a, b) => a - b),
      trail: { step, before: state.trail },
    };
  }

  /** An assigned setup taken into use, put on its body where it is not; null where the assignment cannot have it. */
  private use(
    state: CameraState,
    assignedSetup: AssignedSetup,
  ): { state: CameraState; put: Put | null } | null {
    const assignment = this.assignments.get(assignedSetup.assignment)!;
    const things = thingsOf(assignedSetup);
    const isTaken = (id: string) =>
      (state.owners.get(id) ?? assignedSetup.assignment) !== assignedSetup.assignment;
    if (things.some(isTaken)) return null;
    const body = this.bodyAt.get(assignedSetup.bodyId)!;
    const isReady = isOn(state.mounted[body], assignedSetup);
    if (!isReady && this.isKept(state, assignedSetup)) return null;
    const isHandover = assignment.placed ? false : this.handover(state, assignment, things);
    if (isHandover === null) return null;
    const owners = this.counted.has(assignedSetup.assignment)
      ? new Map([...state.owners, ...things.map((id) => [id, assignedSetup.assignment] as const)])
      : state.owners;
    if (!this.canCarry(assignment, owners)) return null;
    const isChange = isHandover || (!isReady && this.isChange(state, body, assignedSetup));
    const mounted = isReady ? state.mounted : this.putOn(state.mounted, body, assignedSetup);
    return {
      state: {
        ...state,
        mounted,
        owners,
        holders: this.heldBy(state, assignment, things, mounted),
        cost: state.cost + (isChange ? 1 : 0),
      },
      put: isReady && !isHandover ? null : { assignedSetup, isChange, isHandover },
    };
  }

  /** Whether the body, or one that bears an item, keeps its setup since it has been used there. */
  private isKept({ mounted, owners }: CameraState, { bodyId, items }: AssignedSetup): boolean {
    return this.bodies.some((id, i) => {
      const user = owners.get(id);
      if (user === undefined || !this.assignments.get(user)?.fixedSetups) return false;
      const on = mounted[i];
      return id === bodyId || (typeof on === 'object' && on.items.some((p) => items.includes(p)));
    });
  }

  /** Whether something is taken over from another shooter; null where the two cannot have met. */
  private handover(
    { holders }: CameraState,
    { shooterId }: Assignment,
    things: readonly string[],
  ): boolean | null {
    if (!this.shared) return false;
    let taken = false;
    for (const id of things) {
      const holder = holders.get(id);
      if (holder === undefined || holder.shooterId === shooterId) continue;
      if (!holder.met.includes(shooterId)) return null;
      taken = true;
    }
    return taken;
  }

  /** What has been used with its holders; once every body has borne something it only counts who. */
  private heldBy(
    state: CameraState,
    { shooterId, placed }: Assignment,
    things: readonly string[],
    mounted: Mounted,
  ): CameraState['holders'] {
    if (!this.shared && !mounted.includes('fresh')) return new Map();
    const holders = new Map(state.holders);
    for (const id of things) {
      if (!placed || !holders.has(id)) holders.set(id, { shooterId, met: [] });
    }
    return holders;
  }

  /** Whether an assignment can have what it has: so many bodies, so much weight; unknown is not zero. */
  private canCarry(assignment: Assignment, owners: ReadonlyMap<string, number>): boolean {
    const inUseIds = [...owners].filter(([, h]) => h === assignment.index).map(([id]) => id);
    if (inUseIds.filter((id) => this.bodyAt.has(id as BodyId)).length > assignment.bodiesAtOnce)
      return false;
    if (assignment.maxWeightG === null) return true;
    const weights = inUseIds.map((id) => this.options.weightOf?.(id) ?? null);
    if (weights.includes(null)) return false;
    return weights.reduce<number>((g, w) => g + (w ?? 0), 0) <= assignment.maxWeightG;
  }

  private putOn(mounted: Mounted, body: number, assignedSetup: AssignedSetup): Mounted {
    return mounted.map((m, i) => {
      if (i === body) return assignedSetup;
      return typeof m !== 'string' && m.items.some((id) => assignedSetup.items.includes(id))
        ? 'bare'
        : m;
    });
  }

  /** The first setup of a body is no change where all of it can be on since the outset. */
  private isChange(
    { mounted, holders }: CameraState,
    body: number,
    { items }: AssignedSetup,
  ): boolean {
    return mounted[body] !== 'fresh' || items.some((id) => holders.has(id));
  }

  /** The cheapest state of each kind, without those that are too dear to matter. */
  private merged(states: readonly CameraState[], isOpen = true): CameraState[] {
    const best = new Map<string, CameraState>();
    for (const state of states) {
      const key = this.keyOf(state);
      const known = best.get(key);
      if (!known || state.cost < known.cost) best.set(key, state);
    }
    const least = new Map<string, number>();
    for (const { made, cost } of best.values())
      least.set(made.join(), Math.min(least.get(made.join()) ?? Infinity, cost));
    const all = [...best.values()];
    return this.cut(
      !isOpen || (this.shared && !this.allMeet)
        ? all
        : all.filter(
            ({ made, cost }) => cost <= (least.get(made.join()) ?? 0) + this.bodies.length,
          ),
      ({ cost }) => cost,
    );
  }

  private cut<T>(all: T[], costOf: (one: T) => number): T[] {
    const most = this.options.mostStates ?? MOST_STATES;
    if (all.length <= most) return all;
    this.whole = false;
    return all.sort((a, b) => costOf(a) - costOf(b)).slice(0, most);
  }

  private keyOf({ mounted, made, holders, owners }: CameraState): string {
    const on = mounted.map((m) => (typeof m === 'string' ? m : m.key)).join('|');
    const holderKeys = [...holders].map(([id, h]) =>
      this.shared ? `${id}=${h.shooterId}:${h.met.join('+')}` : id,
    );
    const owned = [...owners].map(([id, h]) => `${id}=${h}`);
    return `${made.join()}/${on}/${holderKeys.sort().join()}/${owned.sort().join()}`;
  }
}

/** A state in a stretch of free order, with the numbers of the tasks that are done. */
interface Progress {
  readonly state: CameraState;
  readonly done: ReadonlySet<number>;
}

/** The body and the items of an assigned setup. */
function thingsOf({ bodyId, items }: AssignedSetup): readonly string[] {
  return [bodyId, ...items];
}

const isOn = (m: AssignedSetup | string | undefined, other: AssignedSetup) =>
  typeof m === 'object' && m.key === other.key;

/** One order where all are on different bodies with different items, else every order. */
function ordersOf(option: Option): Option[] {
  if (option.length < 2) return [option];
  const bodies = new Set(option.map((m) => m.bodyId));
  const items = option.flatMap((m) => m.items);
  if (bodies.size === option.length && new Set(items).size === items.length) return [option];
  return option.flatMap((first, i) =>
    ordersOf(option.filter((_, j) => j !== i)).map((rest) => [first, ...rest]),
  );
}
