import {
  AIM_TOLERANCE,
  type Choice,
  NOTHING_GOT,
  type Problem,
  shareGot,
  wantSharesPercent,
} from '@/core/lineup';
import type { FrameId } from '@/core/brief';
import type { NextAfter } from './question';

/** What an outing, or a year of outings, comes to with some gear. */
export interface Worth {
  /** Musts got, those that are covered once instead of twice among them. */
  readonly musts: number;
  /** Musts covered once, though they are asked for twice. */
  readonly once: number;
  /** Percent of the wanted pictures got. */
  readonly sharePercent: number;
  /** Percent of the wanted pictures lost, with what the outing counts against each item. */
  readonly lossPercent: number;
  /** Of it, what is counted against items. */
  readonly againstPercent: number;
  /** Items taken: lenses, with what the rest counts as. */
  readonly items: number;
  /** Known weight of what is taken, g. */
  readonly weightG: number;
}

/** An outing's own answer with some gear. */
export interface OutingWorth extends Worth {
  readonly got: ReadonlySet<FrameId>;
  /** Of them, those covered once, though they are asked for twice. */
  readonly gotOnce: ReadonlySet<FrameId>;
  /** Ids of the items taken. */
  readonly taken: readonly string[];
  /** Whether it is the proven best. */
  readonly proven: boolean;
}

export const NOTHING: Worth = {
  musts: 0,
  once: 0,
  sharePercent: 0,
  lossPercent: 0,
  againstPercent: 0,
  items: 0,
  weightG: 0,
};

export function worthOf(problem: Problem, choice: Choice | null): OutingWorth {
  const { frames, limits } = problem;
  const shares = wantSharesPercent(frames);
  const gets = choice ?? NOTHING_GOT;
  const { got, once } = gets;
  const ids = new Set(choice?.taken ?? []);
  const taken = problem.choice.items.filter(({ id }) => ids.has(id));
  const earning = taken.filter(({ lockedIn }) => !lockedIn);
  const sharePercent = shareGot(shares, gets);
  const against =
    shares.size > 0 ? limits.wantRatePercent * sum(earning.map((t) => t.itemCost)) : 0;
  return {
    musts: frames.filter(({ id, want }) => want === 'must' && got.has(id)).length,
    sharePercent,
    once: frames.filter(({ id, want }) => want === 'must' && once.has(id)).length,
    lossPercent: (shares.size > 0 ? 100 - sharePercent : 0) + against,
    againstPercent: against,
    items: sum(taken.map((t) => t.itemCost)),
    weightG: sum(taken.map((t) => t.weightG)),
    got,
    gotOnce: once,
    taken: taken.map(({ id }) => id),
    proven: choice === null || choice.open === null,
  };
}

/** Several outings together, each as often as it happens. */
export function overTheYear(
  each: readonly { readonly timesAYear: number; readonly worth: Worth }[],
): Worth {
  return each.reduce((all, { timesAYear: n, worth }) => plus(all, scaled(worth, n)), NOTHING);
}

function scaled(w: Worth, n: number): Worth {
  return {
    musts: n * w.musts,
    once: n * w.once,
    sharePercent: n * w.sharePercent,
    lossPercent: n * w.lossPercent,
    againstPercent: n * w.againstPercent,
    items: n * w.items,
    weightG: n * w.weightG,
  };
}

function plus(a: Worth, b: Worth): Worth {
  return {
    musts: a.musts + b.musts,
    once: a.once + b.once,
    sharePercent: a.sharePercent + b.sharePercent,
    lossPercent: a.lossPercent + b.lossPercent,
    againstPercent: a.againstPercent + b.againstPercent,
    items: a.items + b.items,
    weightG: a.weightG + b.weightG,
  };
}

/** Percent of the wanted pictures lost, whatever the items. */
export const lostOf = ({ lossPercent, againstPercent }: Worth): number =>
  lossPercent - againstPercent;

/** What one adds over another. */
export function difference(a: Worth, b: Worth): Worth {
  return plus(a, scaled(b, -1));
}

/**
 * What something adds where a year is judged by its pictures: what more items count for is taken off it,
 * but fewer items are no pictures.
 *
 * @returns percent lost more than before, below 0 for a gain
 */
export function lossOver(after: Worth, before: Worth): number {
  const { lossPercent, againstPercent } = difference(after, before);
  return lossPercent + Math.max(0, -againstPercent);
}

const AFTER: Readonly<Record<NextAfter, (w: Worth) => readonly number[]>> = {
  money: () => [],
  items: ({ items }) => [items],
  weight: ({ weightG }) => [weightG],
};

/**
 * By what a change of the year is judged, in this order, each the smaller the better: musts, those covered
 * once, wanted pictures, then what the person counts after them.
 *
 * @param lossPercent what is lost of the wanted pictures, outing by outing
 */
export const decidingOf = (
  adds: Worth,
  lossPercent: number,
  after: NextAfter,
): readonly number[] => [-adds.musts, adds.once, lossPercent, ...AFTER[after](adds)];

/** Below 0 where the first is better: the first difference that isn't one of rounding. */
export function inOrder(a: readonly number[], b: readonly number[]): number {
  for (const [i, value] of a.entries()) {
    const step = value - b[i]!;
    if (Math.abs(step) > AIM_TOLERANCE * Math.max(1, Math.abs(value))) return step;
  }
  return 0;
}

const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);
