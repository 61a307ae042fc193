/**
 * Exposure by the APEX relations, exact numbers throughout (marked values taken as they are).
 *
 * Source: N²/t = E·S/C (ISO 2720:1974, from memory), C = 250 (flat receptor).
 */
const LUX_CALIBRATION_C = 250;
const BASE_ISO = 100;

export interface ExposureSetting {
  readonly fNumber: number;
  readonly timeS: number;
  readonly iso: number;
}

/** The scene's EV at ISO 100 that the settings expose for. */
export function ev100Of(setting: ExposureSetting): number {
  const { fNumber, timeS, iso } = setting;
  return Math.log2((fNumber * fNumber) / timeS) - Math.log2(iso / BASE_ISO);
}

/** Largest f-number that still exposes: N = √(t · 2^EV100 · ISO / 100). */
export function slowestFNumber(ev100: number, timeS: number, iso: number): number {
  return Math.sqrt((timeS * 2 ** ev100 * iso) / BASE_ISO);
}

/** ISO that exposes with this f-number and time; exact, not rounded to the ISO series. */
export function requiredIso(ev100: number, fNumber: number, timeS: number): number {
  return (BASE_ISO * fNumber * fNumber) / (timeS * 2 ** ev100);
}

/** Exposure time that exposes, s; no reciprocity failure. */
export function requiredTimeS(ev100: number, fNumber: number, iso: number): number {
  return (BASE_ISO * fNumber * fNumber) / (iso * 2 ** ev100);
}

/** EV at ISO 100 of an incident illuminance in lux. */
export function ev100FromLux(illuminanceLux: number): number {
  return Math.log2((illuminanceLux * BASE_ISO) / LUX_CALIBRATION_C);
}

/** Effective f-number at a magnification, N·(1 + m); pupil magnification 1. */
export function effectiveFNumber(fNumber: number, magnification: number): number {
  return fNumber * (1 + magnification);
}
