import type { FrameId } from '@/core/brief';
import {
  BARE,
  Course,
  FRESH,
  type Job,
  type Leg,
  UNUSED,
  type Use,
  USED,
  type Way,
} from './course';
import type { AssignedSetup, Option, Shift } from './tasks';

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
  /** Changes that no schedule can do without. */
  readonly atLeast: number;
  /** Whether no schedule has fewer; false where the search was cut short. */
  readonly proven: boolean;
}

export interface ScheduleOptions {
  /** Shifts in which the pictures may be made in any order. */
  readonly anyOrder: ReadonlySet<number>;
  /** What a thing weighs, g; null for not known. Only asked where an assignment's weight is limited. */
  readonly weightOf?: (id: string) => number;
  /** States kept at any moment; beyond it the most promising are kept, and what is left is a bound. */
  readonly mostStates?: number;
  /** A schedule of the same stretches that left less of their order free: what is to be beaten. */
  readonly known?: Schedule;
}

/** States kept at any moment, first few, for a schedule to beat. */
const WIDTHS = [10, 40];
/** States kept where everything is to be looked at that can have so many changes. */
const MOST_STATES = 20_000;
/** Ways of making a picture that are followed in all, before the search ends with a bound. */
const MOST_WORK = 55_000;

interface CameraState {
  readonly now: number[];
  /** Pictures made, a bit each. */
  readonly made: bigint;
  readonly madeCount: number;
  readonly cost: number;
  /** Changes that any schedule through this state has at the least. */
  readonly atLeast: number;
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
 * and which pictures are made. States are kept picture by picture, the cheapest way to each, and left
 * where they cannot become cheaper than the best schedule found so far: narrow searches find one, and
 * then everything is looked at that could have no more changes than the bound, which rises until it
 * meets the schedule. In one stretch a thing belongs to one shooter; between stretches it can be handed
 * over where the two meet, which is a change. Where no lens may be changed, a body that has been used
 * keeps its setup to the end of the stretch.
 */
export function fewestChanges(shifts: readonly Shift[], options: ScheduleOptions): Schedule {
  const course = new Course(shifts, options.anyOrder, options.weightOf);
  const isWhole = ({ steps }: Found) => steps.length === course.frameCount;
  const most = options.mostStates ?? Infinity;
  let best: Found | null = options.known && isWhole(options.known) ? options.known : null;
  let atLeast = course.leastToCome(course.start(), 0n, 0);
  let work = 0;
  const look = (width: number, beat: number): Search => {
    const mostWork = best ? MOST_WORK - work : Infinity;
    const search = new Search(course, options, Math.min(width, most), beat, mostWork);
    const state = search.run();
    work += search.work;
    if (state === null) return search;
    const found = { steps: stepsOf(state.trail), changes: state.cost };
    if (best === null || isBetter(found, best)) best = found;
    return search;
  };
  for (const width of WIDTHS) {
    const isAll: boolean = best !== null && isWhole(best);
    if (isAll && atLeast >= best!.changes) break;
    const { left } = look(width, isAll ? best!.changes : Infinity);
    if (best !== null && isWhole(best)) atLeast = Math.min(best.changes, Math.max(atLeast, left));
  }
  // Where some picture stays unplanned, only a search that left out nothing tells that it must.
  if (best === null || !isWhole(best)) {
    const isSure = look(MOST_STATES, Infinity).left === Infinity;
    if (!isWhole(best!)) return { ...best!, atLeast: isSure ? best!.changes : 0, proven: isSure };
  }
  while (atLeast < best!.changes && work < MOST_WORK) {
    if (look(MOST_STATES, atLeast + 1).left <= atLeast) break;
    atLeast = Math.min(atLeast + 1, best!.changes);
  }
  return { ...best!, atLeast, proven: atLeast >= best!.changes };
}

type Found = Pick<Schedule, 'steps' | 'changes'>;

/** More pictures made, then fewer changes. */
const isBetter = (one: Found, other: Found) =>
  one.steps.length === other.steps.length
    ? one.changes < other.changes
    : one.steps.length > other.steps.length;

function stepsOf(trail: Trail | null): PlanStep[] {
  const steps: PlanStep[] = [];
  for (let at = trail; at !== null; at = at.before) steps.push(at.step);
  return steps.reverse();
}

/** One run through the outing with so many states at a time. */
class Search {
  /** Changes that whatever was left out has at the least; Infinity where nothing was. */
  left = Infinity;
  work = 0;

  constructor(
    private readonly course: Course,
    private readonly options: ScheduleOptions,
    private readonly width: number,
    /** Changes that a schedule must have fewer than. */
    private readonly beat: number,
    private readonly mostWork: number,
  ) {}

  /** The best state at the end; null where none is better than what is to be beaten. */
  run(): CameraState | null {
    const { course } = this;
    let states: readonly CameraState[] = [
      { now: course.start(), made: 0n, madeCount: 0, cost: 0, atLeast: 0, trail: null },
    ];
    for (const leg of course.legs) {
      const entered = new States(course);
      for (const s of states) entered.add({ ...s, now: course.entered(s.now, leg.shift) });
      const from = this.cut(entered.all());
      const after = leg.isAnyOrder ? this.inAnyOrder(from, leg) : this.inOrder(from, leg);
      // Where not all can be made, the stretch is left as it was entered and its pictures stay unplanned.
      states = after.length > 0 || this.beat < Infinity ? after : from;
      if (states.length === 0) return null;
    }
    return states.reduce((a, b) => ((b.madeCount - a.madeCount || a.cost - b.cost) > 0 ? b : a));
  }

  private inOrder(states: readonly CameraState[], leg: Leg): readonly CameraState[] {
    return leg.jobs.reduce<readonly CameraState[]>((now, job) => {
      const next = new States(this.course);
      for (const state of now) {
        if ((state.made & job.bit) !== 0n) next.add(state);
        else {
          const free = this.madeForNothing(state, job, leg.shift);
          if (free !== null) next.add(free);
          else {
            if (job.mayWait) next.add(state);
            for (const way of job.ways) {
              const made = this.make(state, job, way, leg);
              if (made) next.add(made, (one) => this.bounded(one, leg));
            }
          }
        }
      }
      return this.cut(next.all());
    }, states);
  }

  /**
   * Everything that is on and in use already is made first, which costs nothing and spoils nothing;
   * then any of the others.
   */
  private inAnyOrder(states: readonly CameraState[], leg: Leg): readonly CameraState[] {
    const { jobs, turns, shift } = leg;
    const needed = jobs.reduce((bits, job) => (job.mayWait ? bits : bits | job.bit), 0n);
    const settle = (state: CameraState): CameraState =>
      jobs.reduce(
        (now, job) =>
          (now.made & job.bit) === 0n ? (this.madeForNothing(now, job, shift) ?? now) : now,
        state,
      );
    const known = new States(this.course);
    const ended = new States(this.course);
    let open: readonly CameraState[] = states.flatMap((state) => known.add(settle(state)) ?? []);
    while (open.length > 0) {
      const next: CameraState[] = [];
      for (const state of open) {
        if ((state.made & needed) === needed) ended.add(state);
        for (const turn of turns) {
          const job = turn.jobs.find(({ bit }) => (state.made & bit) === 0n);
          const made = job ? this.make(state, job, turn.way, leg) : null;
          const added = made && known.add(settle(made), (one) => this.bounded(one, leg));
          if (added) next.push(added);
        }
      }
      open = this.cut(next);
    }
    return this.cut(ended.all());
  }

  /** A picture made with what is on and in use already; null where that does not make it. */
  private madeForNothing(state: CameraState, job: Job, shift: number): CameraState | null {
    const { now } = state;
    const { ownersAt } = this.course;
    const isReady = ({ key, body, hand, things }: Use) =>
      now[body] === key &&
      (!hand.counted || things.every((thing) => now[ownersAt + thing] === hand.number)) &&
      (hand.assignment.placed ||
        things.every((thing) => this.course.isWith(now, thing, hand.assignment.shooterId)));
    const way = job.ways.find(({ uses }) => uses.every(isReady));
    if (!way) return null;
    const step = { shift, frameId: job.frameId, with: way.option, put: [] };
    return {
      ...state,
      made: state.made | job.bit,
      madeCount: state.madeCount + 1,
      trail: { step, before: state.trail },
    };
  }

  /** A picture made in one way; null where that cannot be, or is not looked at any more. */
  private make(state: CameraState, job: Job, way: Way, leg: Leg): CameraState | null {
    if (this.work > this.mostWork) {
      this.left = Math.min(this.left, state.atLeast);
      return null;
    }
    // Before anything is copied: a third of all ways end here.
    if (!this.areOpen(state.now, way.uses) || this.course.isRepeated(state.now, way)) return null;
    this.work += 1;
    const now = state.now.slice();
    const put: Put[] = [];
    for (const use of way.uses) {
      const used = this.use(now, use);
      if (used === null) return null;
      if (used !== 'ready') put.push(used);
    }
    const made = state.made | job.bit;
    let { cost } = state;
    for (const { isChange } of put) if (isChange) cost += 1;
    if (cost >= this.beat) return null;
    if (this.isTaking(state.now, way) && this.isStuck(now, made, leg)) return null;
    const step = { shift: leg.shift, frameId: job.frameId, with: way.option, put };
    const trail = { step, before: state.trail };
    return { now, made, madeCount: state.madeCount + 1, cost, atLeast: state.atLeast, trail };
  }

  /** A state with what any schedule through it has at the least; null where that is not to be beaten. */
  private bounded(state: CameraState, { shift }: Leg): CameraState | null {
    const { now, made, cost } = state;
    const toCome = this.course.leastToCome(now, made, shift, this.beat - cost);
    const atLeast = Math.max(state.atLeast, cost + toCome);
    return atLeast < this.beat ? { ...state, atLeast } : null;
  }

  /** Whether a way takes what nobody has in use yet: else the others can make what they could. */
  private isTaking(now: number[], { uses }: Way): boolean {
    const { ownersAt } = this.course;
    for (const { things, hand } of uses)
      if (hand.counted) for (const thing of things) if (now[ownersAt + thing] === 0) return true;
    return false;
  }

  /** Whether a picture of this stretch can't be made any more, since others have what it takes in use. */
  private isStuck(now: number[], made: bigint, { jobs }: Leg): boolean {
    for (const { bit, mayWait, ways } of jobs)
      if (!mayWait && (made & bit) === 0n && !this.isAnyOpen(now, ways)) return true;
    return false;
  }

  private isAnyOpen(now: number[], ways: readonly Way[]): boolean {
    for (const { uses } of ways) if (this.areOpen(now, uses)) return true;
    return false;
  }

  private areOpen(now: number[], uses: readonly Use[]): boolean {
    for (const use of uses) if (!this.isOpen(now, use)) return false;
    return true;
  }

  /** Whether nobody else has in use what a setup takes. */
  private isOpen(now: number[], { things, hand }: Use): boolean {
    const { ownersAt } = this.course;
    for (const thing of things) {
      const owner = now[ownersAt + thing]!;
      if (owner !== 0 && owner !== hand.number) return false;
    }
    return true;
  }

  /** Takes a setup into use, and puts it on its body where it is not; null where its hand cannot have it. */
  private use(now: number[], use: Use): Put | 'ready' | null {
    const { hand, key, body, things, items, assignedSetup } = use;
    const { course } = this;
    const { ownersAt, holdersAt, shared } = course;
    const { placed, shooterId } = hand.assignment;
    if (!this.isOpen(now, use)) return null;
    const isReady = now[body] === key;
    if (!isReady && this.isKept(now, use)) return null;
    let isHandover = false;
    if (shared && !placed)
      for (const thing of things) {
        if (course.isWith(now, thing, shooterId)) continue;
        if (!course.holder(now[holdersAt + thing]!).met.has(shooterId)) return null;
        isHandover = true;
      }
    const couldBeOn =
      now[body] === FRESH && items.every((item) => now[holdersAt + item] === UNUSED);
    if (hand.counted) for (const thing of things) now[ownersAt + thing] = hand.number;
    if (!this.canCarry(now, hand)) return null;
    if (!isReady) this.putOn(now, use);
    const remembers = shared || course.hasFresh(now);
    for (const thing of things) {
      const place = holdersAt + thing;
      if (!remembers) now[place] = UNUSED;
      // A placed camera belongs to nobody: whoever had what is on it still has, and else anyone may.
      else if (!placed && shared) now[place] = hand.holder;
      else if (now[place] === UNUSED) now[place] = USED;
    }
    if (isReady && !isHandover) return 'ready';
    return { assignedSetup, isChange: isHandover || !(isReady || couldBeOn), isHandover };
  }

  /** Whether the body, or one that bears an item, keeps its setup since it has been used there. */
  private isKept(now: number[], { body, items }: Use): boolean {
    const { course } = this;
    if (!course.isAnyFixed) return false;
    for (let other = 0; other < course.bodyCount; other += 1) {
      const owner = now[course.ownersAt + other]!;
      if (owner === 0 || !course.hands[owner - 1]!.assignment.fixedSetups) continue;
      if (other === body || course.itemsOn(now[other]!).some((i) => items.includes(i))) return true;
    }
    return false;
  }

  private putOn(now: number[], { body, key, items }: Use): void {
    const { course } = this;
    for (let other = 0; other < course.bodyCount; other += 1)
      if (course.itemsOn(now[other]!).some((i) => items.includes(i))) now[other] = BARE;
    now[body] = key;
  }

  /** Whether a hand can have what it has: so many bodies, so much weight; unknown is not zero. */
  private canCarry(now: number[], { number, assignment, counted }: Use['hand']): boolean {
    const isLimited =
      assignment.maxWeightG !== null || assignment.bodiesAtOnce < this.course.bodyCount;
    if (!counted || !isLimited) return true;
    const { course } = this;
    let bodies = 0;
    let weightG = 0;
    for (let thing = 0; thing < course.thingCount; thing += 1) {
      if (now[course.ownersAt + thing] !== number) continue;
      if (thing < course.bodyCount) bodies += 1;
      if (assignment.maxWeightG === null) continue;
      const each = this.options.weightOf?.(course.thingIds[thing]!) ?? null;
      if (each === null) return false;
      weightG += each;
    }
    return bodies <= assignment.bodiesAtOnce && weightG <= (assignment.maxWeightG ?? Infinity);
  }

  /** The most promising states; what is left out bounds what could have been found. */
  private cut(states: readonly CameraState[]): readonly CameraState[] {
    if (states.length <= this.width) return states;
    const ordered = [...states].sort(
      (a, b) => a.atLeast - b.atLeast || a.cost - b.cost || b.madeCount - a.madeCount,
    );
    this.left = Math.min(this.left, ordered[this.width]!.atLeast);
    return ordered.slice(0, this.width);
  }
}

const isBeaten = (one: CameraState, by: CameraState) =>
  by.cost <= one.cost && (by.made & one.made) === one.made;

/** States merged while they are made: of those that lie alike, none that makes no more for no less. */
class States {
  private readonly alike = new Map<
    string,
    { readonly state: CameraState; readonly isIn: boolean }[]
  >();

  constructor(private readonly course: Course) {}

  /**
   * The state, if it is new or better and leads on.
   *
   * @param bounded asked of what is new alone; null for a state that leads nowhere, as do those it beats
   */
  add(
    state: CameraState,
    bounded: (state: CameraState) => CameraState | null = (one) => one,
  ): CameraState | null {
    const key = this.course.nameOf(state.now);
    const known = this.alike.get(key) ?? [];
    if (known.some((other) => isBeaten(state, other.state))) return null;
    const added = bounded(state);
    const better = known.filter((other) => !isBeaten(other.state, state));
    better.push({ state: added ?? state, isIn: added !== null });
    this.alike.set(key, better);
    return added;
  }

  all(): CameraState[] {
    return [...this.alike.values()].flatMap((each) =>
      each.flatMap(({ state, isIn }) => (isIn ? [state] : [])),
    );
  }
}
