import type { Framing, NeedAxis } from '@/core/brief';
import { boundary } from '@/core/bisect';
import type { Setup } from '@/core/gear';
import { type Interval, type IntervalSet, union } from '@/core/intervals';
import { bendsOfShortest, framedRange, longestMm, shortestMm } from './bounds';
import type { Demand } from './demand';
import { blurs, focusesBySelf, isLit, sharpFNumber, stopsDown } from './exposure';

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

/**
 * The places of a need's axis that one setup makes with one framing.
 *
 * Light, autofocus and depth are all easiest at the shortest focal length that works, so they are
 * looked at there; a blur asked for raises that length to the first that blurs enough. Between the
 * places where the shortest length passes from one bound to another, each condition only rises or
 * only falls, so the places that meet it are found by bisection from the bends, without a grid, and
 * the conditions' places are then intersected.
 */
export function ableRange(
  setup: Setup,
  axis: NeedAxis,
  framing: Framing,
  demand: Demand,
  crop: number,
  conditions: Conditions,
): IntervalSet {
  const framed = framedRange(setup, axis, framing, crop, conditions.focus);
  if (framed === null) return NOWHERE;
  const asked = askedOf(demand, axis, conditions);
  if (!asked.blur && !asked.autofocus && !asked.light && !asked.sharp) return [framed];
  return whereMet(setup, axis, framing, demand, crop, asked, framed);
}

/** Which conditions there are to meet besides framing and focus. */
function askedOf(demand: Demand, axis: NeedAxis, conditions: Conditions) {
  return {
    blur: conditions.blur && demand.blur !== null && axis.kind === 'distance',
    autofocus: conditions.autofocus && demand.autofocusFNumber !== null,
    light: conditions.light && demand.light !== null,
    sharp: conditions.sharp && demand.sharp !== null,
  };
}

/** The places within the framed ones that meet the conditions asked. */
function whereMet(
  setup: Setup,
  axis: NeedAxis,
  framing: Framing,
  demand: Demand,
  crop: number,
  asked: ReturnType<typeof askedOf>,
  framed: Interval,
): IntervalSet {
  const { light } = demand;
  const distance = axis.kind === 'distance';
  const slopeMin = framing.slopeMin(crop);
  const at = (x: number) => (distance ? x : null);
  const need = (f: number, x: number) => (asked.sharp ? sharpFNumber(demand, f, x) : 0);
  const used = (f: number, x: number) => Math.max(setup.fNumberAt(f), need(f, x));
  const shortest = (x: number): number | null => {
    const f = shortestMm(setup, distance, slopeMin, x);
    if (!asked.blur || blurs(demand, used(f, x), f, x)) return f;
    const longest = longestMm(setup, distance, framing.slopeMax, x);
    if (longest <= f || !blurs(demand, used(longest, x), longest, x)) return null;
    return boundary(longest, f, (g) => blurs(demand, used(g, x), g, x));
  };
  const bends = [
    ...bendsOfShortest(setup, distance, slopeMin),
    ...(light !== null && light.flashReach !== null ? [(2 * setup.focal.wideMm) / MM_PER_M] : []),
    ...(asked.blur ? blurBends(setup, framing, demand) : []),
  ];
  const meetsAll = (x: number) => {
    const f = shortest(x);
    return (
      f !== null &&
      (!asked.autofocus || focusesBySelf(setup, demand, f)) &&
      (!asked.sharp || stopsDown(demand, need(f, x))) &&
      (!asked.light || light === null || isLit(light, used(f, x), f, at(x)).ambient)
    );
  };
  if (bendsWithin(framed, bends).every(meetsAll)) return [framed];
  let places: IntervalSet = [framed];
  const where = (holds: (f: number, x: number) => boolean) =>
    places.flatMap((piece) =>
      placesWhere(bendsWithin(piece, bends), (x) => {
        const f = shortest(x);
        return f !== null && holds(f, x);
      }),
    );
  if (asked.blur) places = where(() => true);
  if (asked.autofocus) places = where((f) => focusesBySelf(setup, demand, f));
  if (asked.sharp) places = where((f, x) => stopsDown(demand, need(f, x)));
  if (asked.light && light !== null) {
    const ambient = where((f, x) => isLit(light, used(f, x), f, at(x)).ambient);
    const flash =
      light.flashReach === null ? [] : where((f, x) => isLit(light, used(f, x), f, at(x)).flash);
    places = flash.length === 0 ? ambient : union([...ambient, ...flash]);
  }
  return places;
}

/** Both ends of a range and the bends inside it, upwards. */
function bendsWithin({ from, to }: Interval, bends: readonly number[]): number[] {
  const inside = bends.filter((x) => x > from && x < to).sort((a, b) => a - b);
  return from === to ? [from] : [from, ...inside, to];
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
