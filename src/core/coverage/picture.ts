import { type Frame, framings, type Limits, needAxis, pictureSensor } from '@/core/brief';
import type { Setup } from '@/core/gear';
import {
  blurDiscMm,
  lengthPerDistance,
  objectDistanceMm,
  type SensorSize,
  sideMm,
  tightness,
  turned,
} from '@/core/optics';
import { demandOf } from './demand';
import { EVERYTHING, taskOf } from './coveredRange';
import { type Margins, marginsAt, megapixels } from './margins';
import { shortage } from './shortages';
import { magnificationOf } from './spot';
import { MM_PER_M } from '@/core/units';

/** Two sides of something seen: metres at the subject, or lengths per unit of distance at infinity. */
export interface PictureSides {
  readonly width: number;
  readonly height: number;
}

/** What one setup takes in at one focal length, of what lies at the subject. */
export interface Picture {
  readonly focalMm: number;
  /** Widest f-number there. */
  readonly fNumber: number;
  readonly sides: PictureSides;
  /** Share of the tighter side that the subject takes; null where no subject is given. */
  readonly fill: number | null;
  /** Disc that a point behind the subject becomes, percent of the diagonal; null at infinity. */
  readonly blurPercent: number | null;
  /** Megapixels of the whole picture; null when the body's pixels are not known. */
  readonly megapixels: number | null;
}

/** The margins of a setup at any place of a frame, held the better way round. */
export function marginsOf(setup: Setup, frame: Frame, limits: Limits, x: number): Margins {
  const axis = needAxis(frame.need);
  const demand = demandOf(setup, frame, limits);
  const ways = framings(frame, setup.sensor, limits);
  return ways
    .map((way) => marginsAt(setup, taskOf(axis, way, demand, 1, EVERYTHING), x))
    .reduce((a, b) => (shortage(b) < shortage(a) ? b : a));
}

/**
 * What a setup takes in: sensor side / m at a distance, sensor side / f at infinity (thin lens,
 * distance from the sensor; straight-line projection).
 *
 * @param distanceM from the sensor; null far away
 * @param crop linear crop of the picture, >= 1
 */
export function pictureOf(
  setup: Setup,
  { need, depth, output }: Pick<Frame, 'need' | 'depth' | 'output'>,
  orientation: Margins['orientation'],
  focalMm: number,
  distanceM: number | null,
  crop = 1,
): Picture {
  const shape = pictureSensor(setup.sensor, output);
  const sensor = orientation === 'portrait' ? turned(shape) : shape;
  const m = magnificationOf(focalMm, distanceM);
  const perMm = distanceM === null ? 1 / focalMm : 1 / (m * MM_PER_M);
  const sides = {
    width: (sensor.widthMm * perMm) / crop,
    height: (sensor.heightMm * perMm) / crop,
  };
  const fNumber = setup.fNumberAt(focalMm);
  const subject = subjectSides(need);
  return {
    focalMm,
    fNumber,
    sides,
    fill: subject && fillOf(subject, sides),
    blurPercent:
      distanceM === null
        ? null
        : blurPercent(shape, focalMm, fNumber, distanceM, depth.blur?.behindM ?? Infinity) * crop,
    megapixels: megapixels(
      setup.pixels && {
        longPx: (setup.pixels.longPx * shape.widthMm) / setup.sensor.widthMm,
        shortPx: (setup.pixels.shortPx * shape.heightMm) / setup.sensor.heightMm,
      },
      crop,
    ),
  };
}

/** The subject's sides as given, `null` for one that does not matter; null where none is given. */
export function subjectSides(
  need: Frame['need'],
): { readonly width: number | null; readonly height: number | null } | null {
  const inTheFar = (deg: number | null) => (deg === null ? null : lengthPerDistance(deg));
  if (need.kind === 'subject') return { width: need.widthM, height: need.heightM };
  return need.kind === 'far'
    ? { width: inTheFar(need.widthDeg), height: inTheFar(need.heightDeg) }
    : null;
}

function fillOf(
  subject: { width: number | null; height: number | null },
  sides: PictureSides,
): number {
  return tightness(subject, { widthMm: sides.width, heightMm: sides.height });
}

function blurPercent(
  sensor: SensorSize,
  focalMm: number,
  fNumber: number,
  distanceM: number,
  behindM: number,
): number {
  const subject = objectDistanceMm(distanceM * MM_PER_M, magnificationOf(focalMm, distanceM));
  const disc = blurDiscMm(focalMm, fNumber, subject, subject + behindM * MM_PER_M);
  return (100 * disc) / sideMm(sensor, 'diagonal');
}
