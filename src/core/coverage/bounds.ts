import type { Framing, NeedAxis } from '@/core/brief';
import type { Setup } from '@/core/gear';
import type { Interval } from '@/core/intervals';

const MM_PER_M = 1000;

/** A framing of a need: the least focal length for each unit of the axis, and whether to focus. */
interface Framed {
  readonly axis: NeedAxis;
  readonly framing: Framing;
  readonly slopeMin: number;
  readonly asked: { readonly focus: boolean };
}

/**
 * The focal lengths that frame and focus a need lie, at each place x, between the largest of the
 * lower bounds (wide end, framing, closest focus, farthest focus with a tube) and the smallest of
 * the upper ones (long end, framing, largest magnification). Every pair of a lower and an upper
 * bound meets in one place in closed form, so the places where some focal length works are one
 * closed interval.
 *
 * @returns null when no place on the axis works
 */
export function framedRange(
  setup: Setup,
  { axis, framing, slopeMin, asked }: Framed,
): Interval | null {
  const { slopeMax } = framing;
  if (slopeMin > slopeMax) return null;
  let from = Math.max(axis.range.from, setup.focal.wideMm / slopeMax);
  let to = Math.min(axis.range.to, setup.focal.longMm / slopeMin);
  if (isPast(from, to)) return null;
  if (asked.focus && axis.kind === 'distance') {
    const near =
      setup.extensionMm > 0
        ? tubeRange(setup, framing, slopeMin)
        : lensRange(setup, framing, slopeMin);
    if (near === null) return null;
    from = Math.max(from, near.from);
    to = Math.min(to, near.to);
  }
  return isPast(from, to) ? null : { from: Math.min(from, to), to };
}

/** Ends nearer than this (relative) meet: bounds that are the same place differ by rounding. */
const SAME_PLACE = 1e-12;

function isPast(from: number, to: number): boolean {
  return from > to && from - to > SAME_PLACE * Math.max(Math.abs(from), Math.abs(to));
}

/** Nearest distance, m, that the setup can be used at with a framing; 0 when that is not known. */
export function nearestUsableM(setup: Setup, framing: Framing): number {
  if (setup.extensionMm > 0) return tubeRange(setup, framing, 0)?.from ?? 0;
  return lensRange(setup, framing, 0)?.from ?? 0;
}

/** Farthest distance, m, that a tube leaves in reach; Infinity without one. */
export function farthestUsableM(setup: Setup): number {
  const { longMm } = setup.focal;
  return setup.extensionMm > 0
    ? (longMm + (longMm * longMm) / setup.extensionMm) / MM_PER_M
    : Infinity;
}

function lensRange(setup: Setup, framing: Framing, slopeMin: number): Interval | null {
  const slopeLargest = slopeOfMagnification(setup.maxMagnification);
  if (slopeMin > slopeLargest) return null;
  return {
    from: Math.max(
      Number.isFinite(slopeLargest) ? setup.focal.wideMm / slopeLargest : 0,
      nearestForSlope(setup, Math.min(framing.slopeMax, slopeLargest)),
      nearestForLongEnd(setup),
    ),
    to: Infinity,
  };
}

/**
 * With an extension e the image lies between f + e and f + e + f·m0 behind the lens, so f·m runs
 * from e to e + f·m0: the farthest distance is f + f²/e, the nearest f + f/(m0 + e/f).
 */
function tubeRange(setup: Setup, framing: Framing, slopeMin: number): Interval | null {
  const e = setup.extensionMm;
  const m0 = setup.maxMagnification;
  const { wideMm } = setup.focal;
  const k = framing.slopeMax / MM_PER_M;
  const kMin = slopeMin / MM_PER_M;
  const mMin = kMin / (1 - kMin);
  const fromFraming = k > 0 && Number.isFinite(k) ? (e * (1 - k)) / (k * k) / MM_PER_M : 0;
  const nearest = m0 === null ? 0 : (wideMm + wideMm / (m0 + e / wideMm)) / MM_PER_M;
  const toFraming =
    m0 === null || mMin <= m0 || kMin <= 0 ? Infinity : e / (kMin * (mMin - m0)) / MM_PER_M;
  return {
    from: Math.max(fromFraming, nearest),
    to: Math.min(farthestUsableM(setup), toFraming),
  };
}

/** Shortest focal length, mm, at x: wide end, framing, closest focus, and a tube's farthest. */
export function shortestMm(setup: Setup, distance: boolean, slopeMin: number, x: number): number {
  let f = Math.max(setup.focal.wideMm, slopeMin * x);
  if (!distance) return f;
  if (setup.extensionMm > 0) f = Math.max(f, shortestWithTubeMm(setup, x));
  else if (setup.minFocusM !== null) f = Math.max(f, shortestFocusedMm(setup, x));
  return f;
}

/** Longest focal length, mm, at x: long end, framing, largest magnification. */
export function longestMm(setup: Setup, distance: boolean, slopeMax: number, x: number): number {
  const f = Math.min(setup.focal.longMm, slopeMax * x);
  if (!distance || setup.maxMagnification === null) return f;
  if (setup.extensionMm === 0) return Math.min(f, slopeOfMagnification(setup.maxMagnification) * x);
  const m0 = setup.maxMagnification;
  const e = setup.extensionMm;
  const xMm = x * MM_PER_M;
  const b = e - m0 * xMm;
  return Math.min(f, (Math.sqrt(b * b + 4 * (1 + m0) * e * xMm) - b) / (2 * (1 + m0)));
}

/** Places where the shortest focal length passes from one bound to another. */
export function bendsOfShortest(setup: Setup, distance: boolean, slopeMin: number): number[] {
  const { wideMm } = setup.focal;
  const bends = slopeMin > 0 ? [wideMm / slopeMin] : [];
  if (!distance) return bends;
  const e = setup.extensionMm;
  const closest = setup.minFocusM;
  if (e > 0) {
    const k = slopeMin / MM_PER_M;
    bends.push((wideMm + (wideMm * wideMm) / e) / MM_PER_M);
    if (k > 0) bends.push((e * (1 - k)) / (k * k) / MM_PER_M);
  } else if (closest !== null) {
    bends.push(closest * (1 - slopeMin / MM_PER_M));
    const root = closest * (closest - (4 * wideMm) / MM_PER_M);
    if (root >= 0) bends.push((closest + Math.sqrt(root)) / 2, (closest - Math.sqrt(root)) / 2);
  }
  return bends;
}

/** Focal length, mm, below which the setup would have to focus nearer than it can at x metres. */
export function shortestFocusedMm(setup: Setup, x: number): number {
  return setup.minFocusM === null ? 0 : MM_PER_M * (x - (x * x) / setup.minFocusM);
}

/** Focal length below which a tube keeps the lens from focusing as far as x: f² + e·f = e·x. */
function shortestWithTubeMm(setup: Setup, x: number): number {
  const e = setup.extensionMm;
  return (Math.sqrt(e * e + 4 * e * x * MM_PER_M) - e) / 2;
}

function slopeOfMagnification(magnification: number | null): number {
  return magnification === null ? Infinity : (MM_PER_M * magnification) / (1 + magnification);
}

/** Distance from which a framing needs no focus nearer than the closest: x ≥ D·(1 − slope/1000). */
function nearestForSlope(setup: Setup, slope: number): number {
  if (setup.minFocusM === null || !Number.isFinite(slope)) return 0;
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
