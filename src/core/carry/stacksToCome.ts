import { Keepers, LARGEST_NUMBER } from './keepers';

/** A picture as the bound sees it: which stacks of lens and what stands behind it can have a part. */
export interface Wanted {
  readonly bit: bigint;
  readonly stacks: readonly number[];
}

/** A stretch as the bound sees it: the pictures that no later stretch can make instead. */
export interface WantedLeg {
  readonly isAnyOrder: boolean;
  readonly wanted: readonly Wanted[];
}

/** Sets looked at for the first question, which bounds the whole; beyond it nothing is said of what is new. */
const MOST_SETS = 150_000;
/** Sets looked at in all before a later question is looked into. */
const MOST_SETS_LATER = 20_000;

/** What is asked again and again where the same pictures are left. */
interface Left {
  readonly pictures: readonly Wanted[];
  readonly worth: Worth;
  /**
   * Stacks to put on for the next picture, without those of which another serves all that they do. Where
   * the order is free any picture may be next, as long as what is put on last can be kept: there is room
   * for one more stack, until the stretch ends.
   */
  readonly next: readonly number[];
  /** What is known, by what is on the cameras. */
  readonly known: Map<number, number>;
}

/**
 * Changes that pictures still ask for at the least, if a stack could pass from camera to camera: exactly,
 * stack by stack, over which stacks are on the cameras. Who holds what, and which camera it is, can only
 * ask for more.
 */
export class StacksToCome {
  /** For each stretch, by the pictures left in it. */
  private readonly left: Map<bigint | number, Left>[];
  /** For each stretch, what each stack serves in the stretches after it. */
  private readonly later: readonly (readonly bigint[])[];
  private size = 0;
  private most = MOST_SETS;
  /** The first stretch from which on all are in order. */
  private readonly inOrderFrom: number;
  private readonly keepers: Keepers;
  /** For each stretch, the pictures of it and of those after it. */
  private readonly picturesFrom: readonly number[];
  /** Whether each set of stacks has a number of its own. */
  private readonly canNumber: boolean;

  /** @param stackCount stacks are numbered from 0 to below it */
  constructor(
    private readonly legs: readonly WantedLeg[],
    private readonly bodyCount: number,
    private readonly stackCount: number,
  ) {
    this.left = legs.map(() => new Map());
    this.canNumber = (stackCount + 1) ** (bodyCount + 1) * (bodyCount + 1) < LARGEST_NUMBER;
    this.inOrderFrom = legs.findLastIndex(({ isAnyOrder }) => isAnyOrder) + 1;
    const ordered = legs.slice(this.inOrderFrom).flatMap(({ wanted }) => wanted);
    this.keepers = new Keepers(
      ordered.map(({ stacks }) => stacks),
      bodyCount,
      stackCount,
    );
    this.picturesFrom = legs.map((_, leg) =>
      legs.slice(leg).reduce((sum, { wanted }) => sum + wanted.length, 0),
    );
    const none = Array.from({ length: stackCount }, () => 0n);
    this.later = legs.map((_, leg) =>
      withPictures(
        none,
        legs.slice(leg + 1).flatMap(({ wanted }) => wanted),
      ),
    );
  }

  /**
   * @param made pictures made, of which a stretch in order has its first ones
   * @param on the stacks on the cameras, upwards
   * @param fresh cameras that have borne nothing yet
   */
  least(leg: number, made: bigint, on: readonly number[], fresh: number): number {
    const least = this.from(leg, made, on, fresh);
    this.most = MOST_SETS_LATER;
    return least;
  }

  private from(leg: number, made: bigint, on: readonly number[], fresh: number): number {
    const stretch = this.legs[leg];
    if (!stretch) return 0;
    const { wanted } = stretch;
    if (leg >= this.inOrderFrom) {
      let first = 0;
      while (first < wanted.length && (made & wanted[first]!.bit) !== 0n) first += 1;
      return Math.max(0, this.keepers.least(this.picturesFrom[leg]! - first, on) - fresh);
    }
    if (!this.canNumber) return 0;
    const open = made === 0n ? wanted : wanted.filter(({ bit }) => (made & bit) === 0n);
    return this.over(leg, open, on, fresh);
  }

  private over(
    leg: number,
    open: readonly Wanted[],
    borne: readonly number[],
    fresh: number,
  ): number {
    const pictures = this.notMade(leg, open, borne);
    if (pictures.length === 0) return this.afterLeg(leg, borne, fresh);
    const left = this.leftOf(leg, pictures);
    const on = left.worth.useful(borne);
    const set = this.numberOf(on, fresh);
    const before = left.known.get(set);
    if (before !== undefined) return before;
    if (this.size >= this.most) return 0;
    this.size += 1;
    // Until it is known, so that the most is never exceeded by what is being looked at.
    left.known.set(set, 0);
    const cost = fresh > 0 ? 0 : 1;
    const room = this.bodyCount + Number(this.legs[leg]!.isAnyOrder);
    let least = Infinity;
    for (const stack of left.next) {
      const all = left.worth.useful(withStack(on, stack));
      // One of them comes off where there is no room; -1 is none of them.
      for (const off of all.length <= room ? NONE : all) {
        if (least === cost) break;
        if (off === stack) continue;
        const now = off < 0 ? all : without(all, off);
        least = Math.min(least, cost + this.over(leg, pictures, now, Math.max(0, fresh - 1)));
      }
    }
    left.known.set(set, least);
    return least;
  }

  /** What the stretches after one ask for; what has found room for the sake of its order comes off. */
  private afterLeg(leg: number, on: readonly number[], fresh: number): number {
    if (leg + 1 === this.legs.length) return 0;
    if (on.length <= this.bodyCount) return this.from(leg + 1, 0n, on, fresh);
    return Math.min(...on.map((o) => this.from(leg + 1, 0n, without(on, o), fresh)));
  }

  /** Pictures that what is on does not make: in order, from the first such one on. */
  private notMade(leg: number, open: readonly Wanted[], on: readonly number[]): readonly Wanted[] {
    if (this.legs[leg]!.isAnyOrder) return open.filter((w) => !isMadeBy(w, on));
    let first = 0;
    while (first < open.length && isMadeBy(open[first]!, on)) first += 1;
    return first === 0 ? open : open.slice(first);
  }

  private leftOf(leg: number, pictures: readonly Wanted[]): Left {
    const { isAnyOrder } = this.legs[leg]!;
    const name = isAnyOrder ? pictures.reduce((bits, w) => bits | w.bit, 0n) : pictures.length;
    const known = this.left[leg]!.get(name);
    if (known) return known;
    const worth = new Worth(withPictures(this.later[leg]!, pictures));
    const { stacks } = isAnyOrder
      ? pictures.reduce((a, b) => (b.stacks.length < a.stacks.length ? b : a))
      : pictures[0]!;
    const left = { pictures, worth, next: worth.useful(stacks), known: new Map() };
    this.left[leg]!.set(name, left);
    return left;
  }

  private numberOf(on: readonly number[], fresh: number): number {
    let set = 0;
    for (const stack of on) set = set * (this.stackCount + 1) + stack + 1;
    return set * (this.bodyCount + 1) + fresh;
  }
}

function isMadeBy({ stacks }: Wanted, on: readonly number[]): boolean {
  for (const stack of stacks) for (const other of on) if (other === stack) return true;
  return false;
}

function withPictures(serves: readonly bigint[], wanted: readonly Wanted[]): readonly bigint[] {
  const more = [...serves];
  for (const { bit, stacks } of wanted) for (const stack of stacks) more[stack]! |= bit;
  return more;
}

/** Which stacks are worth having, by the pictures that each has a part in. */
class Worth {
  /** For each two stacks, whether the first serves all that the second does: 1, or 2 for no; 0 is not looked at. */
  private readonly servesAll: Uint8Array;

  /** @param serves for each stack its pictures, a bit each */
  constructor(private readonly serves: readonly bigint[]) {
    this.servesAll = new Uint8Array(serves.length ** 2);
  }

  /**
   * Stacks without those that serve nothing that another does not: whoever has both on may take off the
   * lesser one, and whoever puts one on may put on the greater.
   */
  useful(stacks: readonly number[]): readonly number[] {
    for (const stack of stacks)
      if (this.isNeedless(stack, stacks)) return stacks.filter((s) => !this.isNeedless(s, stacks));
    return stacks;
  }

  private isNeedless(stack: number, among: readonly number[]): boolean {
    if (this.serves[stack] === 0n) return true;
    for (const other of among)
      if (other !== stack && this.isOver(other, stack))
        if (other < stack || !this.isOver(stack, other)) return true;
    return false;
  }

  private isOver(one: number, other: number): boolean {
    const { serves, servesAll } = this;
    const at = one * serves.length + other;
    if (servesAll[at] === 0)
      servesAll[at] = (serves[one]! & serves[other]!) === serves[other]! ? 1 : 2;
    return servesAll[at] === 1;
  }
}

const NONE = [-1];

function without(stacks: readonly number[], stack: number): number[] {
  const left: number[] = [];
  for (const other of stacks) if (other !== stack) left.push(other);
  return left;
}

/** Stacks upwards, with one more. */
function withStack(stacks: readonly number[], stack: number): number[] {
  const now = [...stacks, stack];
  for (let i = now.length - 1; i > 0 && now[i - 1]! > now[i]!; i -= 1)
    [now[i - 1], now[i]] = [now[i]!, now[i - 1]!];
  return now;
}
