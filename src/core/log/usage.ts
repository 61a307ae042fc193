import type { Lens } from '@/core/gear';
import { type Seen, uprightAt } from './seen';

/** How often something was used. */
export interface Tally<K> {
  readonly key: K;
  readonly count: number;
  /** Of those, kept: rated with a star or more. */
  readonly kept: number;
}

/** Photographs along an axis in steps of equal ratio. */
export interface Distribution {
  /** Lower edge of the first bin. */
  readonly from: number;
  /** Bins to a doubling. */
  readonly perOctave: number;
  readonly counts: readonly number[];
  readonly keptCounts: readonly number[];
  readonly unknown: number;
}

/** A lens that was used: one of the shelf, or one that only the log knows. */
export interface LensUsed {
  readonly lens: Lens | null;
  /** Numbers of it in the log's list of lenses: one lens may stand there under several names. */
  readonly seen: readonly number[];
  readonly count: number;
  readonly kept: number;
  /** Where on the axis of angle of view it was used. */
  readonly angles: Distribution;
}

/** What was used, of some photographs. */
export interface Usage {
  readonly count: number;
  readonly kept: number;
  /** First and last moment, local ms; null where no photograph has a time. */
  readonly span: readonly [number, number] | null;
  /** By focal length on the 36×24 mm frame. */
  readonly angles: Distribution;
  readonly fNumbers: Distribution;
  readonly isos: Distribution;
  readonly times: Distribution;
  readonly lenses: readonly LensUsed[];
  /** By camera of the log. */
  readonly cameras: readonly Tally<number>[];
  /** By month, 2027-06, oldest first. */
  readonly months: readonly Tally<string>[];
  readonly portrait: number;
}

/** Extent of each axis; what lies beyond is counted at its end. */
const AXES = {
  angles: { from: 4, to: 3000, perOctave: 6 },
  fNumbers: { from: 1 / 2 ** (1 / 12), to: 45, perOctave: 6 },
  isos: { from: 25 / Math.SQRT2, to: 409_600, perOctave: 1 },
  times: { from: 2 ** -14.5, to: 64, perOctave: 1 },
} as const;

/** Counts on one axis while photographs are gone through. */
function counter({ from, to, perOctave }: (typeof AXES)[keyof typeof AXES]) {
  const bins = Math.ceil(Math.log2(to / from) * perOctave);
  const [counts, keptCounts] = [new Array<number>(bins).fill(0), new Array<number>(bins).fill(0)];
  let unknown = 0;
  return {
    add(value: number, isKept: boolean) {
      if (!(value > 0)) {
        unknown += 1;
        return;
      }
      const at = Math.floor(Math.log2(value / from) * perOctave);
      const bin = Math.min(bins - 1, Math.max(0, at));
      counts[bin] = (counts[bin] ?? 0) + 1;
      if (isKept) keptCounts[bin] = (keptCounts[bin] ?? 0) + 1;
    },
    distribution: (): Distribution => ({ from, perOctave, counts, keptCounts, unknown }),
  };
}

/** The least rating of a photograph that was kept. */
export const KEPT_FROM = 1;

/** What was used, in one pass over the columns. */
export function usageOf(seen: Seen, which: Uint32Array): Usage {
  const { log, takenMs, equivalentMm, lenses } = seen;
  const { numbers, lists } = log;
  const on = {
    angles: counter(AXES.angles),
    fNumbers: counter(AXES.fNumbers),
    isos: counter(AXES.isos),
    times: counter(AXES.times),
  };
  const groups = lensGroups(lenses);
  const perGroup = groups.seen.map(() => ({ count: 0, kept: 0, angles: counter(AXES.angles) }));
  const cameras = log.cameras.map(() => ({ count: 0, kept: 0 }));
  const months = new Map<number, { count: number; kept: number }>();
  let [kept, portrait, first, last] = [0, 0, Infinity, -Infinity];
  for (const i of which) {
    const isKept = (numbers.rating[i] ?? NaN) >= KEPT_FROM;
    if (isKept) kept += 1;
    const eq = equivalentMm[i] ?? NaN;
    on.angles.add(eq, isKept);
    on.fNumbers.add(numbers.fNumber[i] ?? NaN, isKept);
    on.isos.add(numbers.iso[i] ?? NaN, isKept);
    on.times.add(numbers.timeS[i] ?? NaN, isKept);
    const group = perGroup[groups.of[lists.lens[i] ?? 0] ?? 0];
    if (group) {
      count(group, isKept);
      group.angles.add(eq, isKept);
    }
    count(cameras[lists.camera[i] ?? 0], isKept);
    const ms = takenMs[i] ?? NaN;
    if (!Number.isNaN(ms)) {
      first = Math.min(first, ms);
      last = Math.max(last, ms);
      const month = monthOf(ms);
      const tally = months.get(month) ?? { count: 0, kept: 0 };
      months.set(month, tally);
      count(tally, isKept);
    }
    if (uprightAt(log, i)) portrait += 1;
  }
  return {
    count: which.length,
    kept,
    portrait,
    span: first <= last ? [first, last] : null,
    angles: on.angles.distribution(),
    fNumbers: on.fNumbers.distribution(),
    isos: on.isos.distribution(),
    times: on.times.distribution(),
    lenses: perGroup
      .map((g, k) => ({
        lens: groups.lens[k] ?? null,
        seen: groups.seen[k] ?? [],
        count: g.count,
        kept: g.kept,
        angles: g.angles.distribution(),
      }))
      .filter((l) => l.count > 0)
      .sort((a, b) => b.count - a.count),
    cameras: cameras
      .map((tally, key) => ({ key, ...tally }))
      .filter((t) => t.count > 0)
      .sort((a, b) => b.count - a.count),
    months: [...months]
      .sort(([a], [b]) => a - b)
      .map(([month, tally]) => ({ key: monthName(month), ...tally })),
  };
}

function count(tally: { count: number; kept: number } | undefined, isKept: boolean): void {
  if (!tally) return;
  tally.count += 1;
  if (isKept) tally.kept += 1;
}

/** Lenses of the log that are one lens on the shelf, together; each other by itself. */
export function lensGroups(lenses: readonly (Lens | null)[]) {
  const lens: (Lens | null)[] = [];
  const seen: number[][] = [];
  const byId = new Map<string, number>();
  const of = lenses.map((found, i) => {
    const known = found === null ? undefined : byId.get(found.id);
    if (known !== undefined) {
      seen[known]?.push(i);
      return known;
    }
    const at = lens.push(found) - 1;
    seen.push([i]);
    if (found !== null) byId.set(found.id, at);
    return at;
  });
  return { of, lens, seen };
}

/** Months since 1970. */
function monthOf(ms: number): number {
  const date = new Date(ms);
  return (date.getUTCFullYear() - 1970) * 12 + date.getUTCMonth();
}

function monthName(month: number): string {
  return `${1970 + Math.floor(month / 12)}-${String((((month % 12) + 12) % 12) + 1).padStart(2, '0')}`;
}
