import { MINUTE_MS } from '@/core/units';
import { sunPosition } from '@/core/brief';
import type { Ground, Point } from './ground';
import { flatM } from './plane';
import type { Screen } from './sight';

/** The sun over a plan: where it stands, and whether it is up. */
export interface SunOverPlan {
  readonly altitudeDeg: number;
  /** Degrees clockwise from north. */
  readonly azimuthDeg: number;
}

/** Whether light comes from behind the camera, from the side, or against it. */
export type LightFrom = 'front' | 'side' | 'back';

/** Within so many degrees of straight ahead or behind it counts as back or front light (common practice, no source). */
const STRAIGHT_DEG = 45;
const DEGREES = 180 / Math.PI;

/**
 * The sun at a time by the clock at a plan's location. Source: the astronomy-engine package.
 *
 * @param day yyyy-mm-dd
 * @param minutes after midnight by clocks there
 * @returns null where the location isn't known
 */
export function sunOver(
  { location }: Pick<Ground, 'location'>,
  day: string,
  minutes: number,
): SunOverPlan | null {
  if (location === null) return null;
  const { latitudeDeg, longitudeDeg, utcOffsetMin } = location;
  const midnight = Date.parse(`${day}T00:00:00Z`);
  const at = new Date(midnight + MINUTE_MS * (minutes - utcOffsetMin)).toISOString();
  return sunPosition(at, latitudeDeg, longitudeDeg);
}

/** The direction on the plan of an azimuth: a way of length 1. */
export function directionOf(azimuthDeg: number, northDeg: number): Point {
  const turn = (azimuthDeg + northDeg) / DEGREES;
  return { xM: Math.sin(turn), yM: Math.cos(turn) };
}

/** Where the light of the sun comes from for a picture taken from one place towards another. */
function lightFrom(
  from: Point,
  towards: Point,
  { azimuthDeg }: SunOverPlan,
  northDeg: number,
): LightFrom {
  const sun = directionOf(azimuthDeg, northDeg);
  const away = flatM(from, towards) || 1;
  const cosine = ((towards.xM - from.xM) * sun.xM + (towards.yM - from.yM) * sun.yM) / away;
  const ahead = Math.acos(Math.min(1, Math.max(-1, cosine))) * DEGREES;
  return ahead < STRAIGHT_DEG ? 'back' : ahead > 180 - STRAIGHT_DEG ? 'front' : 'side';
}

/** The sun at each minute of a run, the first and the last among them; null where the location isn't known. */
export function sunsOver(
  ground: Pick<Ground, 'location'>,
  day: string,
  fromMin: number,
  toMin: number,
): readonly SunOverPlan[] | null {
  const suns = Array.from({ length: toMin - fromMin + 1 }, (_, i) =>
    sunOver(ground, day, fromMin + i),
  );
  return suns.every((sun) => sun !== null) ? suns : null;
}

/** Where the light of a picture comes from, and since when: `after` the first of a run of suns. */
export interface LightSince {
  readonly after: number;
  readonly light: LightFrom | 'down';
}

/** How the light turns through a run of suns for a picture taken from one place towards another. */
export function lightThrough(
  suns: readonly SunOverPlan[],
  from: Point,
  towards: Point,
  northDeg: number,
): LightSince[] {
  const lights = suns.map((sun) =>
    sun.altitudeDeg < 0 ? 'down' : lightFrom(from, towards, sun, northDeg),
  );
  return lights.flatMap((light, after) => (light === lights[after - 1] ? [] : { after, light }));
}

/** Lower than this shadows are longer than any plan, degrees. */
const LEAST_ALTITUDE_DEG = 0.5;

/** The outline of a screen's shadow on the ground; null with the sun down. */
export function sunShadowOf(
  { from, to, topM }: Screen,
  { altitudeDeg, azimuthDeg }: SunOverPlan,
  northDeg: number,
): readonly Point[] | null {
  if (altitudeDeg < LEAST_ALTITUDE_DEG || topM <= 0) return null;
  const long = topM / Math.tan(altitudeDeg / DEGREES);
  const sun = directionOf(azimuthDeg, northDeg);
  const cast = (p: Point): Point => ({ xM: p.xM - long * sun.xM, yM: p.yM - long * sun.yM });
  return [from, to, cast(to), cast(from)];
}
