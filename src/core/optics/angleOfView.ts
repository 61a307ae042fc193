import { type SensorSide, type SensorSize, sideMm } from './sensor';
import { DEGREES_PER_RADIAN } from '@/core/units';

/**
 * Angle of view of an ideal rectilinear lens across one side of the sensor, or its diagonal.
 *
 * Source: central projection with a thin lens, 2·atan(d / (2·f·(1 + m))); pupil magnification 1,
 * no focus breathing. Not for fisheyes.
 *
 * @param focalLengthMm true focal length, mm, > 0; never an equivalent
 * @param magnification 0 at infinity
 * @returns degrees in (0, 180)
 * @throws {RangeError} when focalLengthMm is not finite and > 0
 */
export function angleOfViewDeg(
  focalLengthMm: number,
  sensor: SensorSize,
  side: SensorSide = 'diagonal',
  magnification = 0,
): number {
  requirePositive('focalLengthMm', focalLengthMm);
  return angleOfLengthDeg(sideMm(sensor, side), focalLengthMm * (1 + magnification));
}

/** Full angle, degrees, that a length `lengthMm` subtends at a distance `distanceMm`. */
export function angleOfLengthDeg(lengthMm: number, distanceMm: number): number {
  return 2 * Math.atan(lengthMm / (2 * distanceMm)) * DEGREES_PER_RADIAN;
}

/** Length over distance of an object that subtends the full angle: 2·tan(angle / 2). */
export function lengthPerDistance(angleDeg: number): number {
  return 2 * Math.tan(angleDeg / 2 / DEGREES_PER_RADIAN);
}

function requirePositive(name: string, value: number): void {
  if (!(Number.isFinite(value) && value > 0)) {
    throw new RangeError(`${name} must be finite and > 0, got ${value}`);
  }
}
