import { BitSet } from '@/core/bitSet';
import type { FrameId, ShooterId } from '@/core/brief';
import type { BodyId } from '@/core/gear';
import type { Assignment } from '@/core/lineup';
import { alikeBodies } from './alikeBodies';
import { StacksToCome } from './stacksToCome';
import type { AssignedSetup, Option, Shift } from './tasks';

/** What is on a body: nothing yet, nothing any more, or a setup by its number from here on. */
export const FRESH = 0;
export const BARE = 1;
const FIRST_KEY = 2;

/** Who had a thing last: nobody, somebody whom no one will ask for it, or a holder by number. */
export const UNUSED = 0;
export const USED = 1;

/** One shooter in one stretch, as the search asks of it. */
export interface HandInfo {
  /** From 1 on; 0 is nobody. */
  readonly number: number;
  readonly assignment: Assignment;
  /** Number of the shooter, from 0 on. */
  readonly person: number;
  /** Whether it counts what is in use there: beside others, of few bodies, weighed, or not changed. */
  readonly counted: boolean;
  /** The number of the shooter as a holder whom nobody has met since. */
  readonly holder: number;
}

/** A setup being used by somebody, all in numbers. */
export interface Use {
  readonly assignedSetup: AssignedSetup;
  readonly hand: HandInfo;
  readonly key: number;
  readonly body: number;
  /** The body and the items. */
  readonly things: readonly number[];
  readonly items: readonly number[];
}

/** A way of making a picture: setups used one after another. */
export interface Way {
  readonly option: Option;
  readonly uses: readonly Use[];
}

/** A picture that a stretch can make. */
export interface Job {
  /** Number of the picture over the whole outing. */
  readonly frame: number;
  readonly frameId: FrameId;
  readonly bit: bigint;
  readonly ways: readonly Way[];
  /** Whether a later stretch can make it too. */
  readonly mayWait: boolean;
}

/** A way with the pictures that it makes. */
export interface Turn {
  readonly way: Way;
  readonly jobs: readonly Job[];
}

/** A stretch with its pictures. */
export interface Leg {
  readonly shift: number;
  readonly jobs: readonly Job[];
  /** In any order, every way once: what else one makes is made with what is on then. */
  readonly turns: readonly Turn[];
  readonly isAnyOrder: boolean;
}

interface Holder {
  readonly shooterId: ShooterId | null;
  readonly met: ReadonlySet<ShooterId | null>;
}

/**
 * Everything that a search for the fewest changes asks, numbered: bodies, items, setups, pictures. A
 * state is a row of whole numbers: what is on each body, who had each thing last, and in whose use it
 * is in the stretch that is on.
 */
export class Course {
  readonly legs: readonly Leg[];
  readonly bodyCount: number;
  readonly thingCount: number;
  readonly frameCount: number;
  /** Where in a state holders and owners begin. */
  readonly holdersAt: number;
  readonly ownersAt: number;
  readonly hands: readonly HandInfo[];
  /** Somewhere no lens may be changed. */
  readonly isAnyFixed: boolean;
  /** More than one person photographs, so that it counts who had a thing last. */
  readonly shared: boolean;
  /** Ids of the things, bodies first. */
  readonly thingIds: readonly string[];
  private readonly itemsOfKey: (readonly number[])[] = [];
  /** For each setup, the pictures that it has a part in making. */
  private readonly serves: BitSet[] = [];
  /** For each picture, those that some setup of its own can have a part in as well, and itself. */
  private readonly sharing: readonly BitSet[];
  /** Pictures that are left over: filled anew for each question. */
  private readonly left: BitSet;
  /** The last stretch that can use a setup, by number. */
  private readonly lastOfKey: number[] = [];
  /** Bodies of which one can stand for another. */
  private readonly groups: readonly (readonly number[])[];
  /** For each body, those of its group that come before it. */
  private readonly before: readonly (readonly number[])[];
  private readonly people: readonly (ShooterId | null)[];
  /** For each thing, the last stretch in which each person can use it; -1 for none. */
  private readonly lastUseBy: number[][];
  /** The stack of a setup, whatever the body. */
  private readonly stackOfKey: number[] = [];
  private readonly toCome: StacksToCome;
  private readonly meetings: readonly (readonly (readonly [
    ShooterId | null,
    ShooterId | null,
  ])[])[];
  private readonly holders: Holder[] = [];
  private readonly holderNumbers = new Map<string, number>();

  /** @param weightOf what a thing weighs, g; asked of bodies alone */
  constructor(
    shifts: readonly Shift[],
    anyOrder: ReadonlySet<number>,
    weightOf?: (id: string) => number,
  ) {
    const bodyIds = [
      ...new Set<BodyId>(shifts.flatMap((s) => s.assignments.flatMap((h) => h.bodyIds))),
    ];
    const uses = shifts.flatMap((s) => s.tasks.flatMap((t) => t.options.flat()));
    this.thingIds = [...new Set<string>([...bodyIds, ...uses.flatMap((m) => m.items)])];
    this.groups = alikeBodies(shifts, bodyIds, weightOf).map((g) =>
      g.map((id) => bodyIds.indexOf(id)),
    );
    this.before = bodyIds.map((_, body) =>
      this.groups.flatMap((g) => (g.includes(body) ? g.filter((other) => other < body) : [])),
    );
    this.bodyCount = bodyIds.length;
    this.thingCount = this.thingIds.length;
    this.holdersAt = this.bodyCount;
    this.ownersAt = this.bodyCount + this.thingCount;
    this.meetings = shifts.map((s) => s.meetings);
    this.hands = handsOf(shifts, (id) => this.holderOf(id));
    this.isAnyFixed = this.hands.some((h) => h.assignment.fixedSetups);
    this.people = peopleOf(this.hands);
    this.lastUseBy = this.thingIds.map(() => this.people.map(() => -1));
    this.shared =
      new Set(this.hands.filter((h) => !h.assignment.placed).map((h) => h.assignment.shooterId))
        .size > 1;
    const frameIds = scarcestFirst(shifts);
    this.frameCount = frameIds.length;
    this.left = BitSet.empty(frameIds.length);
    this.legs = this.legsOf(shifts, frameIds, anyOrder);
    const stackCount = new Set(uses.map((m) => m.items.join())).size;
    this.toCome = new StacksToCome(
      this.legs.map(({ isAnyOrder, jobs }) => ({
        isAnyOrder,
        wanted: jobs
          .filter(({ frameId }) => countOf(shifts, frameId) === 1)
          .map(({ bit, ways }) => ({
            bit,
            stacks: [...new Set(ways.flatMap(({ uses }) => uses.flatMap((u) => this.heldBy(u))))],
          })),
      })),
      this.bodyCount,
      stackCount * this.people.length,
    );
    this.sharing = frameIds.map((_, frame) => {
      const sharing = BitSet.empty(frameIds.length);
      for (const serves of this.serves) if (serves?.has(frame)) sharing.addAll(serves);
      return sharing;
    });
  }

  private legsOf(
    shifts: readonly Shift[],
    frameIds: readonly FrameId[],
    anyOrder: ReadonlySet<number>,
  ): Leg[] {
    const things = new Map(this.thingIds.map((id, i) => [id, i]));
    const numbers = new Map(frameIds.map((id, i) => [id, i]));
    const hands = new Map(this.hands.map((h) => [h.assignment.index, h]));
    const keys = new Map<string, number>();
    const stacks = new Map<string, number>();
    const lastOfFrame = new Map<FrameId, number>();
    shifts.forEach((s, at) => s.tasks.forEach((t) => lastOfFrame.set(t.frame.id, at)));
    const useOf = (assignedSetup: AssignedSetup, frame: number, at: number): Use => {
      const { bodyId, items: ids, key: name } = assignedSetup;
      const key = keys.get(name) ?? keys.size + FIRST_KEY;
      keys.set(name, key);
      const hand = hands.get(assignedSetup.assignment)!;
      const body = things.get(bodyId)!;
      const items = ids.map((id) => things.get(id)!);
      this.itemsOfKey[key] = items;
      const stack = stacks.get(ids.join()) ?? stacks.size;
      stacks.set(ids.join(), stack);
      this.stackOfKey[key] = stack;
      (this.serves[key] ??= BitSet.empty(frameIds.length)).add(frame);
      this.lastOfKey[key] = at;
      for (const thing of [body, ...items]) this.lastUseBy[thing]![hand.person] = at;
      return { assignedSetup, hand, key, body, items, things: [body, ...items] };
    };
    return shifts.map((shift, at) => {
      const jobs = shift.tasks.map(({ frame, options }): Job => {
        const number = numbers.get(frame.id)!;
        const ways = options.flatMap((option) =>
          ordersOf(option).map((order) => ({
            option,
            uses: order.map((m) => useOf(m, number, at)),
          })),
        );
        const mayWait = lastOfFrame.get(frame.id)! > at;
        return { frame: number, frameId: frame.id, bit: 1n << BigInt(number), ways, mayWait };
      });
      const isAnyOrder = anyOrder.has(at);
      return { shift: at, isAnyOrder, jobs, turns: isAnyOrder ? turnsOf(jobs) : [] };
    });
  }

  start(): number[] {
    return Array.from({ length: this.ownersAt + this.thingCount }, () => 0);
  }

  itemsOn(key: number): readonly number[] {
    return this.itemsOfKey[key] ?? [];
  }

  /** Alike for states that differ only in which of several alike bodies bears what. */
  nameOf(state: number[]): string {
    const { holdersAt, ownersAt } = this;
    let name = '';
    for (const group of this.groups) {
      const each: string[] = [];
      for (const body of group)
        each.push(
          charsOf(this.borneBy(state, body), state[holdersAt + body]!, state[ownersAt + body]!),
        );
      name += each.length > 1 ? each.sort().join('') : each[0]!;
    }
    for (let item = this.bodyCount; item < this.thingCount; item += 1)
      name += charsOf(state[holdersAt + item]!, state[ownersAt + item]!);
    return name;
  }

  /** Whether a way comes to the same as one with another body, that lies as its own does and comes before it. */
  isRepeated(state: number[], { uses }: Way): boolean {
    for (const { body } of uses)
      for (const other of this.before[body]!)
        if (this.lieAlike(state, body, other) && !uses.some((use) => use.body === other))
          return true;
    return false;
  }

  private lieAlike(state: number[], one: number, other: number): boolean {
    const { holdersAt, ownersAt } = this;
    return (
      this.borneBy(state, one) === this.borneBy(state, other) &&
      state[holdersAt + one] === state[holdersAt + other] &&
      state[ownersAt + one] === state[ownersAt + other]
    );
  }

  /** What a body bears, whatever body it is. */
  private borneBy(state: number[], body: number): number {
    const on = state[body]!;
    return on < FIRST_KEY ? on : FIRST_KEY + this.stackOfKey[on]!;
  }

  hasFresh(state: number[]): boolean {
    for (let body = 0; body < this.bodyCount; body += 1) if (state[body] === FRESH) return true;
    return false;
  }

  /**
   * A state as a stretch begins: nothing is in use, and of what was only what some later picture can
   * ask is kept.
   */
  entered(state: number[], at: number): number[] {
    const now = state.slice();
    now.fill(0, this.ownersAt);
    for (let body = 0; body < this.bodyCount; body += 1)
      if (now[body]! >= FIRST_KEY && this.lastOfKey[now[body]!]! < at) now[body] = BARE;
    const isFirstFree = this.hasFresh(now);
    for (let thing = 0; thing < this.thingCount; thing += 1) {
      const place = this.holdersAt + thing;
      const holder = this.shared ? this.asked(thing, now[place]!, at) : now[place]!;
      // That a thing was used tells only whether it can be on a fresh body since the outset.
      const isAsked = holder > USED || (isFirstFree && this.isUsedFrom(thing, at));
      now[place] = isAsked ? holder : UNUSED;
    }
    return now;
  }

  /** A holder with those who have met her by now, as far as anyone of them can ask for the thing. */
  private asked(thing: number, holder: number, at: number): number {
    if (holder <= USED) return holder;
    const { shooterId, met } = this.holders[holder]!;
    const others = this.people.filter(
      (id, person) => this.lastUseBy[thing]![person]! >= at && id !== shooterId,
    );
    if (others.length === 0) return USED;
    const meeting = this.meetings[at]!.flatMap(([a, b]) => (a === shooterId ? [b] : []));
    return this.holderOf(
      shooterId,
      others.filter((id) => met.has(id) || meeting.includes(id)),
    );
  }

  private isUsedFrom(thing: number, at: number): boolean {
    return this.lastUseBy[thing]!.some((last) => last >= at);
  }

  /** The number of a holder and those who have met her since. */
  private holderOf(shooterId: ShooterId | null, met: readonly (ShooterId | null)[] = []): number {
    const name = [shooterId, ...[...met].sort()].join('\n');
    const known = this.holderNumbers.get(name);
    if (known !== undefined) return known;
    const number = USED + 1 + this.holderNumbers.size;
    this.holderNumbers.set(name, number);
    this.holders[number] = { shooterId, met: new Set(met) };
    return number;
  }

  holder(number: number): Holder {
    return this.holders[number]!;
  }

  /** What makes a use cost nothing: the stack with its shooter; on a placed camera, with anyone. */
  private heldBy({ key, hand }: Use): number[] {
    const people = hand.assignment.placed ? this.people.map((_, i) => i) : [hand.person];
    return people.map((person) => this.held(this.stackOfKey[key]!, person));
  }

  /** Number of a stack with somebody: what the bound counts. */
  private held(stack: number, person: number): number {
    return this.shared ? stack * this.people.length + person : stack;
  }

  /** Adds those who could use what is on a body for nothing, each with its stack; how many there are. */
  private addHeldOn(on: number[], state: number[], body: number, leg: number): number {
    const key = state[body]!;
    const stack = this.stackOfKey[key];
    if (stack === undefined) return 0;
    const items = this.itemsOfKey[key]!;
    const before = on.length;
    const { lastUseBy } = this;
    const last = lastUseBy[items[0] ?? body]!;
    const people = this.shared ? this.people.length : 1;
    for (let person = 0; person < people; person += 1)
      if (!this.shared || (last[person]! >= leg && this.isHers(state, body, items, person)))
        on.push(this.held(stack, person));
    return on.length - before;
  }

  private isHers(state: number[], body: number, items: readonly number[], person: number): boolean {
    const shooterId = this.people[person]!;
    if (!this.isWith(state, body, shooterId)) return false;
    for (const item of items) if (!this.isWith(state, item, shooterId)) return false;
    return true;
  }

  /** Whether nobody else would have to hand a thing over to somebody. */
  isWith(state: number[], thing: number, shooterId: ShooterId | null): boolean {
    const holder = state[this.holdersAt + thing]!;
    return holder <= USED || this.holders[holder]!.shooterId === shooterId;
  }

  /**
   * Changes that are still to come at the least. Pictures of which no two share a setup, and none has
   * one that is on, take a setup each; each body that has borne nothing may take one for nothing.
   *
   * @param enough from which on it does not matter how many
   */
  leastToCome(state: number[], made: bigint, leg: number, enough = Infinity): number {
    let fresh = 0;
    const on: number[] = [];
    // What several could take up for nothing is more than one camera to the bound.
    let isClear = true;
    for (let body = 0; body < this.bodyCount; body += 1) {
      if (state[body] === FRESH) fresh += 1;
      isClear &&= this.addHeldOn(on, state, body, leg) <= 1;
    }
    on.sort((a, b) => a - b);
    const byStacks = isClear ? this.toCome.least(leg, made, on, fresh) : 0;
    if (byStacks >= enough) return byStacks;
    return Math.max(byStacks, this.apart(state, made) - fresh);
  }

  /** How many pictures are left of which no two share a setup, and none has one that is on: those that few make first. */
  private apart(state: number[], made: bigint): number {
    const { left, serves, sharing } = this;
    left.fillWithout(made);
    for (let body = 0; body < this.bodyCount; body += 1) {
      const served = serves[state[body]!];
      if (served) left.deleteAll(served);
    }
    let count = 0;
    // Above the last picture there are none.
    for (let next = left.first(); next >= 0 && next < this.frameCount; next = left.first()) {
      left.deleteAll(sharing[next]!);
      count += 1;
    }
    return count;
  }
}

/** The pictures, those that few setups make first. */
function scarcestFirst(shifts: readonly Shift[]): FrameId[] {
  const keys = new Map<FrameId, Set<string>>();
  for (const { frame, options } of shifts.flatMap((s) => s.tasks)) {
    const ofFrame = keys.get(frame.id) ?? new Set();
    for (const { key } of options.flat()) ofFrame.add(key);
    keys.set(frame.id, ofFrame);
  }
  return [...keys].sort(([, a], [, b]) => a.size - b.size).map(([id]) => id);
}

/** Whole numbers as one character each: below 65,536, which holders, setups and hands don't reach. */
const charsOf = (...numbers: number[]) => String.fromCharCode(...numbers);

function turnsOf(jobs: readonly Job[]): Turn[] {
  const turns = new Map<string, { way: Way; jobs: Job[] }>();
  for (const job of jobs)
    for (const way of job.ways) {
      const name = way.uses.map(({ hand, key }) => `${hand.number} ${key}`).join();
      const turn = turns.get(name) ?? { way, jobs: [] };
      turn.jobs.push(job);
      turns.set(name, turn);
    }
  return [...turns.values()];
}

const countOf = (shifts: readonly Shift[], frameId: FrameId) =>
  shifts.filter((s) => s.tasks.some((t) => t.frame.id === frameId)).length;

const peopleOf = (hands: readonly HandInfo[]) =>
  hands.reduce<(ShooterId | null)[]>((people, { person, assignment }) => {
    people[person] = assignment.shooterId;
    return people;
  }, []);

function handsOf(shifts: readonly Shift[], holderOf: (id: ShooterId | null) => number): HandInfo[] {
  const people = new Map<ShooterId | null, number>();
  const hands = new Map<number, HandInfo>();
  for (const { assignments: present } of shifts)
    for (const { assignment } of present) {
      const { index, fixedSetups, maxWeightG, bodiesAtOnce, bodyIds, shooterId } = assignment;
      const person = people.get(shooterId) ?? people.size;
      people.set(shooterId, person);
      const counted =
        present.length > 1 || fixedSetups || maxWeightG !== null || bodiesAtOnce < bodyIds.length;
      const known = hands.get(index);
      hands.set(index, {
        number: known?.number ?? hands.size + 1,
        assignment,
        person,
        counted: counted || (known?.counted ?? false),
        holder: holderOf(shooterId),
      });
    }
  return [...hands.values()];
}

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
