/**
 * Thin-lens conjugates by the focus distance D, measured from the sensor as focusing scales and tapes
 * have it. All lengths in one unit (mm here).
 *
 * Source: thin lens, D = f·(2 + m + 1/m), principal planes coincident. Up to life size (m ≤ 1) a focal
 * length frames at one magnification from a distance, f = D·m / (1 + m)²; nearer than 4f no thin lens
 * focuses, and a real one shortens its focal length.
 */

/** Largest focal length over distance: life size, D = 4f. */
export const LIFE_SIZE_SLOPE = 0.25;

/** Focal length over focus distance at a magnification; from life size on that of life size. */
export function slopeOfMagnification(magnification: number): number {
  return magnification >= 1 ? LIFE_SIZE_SLOPE : magnification / (1 + magnification) ** 2;
}

/** Magnification, up to life size, at a focus distance from the sensor; 1 at 4f and nearer. */
export function magnificationAt(focalLengthMm: number, focusDistanceMm: number): number {
  const sum = focusDistanceMm / focalLengthMm - 2;
  return sum > 2 ? 2 / (sum + Math.sqrt(sum * sum - 4)) : 1;
}

/** Focus distance from the sensor at which a focal length gives a magnification. */
export function focusDistanceMm(focalLengthMm: number, magnification: number): number {
  return focalLengthMm * (2 + magnification + 1 / magnification);
}

/** Object distance from the lens of a subject so far from the sensor: D / (1 + m). */
export function objectDistanceMm(focusDistance: number, magnification: number): number {
  return focusDistance / (1 + magnification);
}
