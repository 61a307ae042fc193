import { type SensorSize, sideMm } from './sensor';

/**
 * Depth of field with a thin lens and a circle of confusion c. All lengths in mm, distances from
 * the lens.
 *
 * Source: S. F. Ray, Applied Photographic Optics (from memory). Valid with pupil magnification 1,
 * which is close enough away from macro distances.
 */

/** Share of the diagonal that the circle of confusion takes by default. Common practice, no source. */
const COC_DIAGONAL_DIVISOR = 1500;

/** Circle of confusion, mm, as the diagonal over a divisor. */
export function circleOfConfusionMm(sensor: SensorSize, divisor = COC_DIAGONAL_DIVISOR): number {
  return sideMm(sensor, 'diagonal') / divisor;
}

/** Hyperfocal distance f²/(N·c) + f, mm. */
export function hyperfocalMm(focalLengthMm: number, fNumber: number, cocMm: number): number {
  return (focalLengthMm * focalLengthMm) / (fNumber * cocMm) + focalLengthMm;
}

/**
 * Smallest f-number at which everything between two distances is sharp, focused where it helps
 * most: at 2·near·far / (near + far).
 *
 * With u that focus, the blur of both ends is f²/N · (u − near) / (near·(u − f)); it equals c when
 * N = f²·(far − near) / (c·(2·near·far − f·(near + far))).
 *
 * @param farMm Infinity for the horizon
 * @returns Infinity where a thin lens of that focal length does not focus so near
 */
export function fNumberForDepth(
  focalLengthMm: number,
  cocMm: number,
  nearMm: number,
  farMm: number,
): number {
  const f = focalLengthMm;
  if (farMm === Infinity) return 2 * nearMm <= f ? Infinity : (f * f) / (cocMm * (2 * nearMm - f));
  const room = 2 * nearMm * farMm - f * (nearMm + farMm);
  return room <= 0 ? Infinity : (f * f * (farMm - nearMm)) / (cocMm * room);
}

/** Focus distance, mm, that shares the blur evenly between two distances. */
export function focusForDepthMm(nearMm: number, farMm: number): number {
  return farMm === Infinity ? 2 * nearMm : (2 * nearMm * farMm) / (nearMm + farMm);
}

/**
 * Diameter on the sensor, mm, of the blur of a point at `pointMm` when focused at `distanceMm`.
 *
 * Source: thin lens, f²/N · |point − s| / (point·(s − f)).
 */
export function blurDiscMm(
  focalLengthMm: number,
  fNumber: number,
  distanceMm: number,
  pointMm: number,
): number {
  const share = pointMm === Infinity ? 1 : Math.abs(pointMm - distanceMm) / pointMm;
  return ((focalLengthMm * focalLengthMm) / fNumber) * (share / (distanceMm - focalLengthMm));
}

/** Largest f-number that still blurs a point behind to a disc of `discMm`. */
export function fNumberForBlur(
  focalLengthMm: number,
  distanceMm: number,
  pointMm: number,
  discMm: number,
): number {
  return blurDiscMm(focalLengthMm, 1, distanceMm, pointMm) / discMm;
}
