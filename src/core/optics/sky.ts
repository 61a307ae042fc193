/**
 * Light on level ground by the sun's altitude, clear sky, without the moon.
 *
 * Source: P. M. Janiczek and J. A. DeYoung, Computer Programs for Sun and Moon Illuminance, US
 * Naval Observatory Circular 171 (1987), recalled from memory: log10(lux) as a cubic of
 * altitude / 90°, in bands. Stated there as good to about a tenth in daylight and a third of a
 * decade in deep twilight.
 */
const BANDS = [
  { fromDeg: 20, cubic: [3.74, 3.97, -4.07, 1.47] },
  { fromDeg: 5, cubic: [3.05, 13.28, -45.98, 64.33] },
  { fromDeg: -0.8, cubic: [2.88, 22.26, -207.64, 1034.3] },
  { fromDeg: -5, cubic: [2.88, 21.81, -258.11, -858.36] },
  { fromDeg: -12, cubic: [2.7, 12.17, -431.69, -1899.83] },
  { fromDeg: -18, cubic: [13.84, 262.72, 1447.42, 2797.93] },
] as const;

/** Starlight and airglow: the model's value at the end of astronomical twilight, lux. */
const STARLIGHT_LUX = 6.5e-4;

/** What clouds divide the light by. Source: USNO Circular 171, sky conditions, from memory. */
export const SKY_DIVISORS = { clear: 1, thinCloud: 2, cloudy: 3, darkOvercast: 10 } as const;
export type Sky = keyof typeof SKY_DIVISORS;

export type DayPhase =
  'day' | 'goldenHour' | 'civilTwilight' | 'nauticalTwilight' | 'astronomicalTwilight' | 'night';

/**
 * Phases by the altitude of the sun's middle, degrees. Twilights: usual astronomical definitions;
 * golden hour below 6°: common practice, no source.
 */
const PHASES: readonly { readonly fromDeg: number; readonly phase: DayPhase }[] = [
  { fromDeg: 6, phase: 'day' },
  { fromDeg: -0.833, phase: 'goldenHour' },
  { fromDeg: -6, phase: 'civilTwilight' },
  { fromDeg: -12, phase: 'nauticalTwilight' },
  { fromDeg: -18, phase: 'astronomicalTwilight' },
];

export function dayPhase(sunAltitudeDeg: number): DayPhase {
  return PHASES.find((p) => sunAltitudeDeg >= p.fromDeg)?.phase ?? 'night';
}

/**
 * Illuminance on level ground, lux.
 *
 * @param sunAltitudeDeg true altitude of the sun's middle, degrees, -90 to 90
 */
export function skyIlluminanceLux(sunAltitudeDeg: number, sky: Sky = 'clear'): number {
  const band = BANDS.find((b) => sunAltitudeDeg >= b.fromDeg);
  const x = sunAltitudeDeg / 90;
  const [a, b, c, d] = band?.cubic ?? [Math.log10(STARLIGHT_LUX), 0, 0, 0];
  const lux = 10 ** (a + b * x + c * x * x + d * x * x * x);
  return Math.max(lux, STARLIGHT_LUX) / SKY_DIVISORS[sky];
}
