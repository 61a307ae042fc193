import { AngleFromSun, Body, Equator, Horizon, KM_PER_AU, Observer } from 'astronomy-engine';
import { type DayPhase, dayPhase, ev100FromLux, type Moon, skyIlluminanceLux } from '@/core/optics';
import { ev100AsGiven } from './givenLight';
import type { LightSource } from './light';

/** Where the sun stands, and the phase of the day. */
export interface SunPosition {
  /** True altitude of the sun's middle, degrees; refraction is left out. */
  readonly altitudeDeg: number;
  /** Degrees clockwise from north. */
  readonly azimuthDeg: number;
  readonly phase: DayPhase;
}

/** Where a body of the sky stands for an observer on the ground. Source: the astronomy-engine package. */
function placeOf(body: Body, at: Date, latitudeDeg: number, longitudeDeg: number) {
  const observer = new Observer(latitudeDeg, longitudeDeg, 0);
  const { ra, dec, dist } = Equator(body, at, observer, true, true);
  const { altitude, azimuth } = Horizon(at, observer, ra, dec);
  return { altitudeDeg: altitude, azimuthDeg: azimuth, distanceAu: dist };
}

/** Position of the sun at a moment and place. */
export function sunPosition(at: string, latitudeDeg: number, longitudeDeg: number): SunPosition {
  const { altitudeDeg, azimuthDeg } = placeOf(Body.Sun, new Date(at), latitudeDeg, longitudeDeg);
  return { altitudeDeg, azimuthDeg, phase: dayPhase(altitudeDeg) };
}

/** The moon at a moment and place. */
export function moonAt(at: string, latitudeDeg: number, longitudeDeg: number): Moon {
  const moment = new Date(at);
  const { altitudeDeg, distanceAu } = placeOf(Body.Moon, moment, latitudeDeg, longitudeDeg);
  return {
    altitudeDeg,
    elongationDeg: AngleFromSun(Body.Moon, moment),
    distanceKm: distanceAu * KM_PER_AU,
  };
}

/** By day the moon adds nothing that counts, and need not be looked for. */
const MOON_BELOW_SUN_DEG = 0;

/** The light of sun, moon and sky on level ground, lux. */
export function skyLightLux({
  at,
  latitudeDeg,
  longitudeDeg,
  sky,
}: Extract<LightSource, { kind: 'sun' }>): number {
  const { altitudeDeg } = sunPosition(at, latitudeDeg, longitudeDeg);
  const moon = altitudeDeg < MOON_BELOW_SUN_DEG ? moonAt(at, latitudeDeg, longitudeDeg) : null;
  return skyIlluminanceLux(altitudeDeg, sky, moon);
}

type SkySource = Extract<LightSource, { kind: 'sun' }>;

/** What is known of a source stays known for as long as it is there: every setup asks for it again. */
const EV100_OF_SKY = new WeakMap<SkySource, number>();

function ev100OfSky(source: SkySource): number {
  const ev100 = EV100_OF_SKY.get(source) ?? ev100FromLux(skyLightLux(source));
  EV100_OF_SKY.set(source, ev100);
  return ev100;
}

/** EV at ISO 100 of a light source; null where light sets no demand. */
export function ev100OfSource(source: LightSource): number | null {
  return source.kind === 'sun' ? ev100OfSky(source) : ev100AsGiven(source);
}
