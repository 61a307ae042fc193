import type { Point } from './ground';
import { flatM } from './plane';

/**
 * The corners of what a picture takes in from a place, as seen from above: the place, and the two ends
 * of the arc at a distance.
 *
 * @param angleDeg horizontal angle of view, in (0, 180)
 */
export function wedgeOf(
  from: Point,
  towards: Point,
  angleDeg: number,
  farM: number,
): readonly [Point, Point, Point] {
  const turn = Math.atan2(towards.yM - from.yM, towards.xM - from.xM);
  const half = ((angleDeg / 2) * Math.PI) / 180;
  const at = (angle: number): Point => ({
    xM: from.xM + farM * Math.cos(angle),
    yM: from.yM + farM * Math.sin(angle),
  });
  return [from, at(turn + half), at(turn - half)];
}

/** Whether a place lies in a picture that is taken from another towards a third, as seen from above. */
export function isInWedge(place: Point, from: Point, towards: Point, angleDeg: number): boolean {
  const away = flatM(place, from) * flatM(towards, from);
  if (away === 0) return false;
  const cosine =
    ((place.xM - from.xM) * (towards.xM - from.xM) +
      (place.yM - from.yM) * (towards.yM - from.yM)) /
    away;
  return cosine >= Math.cos(((angleDeg / 2) * Math.PI) / 180);
}
