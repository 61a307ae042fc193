import type { Framing, NeedAxis } from '@/core/brief';
import { boundary } from '@/core/bisect';
import type { Setup } from '@/core/gear';
import type { Interval } from '@/core/intervals';
import { magnificationAt } from '@/core/optics';
import { LIGHT_TOLERANCE_STOPS, type LightDemand } from './demand';

const MM_PER_M = 1000;
const TOLERATED_LIGHT = 2 ** LIGHT_TOLERANCE_STOPS;

/** What to test; leaving light or focus out tells which of them is to blame. */
export interface Conditions {
  readonly crop: number;
  readonly focus: boolean;
  readonly light: LightDemand | null;
}

/**
 * The part of a need's axis on which one setup makes one framing: always one closed interval.
 *
 * At each x the focal lengths that work lie between the largest of the lower bounds (wide end,
 * framing, closest focus) and the smallest of the upper ones (long end, framing, largest
 * magnification). Every pair of a lower and an upper bound gives one end in closed form. Light is
 * easiest at the shortest focal length that works; along x its demand first falls, then rises, so
 * what it allows is one interval too, found by bisection on either side of the easiest place.
 *
 * @returns null when no place on the axis works
 */
export function ableRange(
  setup: Setup,
  axis: NeedAxis,
  framing: Framing,
  conditions: Conditions,
): Interval | null {
  if (!setup.rectilinear) return null;
  const slopeMin = framing.slopeMin(conditions.crop);
  const { slopeMax } = framing;
  let from = Math.max(axis.range.from, setup.focal.wideMm / slopeMax);
  let to = Math.min(axis.range.to, setup.focal.longMm / slopeMin);
  if (axis.kind === 'distance' && conditions.focus) {
    const slopeLargest = slopeOfMagnification(setup.maxMagnification);
    if (slopeMin > slopeLargest) return null;
    from = Math.max(
      from,
      setup.focal.wideMm / slopeLargest,
      nearestForSlope(setup, Math.min(slopeMax, slopeLargest)),
      nearestForLongEnd(setup),
    );
  }
  ({ from, to } = snap(from, to));
  if (from > to) return null;
  if (conditions.light === null) return { from, to };
  return lightRange(setup, axis.kind === 'distance', slopeMin, { from, to }, conditions.light);
}

/**
 * Nearest distance, m, that the setup can be used at with a framing: the closest focus turned from
 * the sensor to the lens, and the largest magnification. 0 when neither is known.
 */
export function nearestUsableM(setup: Setup, framing: Framing): number {
  const slopeLargest = slopeOfMagnification(setup.maxMagnification);
  return Math.max(
    Number.isFinite(slopeLargest) ? setup.focal.wideMm / slopeLargest : 0,
    nearestForSlope(setup, Math.min(framing.slopeMax, slopeLargest)),
    nearestForLongEnd(setup),
  );
}

/** Focal length, mm, below which the setup would have to focus nearer than it can at x metres. */
export function shortestFocusedMm(setup: Setup, x: number): number {
  return setup.minFocusM === null ? 0 : MM_PER_M * (x - (x * x) / setup.minFocusM);
}

/** How much exposure a place asks for with the focal length: (N·(1+m))² / t. */
export function exposureAsked(
  setup: Setup,
  light: LightDemand,
  focalLengthMm: number,
  distanceM: number | null,
): number {
  const m = distanceM === null ? 0 : magnificationAt(focalLengthMm, distanceM * MM_PER_M);
  const n = setup.fNumberAt(focalLengthMm) * (1 + m);
  return (n * n) / light.longestTimeS(focalLengthMm);
}

/** Shortest focal length that works at x: wide end, framing, and closest focus. */
export function shortestWorkingMm(
  setup: Setup,
  distance: boolean,
  slopeMin: number,
  x: number,
): number {
  const focused = distance ? shortestFocusedMm(setup, x) : 0;
  return Math.max(setup.focal.wideMm, slopeMin * x, focused);
}

function slopeOfMagnification(magnification: number | null): number {
  return magnification === null ? Infinity : (MM_PER_M * magnification) / (1 + magnification);
}

/** Distance from which a framing needs no focus nearer than the closest: x ≥ D·(1 − slope/1000). */
function nearestForSlope(setup: Setup, slope: number): number {
  if (setup.minFocusM === null || slope === Infinity) return 0;
  return Math.max(0, setup.minFocusM * (1 - slope / MM_PER_M));
}

/**
 * Distance from which the long end focuses: the larger root of x² − D·x + D·f = 0.
 *
 * Where no thin lens of that focal length focuses so near (D < 4f) a real lens shortens its focal
 * length; then its stated largest magnification rules, or, when that is unknown, x ≥ D/2.
 */
function nearestForLongEnd(setup: Setup): number {
  const closest = setup.minFocusM;
  if (closest === null) return 0;
  const discriminant = closest * (closest - (4 * setup.focal.longMm) / MM_PER_M);
  if (discriminant >= 0) return (closest + Math.sqrt(discriminant)) / 2;
  return setup.maxMagnification === null ? closest / 2 : 0;
}

/** Ends that cross by rounding alone meet in a point. */
function snap(from: number, to: number): Interval {
  const slack = 1e-12 * Math.max(Math.abs(from), Math.abs(to));
  return from > to && from - to <= slack ? { from: to, to } : { from, to };
}

function lightRange(
  setup: Setup,
  distance: boolean,
  slopeMin: number,
  within: Interval,
  light: LightDemand,
): Interval | null {
  const allowed = light.luminousness * TOLERATED_LIGHT;
  const bright = (x: number) =>
    exposureAsked(
      setup,
      light,
      shortestWorkingMm(setup, distance, slopeMin, x),
      distance ? x : null,
    ) <= allowed;
  const framingTakesOver = Math.max(
    setup.focal.wideMm / slopeMin,
    distance && setup.minFocusM !== null ? setup.minFocusM * (1 - slopeMin / MM_PER_M) : 0,
  );
  const easiest = Math.min(within.to, Math.max(within.from, framingTakesOver));
  if (!bright(easiest)) return null;
  return {
    from: bright(within.from) ? within.from : boundary(easiest, within.from, bright),
    to: bright(within.to) ? within.to : boundary(easiest, within.to, bright),
  };
}
