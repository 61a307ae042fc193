/**
 * Longest hand-held exposure time by the reciprocal rule, lengthened by the stabiliser.
 *
 * Source: common trade practice, no standard: 1 / (focal length × crop factor) seconds, one stop
 * longer for each stop of stabilisation. It says nothing of movement in the subject.
 *
 * @param focalLengthMm true focal length, mm, > 0
 * @param crop crop factor of the sensor by diagonal; later cropping of the picture is not counted
 * @param stabiliserStops >= 0
 */
export function handHeldTimeS(
  focalLengthMm: number,
  crop: number,
  stabiliserStops: number,
): number {
  return 2 ** stabiliserStops / (focalLengthMm * crop);
}

/**
 * Stabilisation of a lens on a stabilised body: the better of the two.
 *
 * Common practice, no source: makers state no common rule for the sum, so the sum is not claimed.
 */
export function combinedStabiliserStops(
  bodyStops: number | null,
  lensStops: number | null,
): number {
  return Math.max(bodyStops ?? 0, lensStops ?? 0);
}

/** Marked shutter times in thirds of a stop between 1 s and 1/8000 s, by denominator. */
const MARKED_DENOMINATORS = [
  1, 1.3, 1.6, 2, 2.5, 3, 4, 5, 6, 8, 10, 13, 15, 20, 25, 30, 40, 50, 60, 80, 100, 125, 160, 200,
  250, 320, 400, 500, 640, 800, 1000, 1250, 1600, 2000, 2500, 3200, 4000, 5000, 6400, 8000,
] as const;

/**
 * Exact time behind a marking such as 1/125 (0.0078125 s) or 30 (32 s): the nearest third of a stop.
 *
 * Source: geometric series through 1 s (ISO 516, from memory).
 */
export function exactTimeOfMarkedS(markedTimeS: number): number {
  const third = MARKED_DENOMINATORS.findIndex((d) => Math.abs(1 / d - markedTimeS) < 1e-9);
  const index = third >= 0 ? -third : Math.round(3 * Math.log2(markedTimeS));
  return 2 ** (index / 3);
}
