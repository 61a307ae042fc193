import { type Frame, framings, type Limits, needAxis } from '@/core/brief';
import type { Setup } from '@/core/gear';
import {
  blurDiscMm,
  fractionLeft,
  lengthPerDistance,
  type SensorSize,
  sideMm,
  tightness,
  turned,
} from '@/core/optics';
import { demandOf } from './demand';
import { magnificationOf } from './exposure';
import { type Margins, marginsAt } from './margins';
import { shortage } from './verdict';

const MM_PER_M = 1000;
const PIXELS_PER_MEGAPIXEL = 1e6;

/** Two sides of something seen: metres at the subject, or lengths per unit of distance in the far. */
export interface Sides {
  readonly width: number;
  readonly height: number;
}

/** What one setup takes in at one focal length, of what lies at the subject. */
export interface Picture {
  readonly focalMm: number;
  /** Widest f-number there. */
  readonly fNumber: number;
  readonly sides: Sides;
  /** Share of the tighter side that the subject takes; null where no subject is given. */
  readonly fill: number | null;
  /** Disc that a point behind the subject becomes, percent of the diagonal; null in the far. */
  readonly blurPercent: number | null;
  /** Megapixels of the whole picture; null when the body's pixels are not known. */
  readonly megapixels: number | null;
}

/** The margins of a setup at any place of a frame, held the better way round. */
export function marginsOf(setup: Setup, frame: Frame, limits: Limits, x: number): Margins {
  const axis = needAxis(frame.need);
  const demand = demandOf(setup, frame, limits);
  const ways = framings(frame.need, setup.sensor, frame.special.magnification);
  return ways
    .map((way) => marginsAt(setup, axis, way, demand, x))
    .reduce((a, b) => (shortage(b) < shortage(a) ? b : a));
}

/**
 * What a setup takes in: sensor side / m at a distance, sensor side / f in the far (thin lens,
 * distance from the lens; straight-line projection).
 *
 * @param distanceM from the lens; null in the far
 * @param crop linear crop of the picture, >= 1
 */
export function pictureOf(
  setup: Setup,
  { need, depth }: Pick<Frame, 'need' | 'depth'>,
  orientation: Margins['orientation'],
  focalMm: number,
  distanceM: number | null,
  crop = 1,
): Picture {
  const sensor = orientation === 'portrait' ? turned(setup.sensor) : setup.sensor;
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
      distanceM === null || !Number.isFinite(m)
        ? null
        : blurPercent(setup.sensor, focalMm, fNumber, distanceM, depth.blur?.behindM ?? Infinity) *
          crop,
    megapixels:
      setup.pixels &&
      ((setup.pixels.longPx * setup.pixels.shortPx) / PIXELS_PER_MEGAPIXEL) * fractionLeft(crop),
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

function fillOf(subject: { width: number | null; height: number | null }, sides: Sides): number {
  return tightness(subject, { widthMm: sides.width, heightMm: sides.height });
}

function blurPercent(
  sensor: SensorSize,
  focalMm: number,
  fNumber: number,
  distanceM: number,
  behindM: number,
): number {
  const disc = blurDiscMm(focalMm, fNumber, distanceM * MM_PER_M, (distanceM + behindM) * MM_PER_M);
  return (100 * disc) / sideMm(sensor, 'diagonal');
}
