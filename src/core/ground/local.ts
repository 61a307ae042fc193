import type { Ground, Point } from './ground';

/** A place on Earth, degrees: WGS 84. */
export interface Place {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
}

/** Half the long axis of the Earth, m, and how much it is flattened. Source: WGS 84. */
const EQUATOR_M = 6_378_137;
const FLATTENING = 1 / 298.257223563;
const DEGREES = 180 / Math.PI;

/** Metres a degree of latitude and of longitude at a latitude, by the radii of curvature there. */
function degreesM(latitudeDeg: number): {
  readonly latitudeM: number;
  readonly longitudeM: number;
} {
  const sine = Math.sin(latitudeDeg / DEGREES);
  const eccentricity2 = FLATTENING * (2 - FLATTENING);
  const root = Math.sqrt(1 - eccentricity2 * sine * sine);
  return {
    latitudeM: (EQUATOR_M * (1 - eccentricity2)) / root ** 3 / DEGREES,
    longitudeM: ((EQUATOR_M / root) * Math.cos(latitudeDeg / DEGREES)) / DEGREES,
  };
}

type Located = Pick<Ground, 'widthM' | 'heightM' | 'northDeg'> & { readonly location: Place };

/**
 * The place on Earth of a point of a plan, whose middle lies at its location: the ground is taken as flat
 * there. At 5 km from the middle it is off by less than 5 m up to 60° of latitude.
 */
export function placeOn(plan: Located, { xM, yM }: Point): Place {
  const { latitudeM, longitudeM } = degreesM(plan.location.latitudeDeg);
  const [x, y] = [xM - plan.widthM / 2, yM - plan.heightM / 2];
  const turn = plan.northDeg / DEGREES;
  const north = x * Math.sin(turn) + y * Math.cos(turn);
  const east = x * Math.cos(turn) - y * Math.sin(turn);
  return {
    latitudeDeg: plan.location.latitudeDeg + north / latitudeM,
    longitudeDeg: plan.location.longitudeDeg + east / longitudeM,
  };
}

/** The point of a plan of a place on Earth: the way back. */
export function pointOn(plan: Located, { latitudeDeg, longitudeDeg }: Place): Point {
  const { latitudeM, longitudeM } = degreesM(plan.location.latitudeDeg);
  const north = (latitudeDeg - plan.location.latitudeDeg) * latitudeM;
  const east = (longitudeDeg - plan.location.longitudeDeg) * longitudeM;
  const turn = plan.northDeg / DEGREES;
  return {
    xM: plan.widthM / 2 + north * Math.sin(turn) + east * Math.cos(turn),
    yM: plan.heightM / 2 + north * Math.cos(turn) - east * Math.sin(turn),
  };
}
