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

/** Extension, mm, that brings a lens from one magnification to another. */
export function extensionForMagnificationMm(
  focalLengthMm: number,
  fromMagnification: number,
  toMagnification: number,
): number {
  return focalLengthMm * (toMagnification - fromMagnification);
}

/** Light lost to the longer image distance, stops: 2·log2(1 + m). */
export function bellowsLossStops(magnification: number): number {
  return 2 * Math.log2(1 + magnification);
}

/** Object distance from the lens, mm, at a magnification: f·(1 + 1/m). */
export function objectDistanceMm(focalLengthMm: number, magnification: number): number {
  return focalLengthMm * (1 + 1 / magnification);
}

/** Room in front of the lens, mm: total distance less flange distance and lens length. */
export function workingDistanceMm(
  focalLengthMm: number,
  magnification: number,
  flangeMm: number,
  lensLengthMm: number,
): number {
  const total = focalLengthMm * (2 + magnification + 1 / magnification);
  return total - flangeMm - lensLengthMm;
}

/** A close-up lens on a lens set to infinity: m = f·D, working distance 1/D. Dioptres in 1/m. */
export function closeUpLens(focalLengthMm: number, dioptre: number) {
  return {
    magnification: (focalLengthMm * dioptre) / 1000,
    workingDistanceMm: 1000 / dioptre,
  };
}
