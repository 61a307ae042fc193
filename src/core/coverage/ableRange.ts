import type { Framing, NeedAxis } from '@/core/brief';
import { boundary } from '@/core/bisect';
import type { Setup } from '@/core/gear';
import { type Interval, type IntervalSet, union } from '@/core/intervals';
import { bendsOfShortest, framedRange, longestMm, shortestMm } from './bounds';
import type { Demand } from './demand';
import { blurs, focusesBySelf, isLit, isLitByFlash, sharpFNumber, stopsDown } from './exposure';

const MM_PER_M = 1000;
const NOWHERE: IntervalSet = [];

/** What to test; leaving conditions out tells which of them is to blame. */
export interface Conditions {
  readonly focus: boolean;
  readonly blur: boolean;
  readonly autofocus: boolean;
  readonly light: boolean;
  readonly sharp: boolean;
}

export const EVERYTHING = {
  focus: true,
  blur: true,
  autofocus: true,
  light: true,
  sharp: true,
} as const;

/** One framing of a need with what is asked of it: the same for all setups of one body and sensor. */
export interface Task {
  readonly axis: NeedAxis;
  readonly framing: Framing;
  readonly demand: Demand;
  /** Least focal length for each unit of the axis, mm, cropping allowed. */
  readonly slopeMin: number;
  /** Which conditions there are to meet, the same as bits, and whether there are more than framing and focus. */
  readonly asked: Conditions;
  readonly wanted: number;
  readonly isMore: boolean;
}

export function taskOf(
  axis: NeedAxis,
  framing: Framing,
  demand: Demand,
  crop: number,
  conditions: Conditions,
): Task {
  const asked = {
    focus: conditions.focus,
    blur: conditions.blur && demand.blur !== null && axis.kind === 'distance',
    autofocus: conditions.autofocus && demand.autofocusFNumber !== null,
    light: conditions.light && demand.light !== null,
    sharp: conditions.sharp && demand.sharp !== null,
  };
  const wanted =
    (asked.blur ? BLUR : 0) |
    (asked.autofocus ? AUTOFOCUS : 0) |
    (asked.sharp ? SHARP : 0) |
    (asked.light ? AMBIENT : 0);
  return {
    axis,
    framing,
    demand,
    slopeMin: framing.slopeMin(crop),
    asked,
    wanted,
    isMore: wanted !== 0,
  };
}

/**
 * The places of a need's axis that one setup makes with one framing.
 *
 * Light, autofocus and depth are all easiest at the shortest focal length that works, so they are
 * looked at there; a blur asked for raises that length to the first that blurs enough. Between the
 * places where the shortest length passes from one bound to another, each condition only rises or
 * only falls, so the places that meet it are found by bisection from the bends, without a grid, and
 * the conditions' places are then intersected.
 */
export function ableRange(setup: Setup, task: Task): IntervalSet {
  const framed = framedRange(setup, task);
  if (framed === null) return NOWHERE;
  if (!task.isMore) return [framed];
  const bends = bendsWithin(framed, bendsOf(setup, task, framed));
  const { always, ever } = look(setup, task, bends);
  if ((always & task.wanted) === task.wanted) return [framed];
  return canMeet(task, always, ever) ? whereMet(setup, task, framed, bends) : NOWHERE;
}

/** Whether a setup makes any place with one framing. */
export function isAbleSomewhere(setup: Setup, task: Task): boolean {
  const framed = framedRange(setup, task);
  if (framed === null || !task.isMore) return framed !== null;
  const bends = bendsWithin(framed, bendsOf(setup, task, framed));
  const { always, ever, atOnce } = look(setup, task, bends);
  return atOnce || (canMeet(task, always, ever) && whereMet(setup, task, framed, bends).length > 0);
}

/** What a place meets, a bit each. */
const BLUR = 1;
const AUTOFOCUS = 2;
const SHARP = 4;
const AMBIENT = 8;
const FLASH = 16;
const ALL = BLUR | AUTOFOCUS | SHARP | AMBIENT | FLASH;

/** What is met at every bend, at any, and whether one of them meets all that is asked. */
function look(setup: Setup, task: Task, bends: readonly number[]) {
  let [always, ever, atOnce] = [ALL, 0, false];
  for (const x of bends) {
    const met = metAt(setup, task, x);
    always &= met;
    ever |= met;
    atOnce ||= isMet(task, met);
  }
  return { always, ever, atOnce };
}

/** Whether the conditions are met: by the light there is or by flash. */
function isMet({ wanted }: Task, met: number): boolean {
  const lit = (met & FLASH) === 0 ? met : met | AMBIENT;
  return (lit & wanted) === wanted;
}

/**
 * A condition that no bend meets is met nowhere between them. Where the blur comes and goes the
 * others are not seen at every bend, so only the blur itself tells.
 */
function canMeet(task: Task, always: number, ever: number): boolean {
  return isMet(task, task.asked.blur && (always & BLUR) === 0 ? (ever & BLUR ? ALL : 0) : ever);
}

/** The places within the framed ones that meet the conditions asked. */
function whereMet(
  setup: Setup,
  task: Task,
  framed: Interval,
  bends: readonly number[],
): IntervalSet {
  const { asked, demand } = task;
  const { light } = demand;
  let places: IntervalSet = [framed];
  const where = (holds: (f: number, x: number) => boolean) =>
    places.flatMap((piece) =>
      placesWhere(bendsWithin(piece, bends), (x) => {
        const f = shortest(setup, task, x);
        return f !== null && holds(f, x);
      }),
    );
  if (asked.blur) places = where(() => true);
  if (asked.autofocus) places = where((f) => focusesBySelf(demand, setup.fNumberAt(f)));
  if (asked.sharp) places = where((f, x) => stopsDown(demand, sharpFNumber(demand, f, x)));
  if (asked.light && light !== null) {
    const isDistance = task.axis.kind === 'distance';
    const used = (f: number, x: number) => fNumberUsed(setup, task, f, x);
    const at = (x: number) => (isDistance ? x : null);
    const ambient = where((f, x) => isLit(light, used(f, x), f, at(x)));
    const flash =
      light.flashReach === null ? [] : where((f, x) => isLitByFlash(light, used(f, x), f, at(x)));
    places = flash.length === 0 ? ambient : union([...ambient, ...flash]);
  }
  return places;
}

/** What a place meets of what is asked; what is not asked may or may not be among it. */
function metAt(setup: Setup, task: Task, x: number): number {
  const { asked, demand } = task;
  const f = shortest(setup, task, x);
  if (f === null) return 0;
  let met = BLUR;
  const widest = setup.fNumberAt(f);
  if (focusesBySelf(demand, widest)) met |= AUTOFOCUS;
  const needed = asked.sharp ? sharpFNumber(demand, f, x) : 0;
  if (stopsDown(demand, needed)) met |= SHARP;
  if (!asked.light || demand.light === null) return met;
  const used = Math.max(widest, needed);
  const distanceM = task.axis.kind === 'distance' ? x : null;
  if (isLit(demand.light, used, f, distanceM)) met |= AMBIENT;
  if (isLitByFlash(demand.light, used, f, distanceM)) met |= FLASH;
  return met;
}

/** The f-number used: the widest there is, or what the depth asks for. */
function fNumberUsed(setup: Setup, { asked, demand }: Task, f: number, x: number): number {
  const widest = setup.fNumberAt(f);
  return asked.sharp ? Math.max(widest, sharpFNumber(demand, f, x)) : widest;
}

/** The shortest focal length that frames and focuses, and blurs where that is asked; null for none. */
function shortest(setup: Setup, task: Task, x: number): number | null {
  const { axis, framing, demand, slopeMin, asked } = task;
  const f = shortestMm(setup, axis.kind === 'distance', slopeMin, x);
  if (!asked.blur) return f;
  const isBlurred = (g: number) => blurs(demand, fNumberUsed(setup, task, g, x), g, x);
  if (isBlurred(f)) return f;
  const longest = longestMm(setup, true, framing.slopeMax, x);
  return longest <= f || !isBlurred(longest) ? null : boundary(longest, f, isBlurred);
}

/** The places inside a range, upwards, between which each condition only rises or only falls. */
function bendsOf(
  setup: Setup,
  { axis, framing, demand, slopeMin, asked }: Task,
  { from, to }: Interval,
): number[] {
  if (from === to) return [];
  const bends = bendsOfShortest(setup, axis.kind === 'distance', slopeMin);
  const flash = demand.light?.flashReach ?? null;
  if (flash !== null) bends.push((2 * setup.focal.wideMm) / MM_PER_M);
  if (asked.blur) bends.push(...blurBends(setup, framing, demand));
  const inside = bends.filter((x) => x > from && x < to);
  return inside.length > 1 ? inside.sort((a, b) => a - b) : inside;
}

/** Both ends of a range and the bends inside it, upwards as they are. */
function bendsWithin({ from, to }: Interval, bends: readonly number[]): number[] {
  if (from === to) return [from];
  const within = [from];
  for (const x of bends) if (x > from && x < to) within.push(x);
  within.push(to);
  return within;
}

/** The places that hold, for a condition that changes at most once between two bends. */
function placesWhere(bends: readonly number[], holds: (x: number) => boolean): IntervalSet {
  const held = bends.map(holds);
  const pieces: Interval[] = [];
  bends.forEach((x, i) => {
    if (!held[i]) return;
    const before = bends[i - 1];
    const after = bends[i + 1];
    pieces.push({
      from: before === undefined ? x : held[i - 1] ? before : boundary(x, before, holds),
      to: after === undefined ? x : held[i + 1] ? after : boundary(x, after, holds),
    });
  });
  return union(pieces);
}

/**
 * Where the longest framing passes a point of the f-number's table, or the long end; and where, on
 * a falling f-number, the blur of the longest framing is at its best: x = behind·(1 − p)/p with
 * N ∝ f^p.
 */
function blurBends(setup: Setup, framing: Framing, demand: Demand): number[] {
  const { slopeMax } = framing;
  const points = [setup.focal.wideMm, ...setup.bends, setup.focal.longMm];
  const bends = points.map((f) => f / slopeMax);
  const behind = demand.blur?.behindM ?? Infinity;
  if (!Number.isFinite(behind)) return bends;
  points.slice(1).forEach((f, i) => {
    const before = points[i] ?? f;
    if (f <= before) return;
    const p = Math.log(setup.fNumberAt(f) / setup.fNumberAt(before)) / Math.log(f / before);
    if (p > 0 && p < 1) bends.push((behind * (1 - p)) / p);
  });
  return bends;
}
