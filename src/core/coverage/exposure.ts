import { fNumberForBlur, fNumberForDepth, magnificationAt } from '@/core/optics';
import { type Demand, LIGHT_TOLERANCE_STOPS, type LightDemand } from './demand';

const MM_PER_M = 1000;
const TOLERATED = 2 ** LIGHT_TOLERANCE_STOPS;
/** An f-number may be off by this share: the tolerated stops, as a quotient of f-numbers. */
const TOLERATED_F_NUMBER = Math.sqrt(TOLERATED);

/** The conditions that a focal length must meet at a place, besides framing and focus. */
export type Condition = 'autofocus' | 'light' | 'sharp';

/** What rules the exposure time. */
export type TimeRule = 'given' | 'hand' | 'movement' | 'stars';

/** Longest time, s, at a focal length and magnification, and what rules it. */
export function longestTime(
  light: LightDemand,
  focalLengthMm: number,
  magnification: number,
): { readonly timeS: number; readonly rule: TimeRule } {
  const times: readonly [TimeRule, number][] = [
    ['given', light.givenS],
    ['hand', light.handSMm / focalLengthMm],
    ['stars', light.starsSMm / focalLengthMm],
    ['movement', magnification > 0 ? light.movementS / magnification : Infinity],
  ];
  const [rule, timeS] = times.reduce((a, b) => (b[1] < a[1] ? b : a));
  return { rule, timeS };
}

/** Magnification at a place; 0 in the far and for needs given as a range. */
export function magnificationOf(focalLengthMm: number, distanceM: number | null): number {
  return distanceM === null ? 0 : magnificationAt(focalLengthMm, distanceM * MM_PER_M);
}

/** Smallest f-number that makes the depth sharp; 0 when no depth is asked for. */
export function sharpFNumber(demand: Demand, focalLengthMm: number, x: number): number {
  if (demand.sharp === null) return 0;
  const { nearM, farM } = demand.sharp.zone(x);
  return fNumberForDepth(focalLengthMm, demand.sharp.cocMm, nearM * MM_PER_M, farM * MM_PER_M);
}

/** Largest f-number that still blurs what is behind; Infinity when no blur is asked for. */
export function blurFNumber(demand: Demand, focalLengthMm: number, x: number): number {
  const { blur } = demand;
  if (blur === null) return Infinity;
  const point = (x + blur.behindM) * MM_PER_M;
  return fNumberForBlur(focalLengthMm, x * MM_PER_M, point, blur.discMm);
}

/** Whether the light there is does at an f-number. */
export function isLit(
  light: LightDemand,
  fNumber: number,
  focalLengthMm: number,
  distanceM: number | null,
): boolean {
  const m = magnificationOf(focalLengthMm, distanceM);
  const n = fNumber * (1 + m);
  const time = Math.min(
    light.givenS,
    light.handSMm / focalLengthMm,
    light.starsSMm / focalLengthMm,
    m > 0 ? light.movementS / m : Infinity,
  );
  return n * n <= time * light.luminousness * TOLERATED;
}

/** Whether the flash does at an f-number. */
export function isLitByFlash(
  { flashReach }: LightDemand,
  fNumber: number,
  focalLengthMm: number,
  distanceM: number | null,
): boolean {
  if (flashReach === null || distanceM === null) return false;
  const n = fNumber * (1 + magnificationOf(focalLengthMm, distanceM));
  return n * distanceM <= flashReach * TOLERATED_F_NUMBER;
}

/** Whether the body focuses at the widest f-number there. */
export function focusesBySelf({ autofocusFNumber }: Demand, widestFNumber: number): boolean {
  return autofocusFNumber === null || widestFNumber <= autofocusFNumber * TOLERATED_F_NUMBER;
}

/** Whether the lens stops down far enough for the depth. */
export function stopsDown(demand: Demand, fNumber: number): boolean {
  return demand.sharp === null || fNumber <= demand.sharp.smallestFNumber * TOLERATED_F_NUMBER;
}

/** Whether an f-number leaves the blur that is asked for. */
export function blurs(demand: Demand, fNumber: number, focalLengthMm: number, x: number): boolean {
  return fNumber <= blurFNumber(demand, focalLengthMm, x) * TOLERATED_F_NUMBER;
}
