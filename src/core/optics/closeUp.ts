/**
 * Extension tubes and close-up work. Thin lens; internal-focus lenses shorten their focal length
 * when they focus near, so their figures are estimates.
 *
 * Source: Ray, Applied Photographic Optics (from memory): magnification = extension / f.
 */

/** Magnification with a tube: what the lens does by itself, and extension over focal length. */
export function tubeMagnification(
  lensMagnification: number,
  tubeMm: number,
  focalLengthMm: number,
): number {
  return lensMagnification + tubeMm / focalLengthMm;
}
