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

/** Sets looked at; beyond it nothing is said of what is new. */
const MOST_SETS = 60_000;

/**
 * Changes that pictures still ask for at the least, if all cameras were in one hand: exactly, stack by
 * stack, over which stacks are on the cameras. Who holds what, and which camera it is, can only ask for
 * more.
 */
export class StacksToCome {
  private readonly known = new Map<string, number>();

  constructor(
    private readonly legs: readonly WantedLeg[],
    private readonly bodyCount: number,
  ) {}

  /**
   * @param on the stacks on the cameras, upwards
   * @param fresh cameras that have borne nothing yet
   */
  least(leg: number, made: bigint, on: readonly number[], fresh: number): number {
    const stretch = this.legs[leg];
    if (!stretch) return 0;
    const open = stretch.wanted.filter(
      ({ bit, stacks }) =>
        (made & bit) === 0n && !(stretch.isAnyOrder && stacks.some((s) => on.includes(s))),
    );
    return this.over(leg, open, on, fresh);
  }

  private over(leg: number, open: readonly Wanted[], on: readonly number[], fresh: number): number {
    const { isAnyOrder } = this.legs[leg]!;
    let left = open;
    if (!isAnyOrder) {
      const first = left.findIndex(({ stacks }) => !stacks.some((s) => on.includes(s)));
      left = first < 0 ? [] : left.slice(first);
    }
    if (left.length === 0) return this.least(leg + 1, 0n, on, fresh);
    const name = `${leg} ${left.reduce((bits, w) => bits | w.bit, 0n)} ${on.join()} ${fresh}`;
    const known = this.known.get(name);
    if (known !== undefined) return known;
    if (this.known.size >= MOST_SETS) return 0;
    // Until it is known, so that the most is never exceeded by what is being looked at.
    this.known.set(name, 0);
    const next = isAnyOrder ? [...new Set(left.flatMap((w) => w.stacks))] : left[0]!.stacks;
    const cost = fresh > 0 ? 0 : 1;
    const kept = on.length < this.bodyCount ? [on] : on.map((o) => on.filter((s) => s !== o));
    let least = Infinity;
    for (const stack of next) {
      const rest = isAnyOrder ? left.filter((w) => !w.stacks.includes(stack)) : left;
      for (const without of kept) {
        const now = [...without, stack].sort((a, b) => a - b);
        least = Math.min(least, cost + this.over(leg, rest, now, Math.max(0, fresh - 1)));
        if (least === cost) break;
      }
      if (least === cost) break;
    }
    this.known.set(name, least);
    return least;
  }
}
