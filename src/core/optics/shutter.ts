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
export function handheldTimeS(
  focalLengthMm: number,
  crop: number,
  stabiliserStops: number,
): number {
  return 2 ** stabiliserStops / (focalLengthMm * crop);
}

/**
 * Stabilisation of a lens on a stabilised body: the better of the two.
 *
 * Common practice, no source: candidates state no common rule for the sum, so the sum is not claimed.
 */
export function combinedStabiliserStops(
  bodyStops: number | null,
  lensStops: number | null,
): number {
  return Math.max(bodyStops ?? 0, lensStops ?? 0);
}
