/**
 * Light on level ground by the sun's altitude, clear sky.
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

/** Light of the full moon at its mean distance, by its altitude; nothing comes from lower down. Source: the same. */
const MOON_BANDS = [
  { fromDeg: 20, cubic: [-1.95, 4.06, -4.24, 1.56] },
  { fromDeg: 5, cubic: [-2.58, 12.58, -42.58, 59.06] },
  { fromDeg: -0.8, cubic: [-2.79, 24.27, -252.95, 1321.29] },
] as const;

/** Mean distance of the moon, km. Source: handbook value, from memory. */
const MOON_MEAN_KM = 384_400;

/** Where the moon stands, and how much of it is lit. */
export interface Moon {
  /** True altitude of its middle, degrees. */
  readonly altitudeDeg: number;
  /** Angle from the sun as seen from the earth, degrees: 0 new, 180 full. */
  readonly elongationDeg: number;
  readonly distanceKm: number;
}

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

function luxByAltitude(bands: typeof BANDS | typeof MOON_BANDS, altitudeDeg: number): number {
  const band = bands.find((b) => altitudeDeg >= b.fromDeg);
  if (!band) return 0;
  const x = altitudeDeg / 90;
  const [a, b, c, d] = band.cubic;
  return 10 ** (a + b * x + c * x * x + d * x * x * x);
}

/**
 * Illuminance of the moon on level ground under a clear sky, lux.
 *
 * Source: USNO Circular 171, table and phase law recalled from memory; the distance by the inverse
 * square in place of its correction for parallax.
 */
export function moonIlluminanceLux({ altitudeDeg, elongationDeg, distanceKm }: Moon): number {
  const e = (elongationDeg * Math.PI) / 180;
  if (e <= 0) return 0;
  const lit =
    0.892 * Math.exp(-3.343 / Math.tan(Math.min(e, Math.PI - 1e-9) / 2) ** 0.632) +
    0.0344 * (Math.sin(e) - e * Math.cos(e));
  return luxByAltitude(MOON_BANDS, altitudeDeg) * lit * (MOON_MEAN_KM / distanceKm) ** 2;
}

/**
 * Illuminance on level ground, lux: sun, moon and, where neither is brighter, the stars.
 *
 * @param sunAltitudeDeg true altitude of the sun's middle, degrees, -90 to 90
 * @param moon null to leave it out
 */
export function skyIlluminanceLux(
  sunAltitudeDeg: number,
  sky: Sky = 'clear',
  moon: Moon | null = null,
): number {
  const sun = Math.max(luxByAltitude(BANDS, sunAltitudeDeg), STARLIGHT_LUX);
  return (sun + (moon ? moonIlluminanceLux(moon) : 0)) / SKY_DIVISORS[sky];
}
