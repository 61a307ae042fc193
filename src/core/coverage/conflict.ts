import { footingOf, type Frame, type Framing, framings, type Limits, needAxis } from '@/core/brief';
import { fNumberForBlur } from '@/core/optics';
import { type Demand, type Demanded, demandOf } from './demand';
import { longestTime, magnificationOf, sharpFNumber, type TimeRule } from './exposure';

/** No lens for still cameras is faster than about this. Common practice, no source. */
export const FASTEST_F_NUMBER = 0.95;
const MM_PER_M = 1000;

/**
 * Wishes of one frame that fight each other whatever the lens, with what would free them.
 *
 * too-dark: even the fastest lens made is too slow. depth-against-light: the depth asks for a
 * smaller aperture than the light allows. depth-against-blur: what must be sharp and what must be
 * blurred want different apertures. magnification-against-fill: the picture would be overfilled.
 */
export type Conflict =
  | (LightConflict & { readonly code: 'too-dark' | 'depth-against-light' })
  | {
      readonly code: 'depth-against-blur';
      readonly sharpFNumber: number;
      readonly blurFNumber: number;
    }
  | {
      readonly code: 'magnification-against-fill';
      readonly magnification: number;
      readonly largestByFill: number;
    };

interface LightConflict {
  /** f-number that the picture asks for at least: the depth's, or the fastest made. */
  readonly neededFNumber: number;
  /** Slowest f-number that this light and time allow. */
  readonly lightFNumber: number;
  readonly iso: number;
  readonly timeS: number;
  readonly timeRule: TimeRule;
  /** The ways out: light to add, in stops; the ISO that would do; whether a support would do. */
  readonly stops: number;
  readonly isoNeeded: number;
  readonly supportHelps: boolean;
}

/**
 * The conflict inside a frame that every format of the shelf has, by the format that is nearest to
 * solving it; null when some format has none.
 */
export function conflictOf(
  frame: Frame,
  formats: readonly Demanded[],
  limits: Limits,
): Conflict | null {
  let mildest: Conflict | null = null;
  for (const format of formats) {
    const conflict = conflictOn(frame, format, limits);
    if (conflict === null) return null;
    if (mildest === null || hardness(conflict) < hardness(mildest)) mildest = conflict;
  }
  return mildest;
}

function hardness(c: Conflict): number {
  return 'stops' in c ? c.stops : Infinity;
}

function conflictOn(frame: Frame, format: Demanded, limits: Limits): Conflict | null {
  const ways = framings(frame.need, format.sensor, frame.special.magnification);
  const overfilled = overfill(frame, ways);
  if (overfilled !== null) return overfilled;
  const demand = demandOf(format, frame, limits);
  const { from, to } = needAxis(frame.need).range;
  const places = [from, to].map((x) => bestWay(frame, ways, demand, x));
  const worstAtEnds = footingOf(frame.need) !== 'free';
  const ordered = places.sort((a, b) => level(a) - level(b));
  return (worstAtEnds ? ordered.at(-1) : ordered[0]) ?? null;
}

const level = (c: Conflict | null) => (c === null ? -Infinity : hardness(c));

function bestWay(
  frame: Frame,
  ways: readonly Framing[],
  demand: Demand,
  x: number,
): Conflict | null {
  const all = ways.map((way) => conflictAt(frame, way, demand, x));
  return all.includes(null) ? null : (all.sort((a, b) => level(a) - level(b))[0] ?? null);
}

/** With an ideal lens at one place: the shortest framing is easiest for light and depth. */
function conflictAt(frame: Frame, way: Framing, demand: Demand, x: number): Conflict | null {
  const shortest = Math.max(way.slopeMin(demand.crop) * x, Number.MIN_VALUE);
  const distanceM = frame.need.kind === 'subject' ? x : null;
  const sharp = sharpFNumber(demand, shortest, x);
  if (demand.blur !== null && sharp > 0) {
    const longest = way.slopeMax * x;
    const point = (x + demand.blur.behindM) * MM_PER_M;
    const blur = fNumberForBlur(longest, x * MM_PER_M, point, demand.blur.discMm);
    const sharpThere = sharpFNumber(demand, longest, x);
    if (sharpThere > blur * 1.04)
      return { code: 'depth-against-blur', sharpFNumber: sharpThere, blurFNumber: blur };
  }
  const { light } = demand;
  if (light === null) return null;
  const m = magnificationOf(shortest, distanceM);
  const needed = Math.max(sharp, FASTEST_F_NUMBER);
  const { timeS, rule } = longestTime(light, shortest, m);
  const stops = stopsShort(light.luminousness * timeS, needed, m);
  const byFlash =
    light.flashReach !== null && distanceM !== null
      ? 2 * Math.log2((needed * (1 + m) * distanceM) / light.flashReach)
      : Infinity;
  const short = Math.min(stops, byFlash);
  if (short <= 0.1) return null;
  const supported = longestTime({ ...light, handSMm: Infinity }, shortest, m).timeS;
  return {
    code: sharp > FASTEST_F_NUMBER ? 'depth-against-light' : 'too-dark',
    neededFNumber: needed,
    lightFNumber: Math.sqrt(light.luminousness * timeS) / (1 + m),
    iso: light.iso,
    timeS,
    timeRule: rule,
    stops: short,
    isoNeeded: light.iso * 2 ** short,
    supportHelps: stopsShort(light.luminousness * supported, needed, m) <= 0.1,
  };
}

/** Stops by which an exposure falls short at an f-number and magnification. */
function stopsShort(exposure: number, fNumber: number, m: number): number {
  return Math.log2((fNumber * (1 + m)) ** 2 / exposure);
}

function overfill(frame: Frame, ways: readonly Framing[]): Conflict | null {
  const magnification = frame.special.magnification;
  if (magnification === null || frame.need.kind !== 'subject') return null;
  const largest = Math.max(...ways.map((w) => w.slopeMax / (MM_PER_M - w.slopeMax)));
  return magnification > largest * (1 + 1e-9)
    ? { code: 'magnification-against-fill', magnification, largestByFill: largest }
    : null;
}
