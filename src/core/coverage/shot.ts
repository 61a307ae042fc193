import { type Frame, type Limits, needAxis } from '@/core/brief';
import type { Setup } from '@/core/gear';
import { blurDiscMm, objectDistanceMm, type SensorSize, sideMm } from '@/core/optics';
import { demandOf, LIGHT_TOLERANCE_STOPS } from './demand';
import type { Margins } from './margins';
import { marginsOf, type Picture, pictureOf } from './picture';
import { magnificationOf } from './spot';
import { MM_PER_M } from '@/core/units';

/** How long the picture is exposed, and what moves meanwhile. */
export interface ShotExposure {
  readonly timeS: number;
  readonly iso: number;
  /** By so many stops the time is longer than the picture allows; 0 for none. */
  readonly slowStops: number;
  /** Way of the subject meanwhile, as a share of the picture's width. */
  readonly smear: number;
}

/** A frame as one setup takes it from one place: what its drawing is made from. */
export interface Shot {
  readonly picture: Picture;
  readonly margins: Margins;
  /** From the sensor, m; null far away. */
  readonly distanceM: number | null;
  /** f-number that it is taken at: the widest, or what the depth wanted asks for. */
  readonly fNumber: number;
  /** Disc that a point halfway to the subject becomes, percent of the diagonal; null at infinity. */
  readonly nearBlurPercent: number | null;
  /** The same for a point at infinity. */
  readonly farBlurPercent: number | null;
  /** null where light sets no demand. */
  readonly exposure: ShotExposure | null;
}

/**
 * What a frame looks like through a setup at a place of its axis, held the better way round and cropped
 * as far as it has to be.
 *
 * @param at on the need's axis: metres, or mm on the 36×24 mm frame
 * @param focalMm on the lens; what frames it best when left out
 */
export function shotOf(
  setup: Setup,
  frame: Frame,
  limits: Limits,
  at: number,
  focalMm?: number,
): Shot {
  const margins = marginsOf(setup, frame, limits, at);
  const distanceM = needAxis(frame.need).kind === 'distance' ? at : null;
  const focal = focalMm ?? margins.focalUsedMm;
  const crop = focalMm === undefined ? margins.crop : 1;
  const picture = pictureOf(setup, frame, margins.orientation, focal, distanceM, crop);
  const fNumber = Math.max(setup.fNumberAt(focal), margins.sharp?.fNumberNeeded ?? 0);
  const disc = (pointM: number) =>
    distanceM === null ? null : crop * discPercent(setup.sensor, focal, fNumber, distanceM, pointM);
  return {
    picture,
    margins,
    distanceM,
    fNumber,
    nearBlurPercent: distanceM === null ? null : disc(distanceM / 2),
    farBlurPercent: disc(Infinity),
    exposure: exposureOf(setup, frame, limits, { focal, fNumber, distanceM, picture }),
  };
}

/** Disc of a point at a distance from the camera, percent of the sensor's diagonal. */
function discPercent(
  sensor: SensorSize,
  focalMm: number,
  fNumber: number,
  distanceM: number,
  pointM: number,
): number {
  const subject = objectDistanceMm(distanceM * MM_PER_M, magnificationOf(focalMm, distanceM));
  const disc = blurDiscMm(focalMm, fNumber, subject, pointM * MM_PER_M);
  return (100 * disc) / sideMm(sensor, 'diagonal');
}

interface Taken {
  readonly focal: number;
  readonly fNumber: number;
  readonly distanceM: number | null;
  readonly picture: Picture;
}

/** The time that exposes at the ISO ceiling, no longer than it has to be and no shorter than allowed. */
function exposureOf(
  setup: Setup,
  frame: Frame,
  limits: Limits,
  { focal, fNumber, distanceM, picture }: Taken,
): ShotExposure | null {
  const { light } = demandOf(setup, frame, limits);
  if (light === null) return null;
  const m = magnificationOf(focal, distanceM);
  const neededS = (fNumber * (1 + m)) ** 2 / light.luminousness;
  const allowedS = Math.min(
    light.givenS,
    light.handheldSMm / focal,
    light.starsSMm / focal,
    light.movementS(m, 1),
  );
  const isFlashed =
    light.flashReach !== null &&
    distanceM !== null &&
    fNumber * (1 + m) * distanceM <= light.flashReach;
  const timeS = isFlashed
    ? Math.min(neededS, allowedS)
    : Math.max(neededS, Math.min(allowedS, light.shortestS));
  const slow = Math.log2(timeS / allowedS);
  return {
    timeS,
    iso: light.iso,
    slowStops: slow > LIGHT_TOLERANCE_STOPS ? slow : 0,
    smear: isFlashed ? 0 : wayM(frame, timeS) / picture.sides.width,
  };
}

/** How far the subject goes across in a time, m; what comes towards the camera only grows. */
function wayM({ light: { movement } }: Frame, timeS: number): number {
  if (movement === null) return 0;
  const share = { across: 1, diagonal: Math.SQRT1_2, toward: 0 }[movement.direction];
  return movement.speedMps * share * timeS;
}
