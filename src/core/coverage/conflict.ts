import { footingOf, type Frame, type Framing, framings, type Limits, needAxis } from '@/core/brief';
import {
  type Demand,
  type Demanded,
  demandOf,
  LIGHT_TOLERANCE_STOPS,
  setsNoDemand,
} from './demand';
import {
  blurFNumber,
  exposureRatio,
  flashRatio,
  isNoSlower,
  longestTime,
  sharpFNumber,
  type TimeRule,
} from './exposure';
import { EVERYTHING, type CoverageTask, taskOf } from './coveredRange';
import { spotAt } from './spot';

/** No lens for still cameras is faster than about this. Common practice, no source. */
const FASTEST_F_NUMBER = 0.95;

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
      /** Movement is to show for longer than the hand, the subject or the stars allow. */
      readonly code: 'time-against-time';
      readonly shortestS: number;
      readonly timeS: number;
      readonly timeRule: TimeRule;
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
  const ways = framings(frame, format.sensor, limits);
  const overfilled = overfill(frame, ways);
  if (overfilled !== null) return overfilled;
  const demand = demandOf(format, frame, limits);
  const { from, to } = needAxis(frame.need).range;
  const positions = [from, to].map((x) => bestWay(frame, ways, demand, x));
  const worstAtEnds = footingOf(frame.need) !== 'free';
  const ordered = positions.sort((a, b) => level(a) - level(b));
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
  const task = taskOf(needAxis(frame.need), way, demand, demand.crop, EVERYTHING);
  const spot = spotAt(task, Math.max(task.slopeMin * x, SHORTEST_FOCAL_MM), x);
  const sharp = sharpFNumber(demand, spot);
  const apart = demand.blur === null || sharp === 0 ? null : sharpAgainstBlur(task, x);
  if (apart !== null) return apart;
  const { light } = demand;
  if (light === null || setsNoDemand(light)) return null;
  const m = spot.magnification;
  const needed = Math.max(sharp, FASTEST_F_NUMBER);
  const { timeS, rule } = longestTime(light, spot);
  if (timeS < light.shortestS)
    return { code: 'time-against-time', shortestS: light.shortestS, timeS, timeRule: rule };
  const stopsShort = (time: number) => -Math.log2(exposureRatio(light, needed, time, m));
  const short = Math.min(stopsShort(timeS), -Math.log2(flashRatio(light, needed, spot)));
  if (short <= LIGHT_TOLERANCE_STOPS) return null;
  const supported = longestTime({ ...light, handheldSMm: Infinity }, spot).timeS;
  return {
    code: sharp > FASTEST_F_NUMBER ? 'depth-against-light' : 'too-dark',
    neededFNumber: needed,
    lightFNumber: Math.sqrt(light.luminousness * timeS) / (1 + m),
    iso: light.iso,
    timeS,
    timeRule: rule,
    stops: short,
    isoNeeded: light.iso * 2 ** short,
    supportHelps: stopsShort(supported) <= LIGHT_TOLERANCE_STOPS,
  };
}

/** An ideal lens is never shorter than this, mm: it only keeps a need without bounds finite. */
const SHORTEST_FOCAL_MM = 1e-3;

/** What must be sharp and what must be blurred, where blur is strongest. */
function sharpAgainstBlur({ framing, demand, ...task }: CoverageTask, x: number): Conflict | null {
  const longest = spotAt({ ...task, framing }, framing.slopeMax * x, x);
  const blur = blurFNumber(demand, longest);
  const needed = sharpFNumber(demand, longest);
  return isNoSlower(needed, blur)
    ? null
    : { code: 'depth-against-blur', sharpFNumber: needed, blurFNumber: blur };
}

function overfill(frame: Frame, ways: readonly Framing[]): Conflict | null {
  const magnification = frame.special.magnification;
  if (magnification === null || frame.need.kind !== 'subject') return null;
  const largest = Math.max(...ways.map((w) => w.magnifications(1)?.most ?? 0));
  return magnification > largest * (1 + 1e-9)
    ? { code: 'magnification-against-fill', magnification, largestByFill: largest }
    : null;
}
