import { RADIANS_PER_DEGREE } from '@/core/units';

/** Sidereal day, s. Source: IAU, from memory. */
const SIDEREAL_DAY_S = 86_164.0905;
const RULE_OF_500_S_MM = 500;

/** Longest time, s, that keeps the smear to `blurMm`; Infinity for what stands still. */
export function timeForMotionBlurS(
  magnification: number,
  speedMmPerS: number,
  blurMm: number,
): number {
  const onSensor = magnification * speedMmPerS;
  return onSensor > 0 ? blurMm / onSensor : Infinity;
}

/** Longest time, s, that keeps a star's trail to `trailMm`; Infinity at the pole. */
export function timeForStarTrailS(
  focalLengthMm: number,
  declinationDeg: number,
  trailMm: number,
): number {
  return trailMm / (focalLengthMm * starSpeed(declinationDeg));
}

/** Rule of thumb for stars: 500 / (focal length × crop factor) s. Common practice, no source. */
export function ruleOf500S(focalLengthMm: number, crop: number): number {
  return RULE_OF_500_S_MM / (focalLengthMm * crop);
}

/** Radians per second; 0 within rounding of the pole. */
function starSpeed(declinationDeg: number): number {
  const cos = Math.cos(declinationDeg * RADIANS_PER_DEGREE);
  return cos < 1e-12 ? 0 : ((2 * Math.PI) / SIDEREAL_DAY_S) * cos;
}
