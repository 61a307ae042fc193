import { DEGREES_PER_RADIAN } from '@/core/units';

/** How a fisheye maps the angle from its axis to a distance from the picture's middle. */
export const FISHEYE_PROJECTIONS = [
  'equidistant',
  'equisolid',
  'stereographic',
  'orthographic',
] as const;
export type FisheyeProjection = (typeof FISHEYE_PROJECTIONS)[number];

/**
 * Radius at a half-angle over the focal length.
 *
 * Source: S. F. Ray, Applied Photographic Optics (from memory): r = f·θ, 2f·sin(θ/2), 2f·tan(θ/2),
 * f·sin θ.
 */
const MAPS: Readonly<
  Record<
    FisheyeProjection,
    {
      readonly radius: (halfAngle: number) => number;
    }
  >
> = {
  equidistant: { radius: (a) => a },
  equisolid: { radius: (a) => 2 * Math.sin(a / 2) },
  stereographic: { radius: (a) => 2 * Math.tan(a / 2) },
  orthographic: { radius: Math.sin },
};

/** Diameter, mm, of the image of a full angle in degrees. */
export function fisheyeImageCircleMm(
  projection: FisheyeProjection,
  focalLengthMm: number,
  fullAngleDeg: number,
): number {
  return 2 * focalLengthMm * MAPS[projection].radius(fullAngleDeg / 2 / DEGREES_PER_RADIAN);
}

/** Focal length, mm, that lays a full angle in degrees on a diameter in mm. */
export function fisheyeFocalMm(
  projection: FisheyeProjection,
  fullAngleDeg: number,
  diameterMm: number,
): number {
  return diameterMm / (2 * MAPS[projection].radius(fullAngleDeg / 2 / DEGREES_PER_RADIAN));
}
