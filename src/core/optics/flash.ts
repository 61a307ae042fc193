const BASE_ISO = 100;

/**
 * Largest f-number that a flash exposes at a distance: GN · √(ISO/100) / distance.
 *
 * Source: guide number as in ISO 1230 (from memory), stated in metres at ISO 100; bare flash in an
 * ordinary room, no loss to diffusers.
 */
export function flashFNumber(guideNumberM: number, iso: number, distanceM: number): number {
  return (guideNumberM * Math.sqrt(iso / BASE_ISO)) / distanceM;
}
