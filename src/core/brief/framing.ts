import {
  FULL_FRAME,
  inscribedAspect,
  LIFE_SIZE_SLOPE,
  lengthPerDistance,
  magnificationAt,
  type SensorSize,
  sideMm,
  slopeOfMagnification,
  tightness,
  turned,
} from '@/core/optics';
import { clearlyBelow, type Interval } from '@/core/intervals';
import type { Frame, Need, Orientation, Output } from './frame';
import type { Limits } from './limits';
import { MM_PER_M } from '@/core/units';

/**
 * One way to frame a need on one sensor, along the need's own axis x: the focal lengths that frame
 * it at x are those between `slopeMin(crop) · x` and `slopeMax · x`, in mm.
 */
export interface Framing {
  readonly orientation: Exclude<Orientation, 'either'>;
  readonly slopeMax: number;
  readonly slopeMin: (crop: number) => number;
  /** Linear crop that makes up the framing at x with a focal length; below 1 when none is needed. */
  readonly cropAt: (x: number, focalLengthMm: number) => number;
  /** Magnifications that frame a subject at a distance; null at infinity. */
  readonly magnifications: (
    crop: number,
  ) => { readonly least: number; readonly most: number } | null;
  /** How far the slopes go beyond what was asked: 1.02 for a tolerance of 2 %, else 1. */
  readonly tolerance: number;
}

/**
 * The axis along which a need must be met.
 *
 * distance: metres from the sensor; focal: focal length on the 36×24 mm frame by `side`, mm;
 * far: a single place.
 */
export interface NeedAxis {
  readonly kind: 'distance' | 'focal' | 'far';
  readonly range: Interval;
  /** Where a need given as a range stands, m from the sensor; null for far away. */
  readonly atM: number | null;
}

/** How a place on an axis is given: metres from the sensor, or mm on the 36×24 mm frame. */
export type PositionUnit = 'm' | 'mm36x24' | 'far';

const UNITS: Readonly<Record<NeedAxis['kind'], PositionUnit>> = {
  distance: 'm',
  focal: 'mm36x24',
  far: 'far',
};

export function positionUnit({ kind }: Pick<NeedAxis, 'kind'>): PositionUnit {
  return UNITS[kind];
}

/** Metres from the sensor to the subject at a place of an axis; null for far away. */
export function distanceAt({ kind, atM }: NeedAxis, x: number): number | null {
  return kind === 'distance' ? x : atM;
}

export function needAxis(need: Need): NeedAxis {
  switch (need.kind) {
    case 'subject':
      return { kind: 'distance', range: rangeOf(need.fromM, need.toM), atM: null };
    case 'far':
    case 'fisheye':
      return { kind: 'far', range: { from: 1, to: 1 }, atM: null };
    case 'focal':
      return { kind: 'focal', range: rangeOf(need.fromMm, need.toMm), atM: need.atM };
    case 'angle': {
      const length = sideMm(FULL_FRAME, need.across);
      return {
        kind: 'focal',
        range: rangeOf(
          length / lengthPerDistance(need.fromDeg),
          length / lengthPerDistance(need.toDeg),
        ),
        atM: need.atM,
      };
    }
  }
}

/** A range whose ends differ by rounding alone is one place. */
function rangeOf(from: number, to: number): Interval {
  return clearlyBelow(from, to) ? { from, to } : { from, to: from };
}

/** The part of a sensor that a picture of the output's shape is cut from: the largest such rectangle. */
export function pictureSensor(sensor: SensorSize, output: Output): SensorSize {
  if (output.kind === 'uncropped' || !output.cut) return sensor;
  const [one, other] =
    output.kind === 'pixels' ? [output.longPx, output.shortPx] : [output.longMm, output.shortMm];
  return inscribedAspect(sensor, Math.max(one, other) / Math.min(one, other));
}

/**
 * The ways in which a frame can be framed on a sensor, by its actual width and height.
 *
 * A subject with fill a–b and tightness q needs a magnification in [a/q, b/q]; at a distance D from the
 * sensor that is a focal length D·m/(1 + m)². A crop c shrinks the sensor, so a/(c·q) is then enough;
 * a magnification asked for on the sensor is not helped by cropping. A fisheye's picture sets no
 * bound here: its coverage is looked at as a whole. Fill is measured on the shape of the output.
 */
export function framings(
  { need, special, output }: Pick<Frame, 'need' | 'special' | 'output'>,
  sensor: SensorSize,
  { needTolerancePercent }: Pick<Limits, 'needTolerancePercent'>,
): Framing[] {
  if (need.kind === 'fisheye') return [ANY_FRAMING];
  if (need.kind === 'focal' || need.kind === 'angle') {
    const side = need.kind === 'angle' ? need.across : 'diagonal';
    const slope = sideMm(sensor, side) / sideMm(FULL_FRAME, side);
    const tolerance = 1 + needTolerancePercent / 100;
    return [
      {
        orientation: 'landscape',
        slopeMax: slope * tolerance,
        slopeMin: (crop) => slope / tolerance / crop,
        cropAt: (x, focalLengthMm) => ((slope / tolerance) * x) / focalLengthMm,
        magnifications: () => null,
        tolerance,
      },
    ];
  }
  const shape = pictureSensor(sensor, output);
  const sides: Framing['orientation'][] =
    need.orientation === 'either' ? ['landscape', 'portrait'] : [need.orientation];
  return sides.map((orientation) => {
    const q = tightness(subjectSize(need), orientation === 'portrait' ? turned(shape) : shape);
    const { min, max } = need.fill;
    return need.kind === 'far'
      ? {
          orientation,
          slopeMax: max / q,
          slopeMin: (crop) => min / (crop * q),
          cropAt: (x, focalLengthMm) => ((min / q) * x) / focalLengthMm,
          magnifications: () => null,
          tolerance: 1,
        }
      : subjectFraming(orientation, min / q, max / q, special.magnification ?? 0);
  });
}

function subjectFraming(
  orientation: Framing['orientation'],
  loosest: number,
  fullest: number,
  leastMagnification: number,
): Framing {
  const least = (crop: number) => Math.max(loosest / crop, leastMagnification);
  return {
    orientation,
    slopeMax: MM_PER_M * slopeOfMagnification(fullest),
    slopeMin: (crop) => MM_PER_M * slopeOfMagnification(least(crop)),
    cropAt: (x, focalLengthMm) => loosest / magnificationOn(focalLengthMm, x, fullest),
    magnifications: (crop) => ({ least: least(crop), most: fullest }),
    tolerance: 1,
  };
}

/** A thin lens tells magnifications up to life size; beyond it the picture is as full as may be. */
function magnificationOn(focalLengthMm: number, distanceM: number, fullest: number): number {
  const isBeyond = focalLengthMm >= LIFE_SIZE_SLOPE * MM_PER_M * distanceM;
  return isBeyond ? Math.max(1, fullest) : magnificationAt(focalLengthMm, distanceM * MM_PER_M);
}

const ANY_FRAMING: Framing = {
  orientation: 'landscape',
  slopeMax: Infinity,
  slopeMin: () => 0,
  cropAt: () => 1,
  magnifications: () => null,
  tolerance: 1,
};

/** Subject in mm at a distance, or, at infinity, in lengths per unit of distance. */
function subjectSize(need: Extract<Need, { kind: 'subject' | 'far' }>) {
  return need.kind === 'subject'
    ? {
        width: need.widthM === null ? null : need.widthM * MM_PER_M,
        height: need.heightM === null ? null : need.heightM * MM_PER_M,
      }
    : {
        width: need.widthDeg === null ? null : lengthPerDistance(need.widthDeg),
        height: need.heightDeg === null ? null : lengthPerDistance(need.heightDeg),
      };
}
