import type { Framing, NeedAxis } from '@/core/brief';
import type { FocalRange, Setup } from '@/core/gear';
import { containsPoint, type Interval } from '@/core/intervals';
import {
  focusDistanceMm,
  LIFE_SIZE_SLOPE,
  slopeOfMagnification,
  tubeMagnification,
} from '@/core/optics';
import { MM_PER_M } from '@/core/units';

/** A framing of a need: the least focal length for each unit of the axis, and whether to focus. */
interface FramedBounds {
  readonly axis: NeedAxis;
  readonly framing: Framing;
  readonly slopeMin: number;
  /** Least magnification wanted, cropping allowed; 0 at infinity. */
  readonly leastMagnification: number;
  readonly asked: { readonly focus: boolean };
}

/**
 * The places at which some focal length frames and focuses a need: between the largest of the lower
 * bounds (wide end, framing, farthest focus with a tube) and the smallest of the upper ones (long end,
 * framing, largest magnification), from the closest focus on. Every pair of bounds meets in one place
 * in closed form, so this is one closed interval, and at closest focus one place more where the stated
 * magnification reaches further than a thin lens there.
 */
export function framedPositions(setup: Setup, task: FramedBounds): Interval[] {
  if (task.leastMagnification > (task.framing.magnifications(1)?.most ?? Infinity)) return [];
  const range = framedRange(setup, task);
  const closest = task.asked.focus ? closestFocusPosition(setup, task) : null;
  if (closest === null || (range !== null && containsPoint([range], closest)))
    return range === null ? [] : [range];
  const position = { from: closest, to: closest };
  return range === null ? [position] : [position, range];
}

function framedRange(
  setup: Setup,
  { axis, framing, slopeMin, leastMagnification, asked }: FramedBounds,
): Interval | null {
  const { slopeMax } = framing;
  if (slopeMin > slopeMax) return null;
  const { wideMm, longMm } = setup.focal;
  let from = axis.range.from;
  let to = Math.min(axis.range.to, longMm / slopeMin);
  const focusing = asked.focus && axis.kind === 'distance';
  if (focusing && setup.extensionMm > 0) {
    const near = tubeRange(setup, framing, slopeMin, leastMagnification);
    if (near === null) return null;
    from = Math.max(from, near.from, near.byLifeSize ? 0 : wideMm / slopeMax);
    to = Math.min(near.byLifeSize ? axis.range.to : to, near.to);
  } else if (focusing) {
    const cap = capSlope(setup);
    if (slopeMin > cap || leastMagnification > (setup.maxMagnification ?? Infinity)) return null;
    from = Math.max(
      from,
      setup.minFocusM ?? wideMm / cap,
      shortens(setup) && cap <= slopeMax ? 0 : wideMm / slopeMax,
    );
  } else {
    const ends = endsAt(setup, axis);
    from = Math.max(from, ends.wideMm / slopeMax);
    to = Math.min(to, ends.longMm / slopeMin);
    if (asked.focus && !focusesAt(setup, axis.atM)) return null;
  }
  return isPast(from, to) ? null : { from: Math.min(from, to), to };
}

/** Ends nearer than this (relative) meet: bounds that are the same place differ by rounding. */
const SAME_POSITION = 1e-12;

function isPast(from: number, to: number): boolean {
  return from > to && from - to > SAME_POSITION * Math.max(Math.abs(from), Math.abs(to));
}

/** Whether a need given as a range can be focused where its subject stands, with some focal length. */
function focusesAt(setup: Setup, distanceM: number | null): boolean {
  if (distanceM === null) return true;
  return distanceM >= nearestUsableM(setup) && distanceM <= farthestUsableM(setup);
}

/** Focal lengths outside which a frame is not framed, mm, and its distances, m; null at infinity. */
export interface QuickBounds {
  readonly widestMm: number;
  readonly longestMm: number;
  readonly distanceM: Interval | null;
}

/** A quick look that never says no where a closer one says yes. */
export function mayFrame(setup: Setup, { widestMm, longestMm, distanceM }: QuickBounds): boolean {
  const { wideMm, longMm } = setup.focal;
  if (wideMm <= longestMm && longMm >= widestMm)
    return distanceM === null || setup.extensionMm === 0 || mayReach(setup, distanceM.from);
  if (distanceM === null) return false;
  if (setup.extensionMm > 0) return mayReach(setup, distanceM.from);
  const { minFocusM } = setup;
  if (minFocusM === null || minFocusM > distanceM.to) return false;
  return wideMm > longestMm
    ? Math.min(wideMm, capSlope(setup) * distanceM.to) <= longestMm
    : minFocusM >= distanceM.from;
}

function mayReach(setup: Setup, nearestM: number): boolean {
  const { focal, maxMagnification, extensionMm } = setup;
  return (
    nearestM <=
    Math.max(farthestUsableM(setup), farOfBeyond(focal.longMm, maxMagnification, extensionMm))
  );
}

/** The focal lengths that focus where the subject of a need given as a range stands. */
function endsAt(setup: Setup, { atM }: NeedAxis): FocalRange {
  if (atM === null || setup.extensionMm === 0) return setup.focal;
  return {
    wideMm: Math.max(setup.focal.wideMm, shortestWithTubeMm(setup, atM)),
    longMm: Math.min(setup.focal.longMm, longestWithTubeMm(setup, atM)),
  };
}

/**
 * A lens whose closest focus is known keeps its largest magnification from where a thin lens has it
 * down to there: it shortens its focal length. Where it is not known it is not relied on.
 */
function shortens(setup: Setup): boolean {
  return setup.minFocusM !== null;
}

/** Largest focal length a metre that the largest magnification leaves, mm; life size where unknown. */
function capSlope({ maxMagnification }: Setup): number {
  return MM_PER_M * slopeOfMagnification(maxMagnification ?? 1);
}

/**
 * The closest focus, where it lies on the axis and the stated magnification frames the need although a
 * thin lens would not there.
 */
function closestFocusPosition(
  setup: Setup,
  { axis, framing, leastMagnification }: FramedBounds,
): number | null {
  const { minFocusM, maxMagnification, extensionMm } = setup;
  if (axis.kind !== 'distance' || extensionMm > 0) return null;
  if (minFocusM === null || maxMagnification === null) return null;
  if (minFocusM < axis.range.from || minFocusM > axis.range.to) return null;
  const loosest = Math.min(setup.focal.wideMm, capSlope(setup) * minFocusM);
  return leastMagnification <= maxMagnification && loosest <= framing.slopeMax * minFocusM
    ? minFocusM
    : null;
}

/** Largest magnification of a setup, with a tube at its wide end; Infinity where it is not known. */
export function mostMagnification({ maxMagnification, extensionMm, focal }: Setup): number {
  return tubeMagnification(maxMagnification ?? Infinity, extensionMm, focal.wideMm);
}

/** Nearest distance, m, that the setup can be used at; 0 when that is not known. */
export function nearestUsableM(setup: Setup): number {
  if (setup.extensionMm > 0) return nearestWithTubeM(setup);
  const { wideMm } = setup.focal;
  return setup.minFocusM ?? (setup.maxMagnification === null ? 0 : wideMm / capSlope(setup));
}

/** Farthest distance, m, that a tube leaves in reach, (f + e)² / e; Infinity without one. */
export function farthestUsableM({ focal, extensionMm: e }: Setup): number {
  return e > 0 ? (focal.longMm + e) ** 2 / e / MM_PER_M : Infinity;
}

/** Focus distance, m, at a magnification; from life size on that of life size, the nearest there is. */
function distanceOfM(focalMm: number, magnification: number): number {
  return focalMm / slopeOfMagnification(magnification) / MM_PER_M;
}

function nearestWithTubeM({ focal, extensionMm, maxMagnification }: Setup): number {
  return maxMagnification === null
    ? 0
    : distanceOfM(focal.wideMm, tubeMagnification(maxMagnification, extensionMm, focal.wideMm));
}

/**
 * With an extension e the image lies between f + e and f + e + f·m0 from the lens, so m runs from e/f
 * to m0 + e/f, and the farthest distance is (f + e)²/e. Beyond life size two distances belong to each
 * focal length; there the magnification rules, at distances down to that of life size.
 */
function tubeRange(
  setup: Setup,
  framing: Framing,
  slopeMin: number,
  leastMagnification: number,
): (Interval & { readonly byLifeSize: boolean }) | null {
  const e = setup.extensionMm;
  const m0 = setup.maxMagnification;
  const { longMm } = setup.focal;
  if (leastMagnification > mostMagnification(setup)) return null;
  const wanted = framing.magnifications(1)?.most ?? Infinity;
  if (wanted < e / longMm) return null;
  if (leastMagnification >= 1)
    return {
      from: nearestWithTubeM(setup),
      to: Math.max(farthestUsableM(setup), farOfBeyond(longMm, m0, e)),
      byLifeSize: true,
    };
  const k = framing.slopeMax / MM_PER_M;
  const kMin = slopeMin / MM_PER_M;
  // Where the longest framing is as long as the tube's farthest focus asks: √(e·D) − e = k·D.
  const fromFraming = k >= LIFE_SIZE_SLOPE ? 0 : wherePassesMm(k, e) / MM_PER_M;
  const toFraming =
    m0 === null || leastMagnification <= m0 || kMin <= 0
      ? Infinity
      : e / (kMin * (leastMagnification - m0)) / MM_PER_M;
  return {
    from: Math.max(fromFraming, nearestWithTubeM(setup)),
    to: Math.min(farthestUsableM(setup), toFraming),
    byLifeSize: false,
  };
}

/** The farthest distance, m, of magnifications beyond life size, where they grow with distance. */
function farOfBeyond(focalMm: number, m0: number | null, e: number): number {
  return focusDistanceMm(focalMm, tubeMagnification(m0 ?? 1, e, focalMm)) / MM_PER_M;
}

/** Farther root, mm, of √(e·D) − e = k·D: from there on the framing is longer than the tube asks. */
function wherePassesMm(k: number, e: number): number {
  const root = (Math.sqrt(e) * (1 + Math.sqrt(1 - 4 * k))) / (2 * k);
  return root * root;
}

/** Nearer root of the same; nearer than that the framing is longer too. */
function wherePassesNearMm(k: number, e: number): number {
  const root = (Math.sqrt(e) * (1 - Math.sqrt(1 - 4 * k))) / (2 * k);
  return root * root;
}

/** Shortest focal length, mm, at x: wide end or what it shortens to, framing, a tube's farthest focus. */
export function shortestMm(setup: Setup, axis: NeedAxis, slopeMin: number, x: number): number {
  const { wideMm } = setup.focal;
  if (axis.kind !== 'distance') return Math.max(endsAt(setup, axis).wideMm, slopeMin * x);
  if (setup.extensionMm > 0) return Math.max(wideMm, slopeMin * x, shortestWithTubeMm(setup, x));
  const lower = shortens(setup) ? Math.min(wideMm, capSlope(setup) * x) : wideMm;
  return Math.max(lower, slopeMin * x);
}

/** Longest focal length, mm, at x: long end, framing, largest magnification. */
export function longestMm(setup: Setup, axis: NeedAxis, slopeMax: number, x: number): number {
  if (axis.kind !== 'distance') return Math.min(endsAt(setup, axis).longMm, slopeMax * x);
  const f = Math.min(setup.focal.longMm, slopeMax * x);
  if (setup.extensionMm === 0) return Math.min(f, capSlope(setup) * x);
  return setup.maxMagnification === null ? f : Math.min(f, longestWithTubeMm(setup, x));
}

/**
 * Places where the shortest focal length passes from one bound to another, or where it needs no crop
 * any more.
 */
export function breakpointsOfShortest(
  setup: Setup,
  axis: NeedAxis,
  slopeMin: number,
  slopeWhole: number,
): number[] {
  const { wideMm } = endsAt(setup, axis);
  const slopes = [slopeMin, slopeWhole].filter((slope) => slope > 0);
  const breakpoints = slopes.map((slope) => wideMm / slope);
  if (axis.kind !== 'distance') return breakpoints;
  const e = setup.extensionMm;
  if (e > 0) {
    breakpoints.push((wideMm + e) ** 2 / e / MM_PER_M);
    for (const slope of slopes) {
      const k = slope / MM_PER_M;
      if (k < LIFE_SIZE_SLOPE)
        breakpoints.push(wherePassesMm(k, e) / MM_PER_M, wherePassesNearMm(k, e) / MM_PER_M);
    }
  } else if (shortens(setup)) breakpoints.push(wideMm / capSlope(setup));
  return breakpoints;
}

/** Focal length below which a tube keeps the lens from focusing as far as x: √(e·D) − e. */
function shortestWithTubeMm({ extensionMm: e }: Setup, x: number): number {
  return Math.sqrt(e * x * MM_PER_M) - e;
}

/**
 * Focal length, mm, above which a tube and the lens's own magnification do not come so near: with
 * k = e/D the largest m solves m² − m0·m = k·(1 + m)².
 */
function longestWithTubeMm({ extensionMm: e, maxMagnification }: Setup, x: number): number {
  const m0 = maxMagnification ?? 0;
  const k = e / (x * MM_PER_M);
  if (k >= 1) return Infinity;
  const b = m0 + 2 * k;
  const m = (b + Math.sqrt(b * b + 4 * k * (1 - k))) / (2 * (1 - k));
  return m >= 1 ? Infinity : x * MM_PER_M * slopeOfMagnification(m);
}
