import { effectiveFNumber, fNumberForBlur, fNumberForDepth, requiredTimeS } from '@/core/optics';
import { type Demand, LIGHT_TOLERANCE_STOPS, type LightDemand } from './demand';
import { fromLensMm, type Spot, subjectFromLensMm } from './spot';
import { MM_PER_M } from '@/core/units';

const TOLERATED = 2 ** LIGHT_TOLERANCE_STOPS;
/** An f-number may be off by this share: the tolerated stops, as a quotient of f-numbers. */
const TOLERATED_F_NUMBER = Math.sqrt(TOLERATED);

/** What rules the exposure time. */
export type TimeRule = 'given' | 'hand' | 'movement' | 'stars';

/** Longest time, s, that each rule allows at a spot. */
export function timesAt(
  light: LightDemand,
  { focalMm, magnification, crop }: Pick<Spot, 'focalMm' | 'magnification' | 'crop'>,
): Readonly<Record<TimeRule, number>> {
  return {
    given: light.givenS,
    hand: light.handheldSMm / (focalMm * crop),
    stars: light.starsSMm / focalMm,
    movement: light.movementS(magnification, crop),
  };
}

/** Longest time, s, at a spot, and what rules it. */
export function longestTime(
  light: LightDemand,
  spot: Pick<Spot, 'focalMm' | 'magnification' | 'crop'>,
): { readonly timeS: number; readonly rule: TimeRule } {
  const times = Object.entries(timesAt(light, spot)) as [TimeRule, number][];
  const [rule, timeS] = times.reduce((a, b) => (b[1] < a[1] ? b : a));
  return { rule, timeS };
}

/** The exposure time used: as long as may be; where any may be, as long as light and movement ask. */
export function timeUsed(
  light: LightDemand,
  longestS: number,
  fNumber: number,
  magnification: number,
): number {
  if (Number.isFinite(longestS)) return longestS;
  const n = effectiveFNumber(fNumber, magnification);
  return Math.max(light.shortestS, requiredTimeS(light.ev100, n, light.iso));
}

/** Circle of confusion on the part of the sensor that is used, mm. */
export function cocAt({ sharp }: Demand, { crop }: Spot): number {
  return sharp === null ? 0 : sharp.cocMm / (sharp.shrinks ? crop : 1);
}

/** The zone that must be sharp, mm from the lens. */
export function zoneAt(
  demand: Demand,
  spot: Spot,
): { readonly nearMm: number; readonly farMm: number } {
  const zone = demand.sharp?.zone(spot.x) ?? { nearM: 0, farM: 0 };
  return {
    nearMm: fromLensMm(spot, zone.nearM),
    farMm: zone.farM === Infinity ? Infinity : fromLensMm(spot, zone.farM),
  };
}

/** Smallest f-number that makes the depth sharp; 0 when no depth is asked for. */
export function sharpFNumber(demand: Demand, spot: Spot): number {
  if (demand.sharp === null) return 0;
  const { nearMm, farMm } = zoneAt(demand, spot);
  return fNumberForDepth(spot.focalMm, cocAt(demand, spot), nearMm, farMm);
}

/** Largest f-number that still blurs what is behind; Infinity when no blur is asked for. */
export function blurFNumber({ blur }: Demand, spot: Spot): number {
  if (blur === null) return Infinity;
  const subject = subjectFromLensMm(spot);
  const point = subject + blur.behindM * MM_PER_M;
  return fNumberForBlur(spot.focalMm, subject, point, blur.discMm / spot.crop);
}

/** How much brighter, as a quotient, an f-number and time expose than the light asks; 1 is just enough. */
export function exposureRatio(
  light: LightDemand,
  fNumber: number,
  timeS: number,
  magnification: number,
): number {
  return (timeS * light.luminousness) / effectiveFNumber(fNumber, magnification) ** 2;
}

/** The same for a flash: by the square of its reach over f-number and distance; 0 without one. */
export function flashRatio(
  { flashReach }: LightDemand,
  fNumber: number,
  { distanceM, magnification }: Pick<Spot, 'distanceM' | 'magnification'>,
): number {
  if (flashReach === null || distanceM === null) return 0;
  return (flashReach / (effectiveFNumber(fNumber, magnification) * distanceM)) ** 2;
}

/** Whether an exposure ratio is enough, a tenth of a stop tolerated. */
export function isEnough(ratio: number): boolean {
  return ratio * TOLERATED >= 1;
}

/** Whether an f-number is no larger than another, half the tolerated stops aside. */
export function isNoSlower(fNumber: number, than: number): boolean {
  return fNumber <= than * TOLERATED_F_NUMBER;
}
