/**
 * Thin-lens conjugates: magnification, focal length, object distance from the lens, and focus
 * distance from the sensor. All lengths in one unit (mm here).
 *
 * Source: thin lens, m = f / (s − f), image distance f·(1 + m), principal planes coincident.
 * Internal-focus lenses shorten their focal length near their closest focus: there it is an estimate.
 */

/** Magnification at an object distance `s` from the lens; Infinity at or inside the focal length. */
export function magnificationAt(focalLengthMm: number, objectDistanceMm: number): number {
  return objectDistanceMm > focalLengthMm
    ? focalLengthMm / (objectDistanceMm - focalLengthMm)
    : Infinity;
}

/** Focal length that gives the magnification at an object distance from the lens. */
export function focalLengthForMagnificationMm(
  magnification: number,
  objectDistanceMm: number,
): number {
  return (objectDistanceMm * magnification) / (1 + magnification);
}

/** Focus distance from the sensor for an object at `s` from the lens: s + f·(1 + m). */
export function focusDistanceMm(focalLengthMm: number, objectDistanceMm: number): number {
  return objectDistanceMm + focalLengthMm * (1 + magnificationAt(focalLengthMm, objectDistanceMm));
}

/**
 * Magnification at a focus distance D counted from the sensor: the root of D = f·(2 + m + 1/m)
 * with m ≤ 1.
 *
 * @returns null when D < 4f: no thin lens of this focal length focuses so near
 */
export function magnificationAtFocusDistance(
  focalLengthMm: number,
  focusDistance: number,
): number | null {
  const sum = focusDistance / focalLengthMm - 2;
  if (sum < 2) return null;
  return (sum - Math.sqrt(sum * sum - 4)) / 2;
}

/**
 * Object distance from the lens at a focus distance D from the sensor: the larger root of
 * s² − D·s + D·f = 0.
 *
 * @returns null when D < 4f
 */
export function objectDistanceAtFocusDistanceMm(
  focalLengthMm: number,
  focusDistance: number,
): number | null {
  const discriminant = focusDistance * (focusDistance - 4 * focalLengthMm);
  return discriminant < 0 ? null : (focusDistance + Math.sqrt(discriminant)) / 2;
}
