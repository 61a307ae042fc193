import { getPosition } from 'suncalc';
import { type DayPhase, dayPhase, ev100FromLux, skyIlluminanceLux } from '@/core/optics';
import type { LightSource } from './light';
import { SCENES } from './scenes';

/** Where the sun stands, and the phase of the day. */
export interface SunPosition {
  /** True altitude of the sun's middle, degrees; refraction is left out. */
  readonly altitudeDeg: number;
  /** Degrees clockwise from north. */
  readonly azimuthDeg: number;
  readonly phase: DayPhase;
}

/** Position of the sun at a moment and place. Source: the suncalc package, good to a minute of arc. */
export function sunPosition(at: string, latitudeDeg: number, longitudeDeg: number): SunPosition {
  const { altitude, azimuth } = getPosition(new Date(at), latitudeDeg, longitudeDeg);
  const altitudeDeg = trueAltitudeDeg(altitude);
  return { altitudeDeg, azimuthDeg: azimuth, phase: dayPhase(altitudeDeg) };
}

/**
 * Takes the refraction out that the package puts in; below the horizon it adds that of the horizon.
 *
 * Source: J. Meeus, Astronomical Algorithms, formula 16.4, as the package has it.
 */
function trueAltitudeDeg(apparentDeg: number): number {
  const refraction = (h: number) => 1.02 / 60 / Math.tan(((h + 10.26 / (h + 5.1)) * Math.PI) / 180);
  let h = apparentDeg - refraction(0);
  for (let i = 0; h > 0 && i < 5; i += 1) h = apparentDeg - refraction(Math.max(0, h));
  return h;
}

/** EV at ISO 100 of a light source; null where light sets no demand. */
export function ev100OfSource(source: LightSource): number | null {
  switch (source.kind) {
    case 'none':
      return null;
    case 'ev':
      return source.ev100;
    case 'scene':
      return SCENES.find((s) => s.key === source.scene)?.ev100 ?? null;
    case 'lux':
      return ev100FromLux(source.lux);
    case 'sun': {
      const { altitudeDeg } = sunPosition(source.at, source.latitudeDeg, source.longitudeDeg);
      return ev100FromLux(skyIlluminanceLux(altitudeDeg, source.sky));
    }
  }
}
