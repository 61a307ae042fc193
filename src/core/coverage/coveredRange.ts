import type { Framing, NeedAxis } from '@/core/brief';
import { boundary } from '@/core/bisect';
import type { Setup } from '@/core/gear';
import { type Interval, type IntervalSet, intersect, union } from '@/core/intervals';
import { breakpointsOfShortest, framedPositions, longestMm, shortestMm } from './bounds';
import type { Demand } from './demand';
import {
  blurFNumber,
  exposureRatio,
  flashRatio,
  isEnough,
  isNoSlower,
  sharpFNumber,
  timesAt,
} from './exposure';
import { type Spot, spotAt } from './spot';
import { MM_PER_M } from '@/core/units';

const NOWHERE: IntervalSet = [];

/** What to test; leaving conditions out tells which of them is to blame. */
export interface Conditions {
  readonly focus: boolean;
  readonly blur: boolean;
  readonly autofocus: boolean;
  readonly slow: boolean;
  readonly light: boolean;
  readonly sharp: boolean;
}

export const EVERYTHING = {
  focus: true,
  blur: true,
  autofocus: true,
  slow: true,
  light: true,
  sharp: true,
} as const;

/** One framing of a need with what is asked of it: the same for all setups of one body and sensor. */
export interface CoverageTask {
  readonly axis: NeedAxis;
  readonly framing: Framing;
  readonly demand: Demand;
  /** Least focal length for each unit of the axis, mm, cropping allowed; and without a crop. */
  readonly slopeMin: number;
  readonly slopeWhole: number;
  /** Least magnification wanted, cropping allowed; 0 at infinity. */
  readonly leastMagnification: number;
  /** Which conditions there are to meet. */
  readonly asked: Conditions;
  readonly isMore: boolean;
}

export function taskOf(
  axis: NeedAxis,
  framing: Framing,
  demand: Demand,
  crop: number,
  conditions: Conditions,
): CoverageTask {
  const asked = {
    focus: conditions.focus,
    blur: conditions.blur && demand.blur !== null && axis.kind === 'distance',
    autofocus: conditions.autofocus && demand.autofocusFNumber !== null,
    slow: conditions.slow && demand.light !== null && demand.light.shortestS > 0,
    light: conditions.light && demand.light !== null,
    sharp: conditions.sharp && demand.sharp !== null,
  };
  return {
    axis,
    framing,
    demand,
    slopeMin: framing.slopeMin(crop),
    slopeWhole: framing.slopeMin(1),
    leastMagnification: framing.magnifications(crop)?.least ?? 0,
    asked,
    isMore: asked.blur || asked.autofocus || asked.slow || asked.light || asked.sharp,
  };
}

/**
 * The places of a need's axis that one setup makes with one framing.
 *
 * Light, autofocus and depth are all easiest at the shortest focal length that works, so they are
 * looked at there; a blur asked for raises that length to the first that blurs enough. Each is taken
 * apart into conditions that only rise or only fall between two breakpoints: the places where the shortest
 * length passes from one bound to another, and where a condition turns. So the places that meet it are
 * found by bisection from the breakpoints, without a grid, and then intersected.
 */
export function coveredRange(setup: Setup, task: CoverageTask): IntervalSet {
  const framed = framedPositions(setup, task);
  if (framed.length === 0 || !task.isMore) return framed;
  return union(framed.flatMap((range) => coveredWithin(setup, task, range)));
}

function coveredWithin(setup: Setup, task: CoverageTask, framed: Interval): IntervalSet {
  const breakpoints = breakpointsWithin(framed, breakpointsOf(setup, task, framed));
  const { always, ever } = look(setup, task, breakpoints);
  if (isMet(always)) return [framed];
  return canMeet(task, always, ever) ? whereMet(setup, task, framed, breakpoints) : NOWHERE;
}

/** Whether a setup makes any place with one framing. */
export function coversSomewhere(setup: Setup, task: CoverageTask): boolean {
  return framedPositions(setup, task).some((framed) => {
    if (!task.isMore) return true;
    const breakpoints = breakpointsWithin(framed, breakpointsOf(setup, task, framed));
    const { always, ever, atOnce } = look(setup, task, breakpoints);
    if (atOnce) return true;
    return canMeet(task, always, ever) && whereMet(setup, task, framed, breakpoints).length > 0;
  });
}

/**
 * The conditions that a position may meet, a bit each, so that a set of them is one number: this runs
 * for every setup, frame and breakpoint. Light is looked at by each rule of time at each f-number.
 */
const BLUR = 1 << 0;
const AUTOFOCUS = 1 << 1;
const SHARP = 1 << 2;
const SLOW_ENOUGH = 1 << 3;
const WIDEST_BY_HAND = 1 << 4;
const WIDEST_GIVEN = 1 << 5;
const WIDEST_MOVING = 1 << 6;
const STOPPED_BY_HAND = 1 << 7;
const STOPPED_GIVEN = 1 << 8;
const STOPPED_MOVING = 1 << 9;
const FLASH_WIDEST = 1 << 10;
const FLASH_STOPPED = 1 << 11;
const FRAMING_BITS = [BLUR, AUTOFOCUS, SHARP, SLOW_ENOUGH];
const AMBIENT_BITS = [
  WIDEST_BY_HAND,
  WIDEST_GIVEN,
  WIDEST_MOVING,
  STOPPED_BY_HAND,
  STOPPED_GIVEN,
  STOPPED_MOVING,
];
const FLASH_BITS = [FLASH_WIDEST, FLASH_STOPPED];
const sum = (bits: readonly number[]) => bits.reduce((all, bit) => all | bit, 0);
const FRAMING = sum(FRAMING_BITS);
const AMBIENT = sum(AMBIENT_BITS);
const FLASH = sum(FLASH_BITS);
const ALL = FRAMING | AMBIENT | FLASH;

/** Whether all of some conditions are among those met. */
const meets = (met: number, conditions: number) => (met & conditions) === conditions;

/** What is met at every breakpoint, at any, and whether one of them meets all that is asked. */
function look(setup: Setup, task: CoverageTask, breakpoints: readonly number[]) {
  let [always, ever, atOnce] = [ALL, 0, false];
  for (const x of breakpoints) {
    const met = metAt(setup, task, x);
    always &= met;
    ever |= met;
    atOnce ||= isMet(met);
  }
  return { always, ever, atOnce };
}

/** Whether all is met: by the light there is or by flash. */
function isMet(met: number): boolean {
  return meets(met, FRAMING) && (meets(met, AMBIENT) || meets(met, FLASH));
}

/**
 * A condition that no breakpoint meets is met nowhere between them. Where the blur comes and goes the
 * others are not seen at every breakpoint, so only the blur itself tells.
 */
function canMeet(task: CoverageTask, always: number, ever: number): boolean {
  if (task.asked.blur && !meets(always, BLUR)) return meets(ever, BLUR);
  return isMet(ever);
}

/** The places within the framed ones that meet the conditions asked. */
function whereMet(
  setup: Setup,
  task: CoverageTask,
  framed: Interval,
  breakpoints: readonly number[],
): IntervalSet {
  const meeting = (within: IntervalSet, bit: number) =>
    within.flatMap((piece) =>
      positionsWhere(breakpointsWithin(piece, breakpoints), (x) =>
        meets(metAt(setup, task, x), bit),
      ),
    );
  const meetingAll = (within: IntervalSet, bits: readonly number[]) =>
    bits.reduce((left, bit) => (left.length === 0 ? left : meeting(left, bit)), within);
  const positions = meetingAll([framed], FRAMING_BITS);
  if (!task.asked.light) return positions;
  const ambient = meetingAll(positions, AMBIENT_BITS);
  const { flashReach } = task.demand.light ?? { flashReach: null };
  return flashReach === null
    ? ambient
    : union([...ambient, ...intersect(positions, meetingAll(positions, FLASH_BITS))]);
}

/** What a place meets; what is not asked counts as met. */
function metAt(setup: Setup, task: CoverageTask, x: number): number {
  const { asked, demand } = task;
  const spot = shortestSpot(setup, task, x);
  if (spot === null) return 0;
  const widest = setup.fNumberAt(spot.focalMm);
  let met = BLUR;
  if (!asked.autofocus || isNoSlower(widest, demand.autofocusFNumber ?? Infinity)) met |= AUTOFOCUS;
  const needed = asked.sharp ? sharpFNumber(demand, spot) : 0;
  if (!asked.sharp || isNoSlower(needed, demand.sharp?.smallestFNumber ?? Infinity)) met |= SHARP;
  const { light } = demand;
  if (light === null || !(asked.light || asked.slow)) return met | SLOW_ENOUGH | AMBIENT;
  const times = timesAt(light, spot);
  const still = Math.min(times.given, times.stars);
  const longestS = Math.min(still, times.hand, times.movement);
  if (!asked.slow || longestS >= light.shortestS) met |= SLOW_ENOUGH;
  if (!asked.light) return met | AMBIENT;
  const lit = (fNumber: number, timeS: number) =>
    isEnough(exposureRatio(light, fNumber, timeS, spot.magnification));
  if (lit(widest, times.hand)) met |= WIDEST_BY_HAND;
  if (lit(widest, still)) met |= WIDEST_GIVEN;
  if (lit(widest, times.movement)) met |= WIDEST_MOVING;
  const isStopped = needed > widest;
  if (!isStopped || lit(needed, times.hand)) met |= STOPPED_BY_HAND;
  if (!isStopped || lit(needed, still)) met |= STOPPED_GIVEN;
  if (!isStopped || lit(needed, times.movement)) met |= STOPPED_MOVING;
  if (light.flashReach === null) return met;
  if (isEnough(flashRatio(light, widest, spot))) met |= FLASH_WIDEST;
  if (!isStopped || isEnough(flashRatio(light, needed, spot))) met |= FLASH_STOPPED;
  return met;
}

/** The f-number used: the widest there is, or what the depth asks for. */
function fNumberUsed(setup: Setup, { asked, demand }: CoverageTask, spot: Spot): number {
  const widest = setup.fNumberAt(spot.focalMm);
  return asked.sharp ? Math.max(widest, sharpFNumber(demand, spot)) : widest;
}

/** The shortest focal length that frames and focuses, and blurs where that is asked; null for none. */
function shortestSpot(setup: Setup, task: CoverageTask, x: number): Spot | null {
  const { axis, framing, demand, slopeMin, asked } = task;
  const f = shortestMm(setup, axis, slopeMin, x);
  const spot = spotAt(task, f, x);
  if (!asked.blur) return spot;
  const isBlurred = (at: Spot) => isNoSlower(fNumberUsed(setup, task, at), blurFNumber(demand, at));
  if (isBlurred(spot)) return spot;
  const longest = longestMm(setup, axis, framing.slopeMax, x);
  let before = f;
  for (const next of blurTurnsMm(setup, task, f, longest, x)) {
    if (isBlurred(spotAt(task, next, x))) {
      const shortest = boundary(next, before, (g) => isBlurred(spotAt(task, g, x)));
      return spotAt(task, shortest, x);
    }
    before = next;
  }
  return null;
}

/**
 * Focal lengths, mm, upwards, between which a blur only comes or only goes: where the crop ends, where
 * the f-number's slope changes, and the longest of all.
 */
function blurTurnsMm(
  setup: Setup,
  { slopeWhole }: CoverageTask,
  shortest: number,
  longest: number,
  x: number,
): number[] {
  const turns = [slopeWhole * x, ...setup.breakpoints].filter((f) => f > shortest && f < longest);
  turns.sort((a, b) => a - b);
  if (longest > shortest) turns.push(longest);
  return turns;
}

/** The places inside a range, upwards, between which each condition only rises or only falls. */
function breakpointsOf(setup: Setup, task: CoverageTask, { from, to }: Interval): number[] {
  if (from === to) return [];
  const { axis, demand, slopeMin, slopeWhole, asked } = task;
  const breakpoints = breakpointsOfShortest(setup, axis, slopeMin, slopeWhole);
  // By flash N·(1 + m)·D is least at m = 1/2, D = 4.5·f.
  const flash = demand.light?.flashReach ?? null;
  if (flash !== null) breakpoints.push((4.5 * setup.focal.wideMm) / MM_PER_M);
  if (asked.blur) breakpoints.push(...blurBreakpoints(setup, task));
  const inside = breakpoints.filter((x) => x > from && x < to).sort((a, b) => a - b);
  return mayTurn(setup, task)
    ? [...inside, ...turningPoints(setup, task, [from, ...inside, to])].sort((a, b) => a - b)
    : inside;
}

/** Whether a condition may turn between two breakpoints: by depth, by blur, or on a tube that slows down. */
function mayTurn({ extensionMm }: Setup, { asked, axis }: CoverageTask): boolean {
  return (
    axis.kind === 'distance' && (asked.sharp || asked.blur || (extensionMm > 0 && asked.light))
  );
}

/** Both ends of a range and the breakpoints inside it, upwards as they are. */
function breakpointsWithin({ from, to }: Interval, breakpoints: readonly number[]): number[] {
  if (from === to) return [from];
  const within = [from];
  for (const x of breakpoints) if (x > from && x < to) within.push(x);
  within.push(to);
  return within;
}

/** The places that hold, for a condition that changes at most once between two breakpoints. */
function positionsWhere(
  breakpoints: readonly number[],
  holds: (x: number) => boolean,
): IntervalSet {
  const isHolding = breakpoints.map(holds);
  const pieces: Interval[] = [];
  breakpoints.forEach((x, i) => {
    if (!isHolding[i]) return;
    const before = breakpoints[i - 1];
    const after = breakpoints[i + 1];
    pieces.push({
      from: before === undefined ? x : isHolding[i - 1] ? before : boundary(x, before, holds),
      to: after === undefined ? x : isHolding[i + 1] ? after : boundary(x, after, holds),
    });
  });
  return union(pieces);
}

/** Step, relative, over which a slope is looked at; and how near a turning place is found. */
const SLOPE_STEP = 1e-6;
const TURN_TOLERANCE = 1e-9;

/**
 * Where the f-number that the depth asks for, or what light and flash come to at it, turns between two
 * breakpoints: where its slope changes sign. It turns no more than once there.
 */
function turningPoints(setup: Setup, task: CoverageTask, breakpoints: readonly number[]): number[] {
  const turns: number[] = [];
  for (const measure of measuresOf(setup, task)) {
    const rises = (x: number) => measure(x * (1 + SLOPE_STEP)) > measure(x * (1 - SLOPE_STEP));
    for (let i = 1; i < breakpoints.length; i += 1) {
      let low = breakpoints[i - 1]! * (1 + 2 * SLOPE_STEP);
      let high = breakpoints[i]! * (1 - 2 * SLOPE_STEP);
      if (low >= high) continue;
      const atLow = rises(low);
      if (atLow === rises(high)) continue;
      while (high - low > TURN_TOLERANCE * high) {
        const middle = (low + high) / 2;
        if (rises(middle) === atLow) low = middle;
        else high = middle;
      }
      turns.push((low + high) / 2);
    }
  }
  return turns;
}

/** What may turn along the axis, each as a number; NaN, which never rises, where there is no picture. */
function measuresOf(setup: Setup, task: CoverageTask): ((x: number) => number)[] {
  const { demand, asked } = task;
  const { light } = demand;
  const at = (of: (spot: Spot, widest: number, needed: number) => number) => (x: number) => {
    const spot = shortestSpot(setup, task, x);
    if (spot === null) return NaN;
    return of(spot, setup.fNumberAt(spot.focalMm), asked.sharp ? sharpFNumber(demand, spot) : 0);
  };
  const measures = asked.sharp ? [at((_, __, needed) => needed)] : [];
  if (!asked.light || light === null) return measures;
  for (const rule of ['hand', 'given', 'stars', 'movement'] as const) {
    const isRuled = {
      hand: light.handheldSMm < Infinity,
      given: light.givenS < Infinity,
      stars: light.starsSMm < Infinity,
      movement: light.moves,
    };
    if (!isRuled[rule]) continue;
    const ratio = (spot: Spot, n: number) =>
      exposureRatio(light, n, timesAt(light, spot)[rule], spot.magnification);
    measures.push(at((spot, widest) => ratio(spot, widest)));
    if (asked.sharp) measures.push(at((spot, _, needed) => ratio(spot, needed)));
  }
  if (light.flashReach !== null) {
    measures.push(at((spot, widest) => flashRatio(light, widest, spot)));
    if (asked.sharp) measures.push(at((spot, _, needed) => flashRatio(light, needed, spot)));
  }
  return measures;
}

/**
 * Where the longest framing, and where depth is asked for too the widest that needs no crop, pass a point
 * of the f-number's table, or the long end; and where, on a falling f-number, the blur of such a framing is at its best:
 * x = behind·(1 − p)/p with N ∝ f^p.
 */
function blurBreakpoints(
  setup: Setup,
  { framing, slopeWhole, demand, asked }: CoverageTask,
): number[] {
  const points = [setup.focal.wideMm, ...setup.breakpoints, setup.focal.longMm];
  const slopes =
    asked.sharp && slopeWhole > 0 ? [framing.slopeMax, slopeWhole] : [framing.slopeMax];
  const breakpoints = slopes.flatMap((slope) => points.map((f) => f / slope));
  const behind = demand.blur?.behindM ?? Infinity;
  if (!Number.isFinite(behind)) return breakpoints;
  const { most = 0, least = 0 } = framing.magnifications(1) ?? {};
  points.slice(1).forEach((f, i) => {
    const before = points[i] ?? f;
    if (f <= before) return;
    const p = Math.log(setup.fNumberAt(f) / setup.fNumberAt(before)) / Math.log(f / before);
    if (p > 0 && p < 1)
      for (const m of asked.sharp ? [most, least] : [most])
        breakpoints.push(((behind * (1 - p)) / p) * (1 + m));
  });
  return breakpoints;
}
