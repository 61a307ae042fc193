import { type SensorSize, sideMm } from './sensor';

const DEGREES_PER_RADIAN = 180 / Math.PI;

/** How a fisheye maps the angle from its axis to a distance from the picture's middle. */
export const FISHEYE_PROJECTIONS = [
  'equidistant',
  'equisolid',
  'stereographic',
  'orthographic',
] as const;
export type FisheyeProjection = (typeof FISHEYE_PROJECTIONS)[number];

/**
 * Radius at a half-angle over the focal length, its inverse, and the largest half-angle it maps.
 *
 * Source: S. F. Ray, Applied Photographic Optics (from memory): r = f·θ, 2f·sin(θ/2), 2f·tan(θ/2),
 * f·sin θ.
 */
const MAPS: Readonly<
  Record<
    FisheyeProjection,
    {
      readonly radius: (halfAngle: number) => number;
      readonly angle: (radius: number) => number;
      readonly largestRadius: number;
    }
  >
> = {
  equidistant: { radius: (a) => a, angle: (r) => r, largestRadius: Math.PI },
  equisolid: {
    radius: (a) => 2 * Math.sin(a / 2),
    angle: (r) => 2 * Math.asin(r / 2),
    largestRadius: 2,
  },
  stereographic: {
    radius: (a) => 2 * Math.tan(a / 2),
    angle: (r) => 2 * Math.atan(r / 2),
    largestRadius: Infinity,
  },
  orthographic: { radius: Math.sin, angle: Math.asin, largestRadius: 1 },
};

/**
 * Half-angle from the axis that falls at a distance from the picture's middle.
 *
 * @returns degrees, or null where the projection maps no angle to that radius
 */
export function fisheyeHalfAngleDeg(
  projection: FisheyeProjection,
  focalLengthMm: number,
  radiusMm: number,
): number | null {
  const map = MAPS[projection];
  const r = radiusMm / focalLengthMm;
  return r > map.largestRadius ? null : map.angle(r) * DEGREES_PER_RADIAN;
}

/** Diameter, mm, of the image of a full angle in degrees. */
export function fisheyeImageCircleMm(
  projection: FisheyeProjection,
  focalLengthMm: number,
  fullAngleDeg: number,
): number {
  return 2 * focalLengthMm * MAPS[projection].radius(fullAngleDeg / 2 / DEGREES_PER_RADIAN);
}

export type FisheyeCoverage = 'circular' | 'truncated' | 'full-frame';

/**
 * How the image of 180° lies on the sensor: wholly inside (circular), beyond the corners
 * (full-frame), or cut by the sides. No margin is let pass.
 */
export function fisheyeCoverage(
  projection: FisheyeProjection,
  focalLengthMm: number,
  sensor: SensorSize,
): FisheyeCoverage {
  const circle = fisheyeImageCircleMm(projection, focalLengthMm, 180);
  if (circle <= Math.min(sensor.widthMm, sensor.heightMm)) return 'circular';
  return circle >= sideMm(sensor, 'diagonal') ? 'full-frame' : 'truncated';
}
