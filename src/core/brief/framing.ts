import {
  FULL_FRAME,
  lengthPerDistance,
  magnificationAt,
  type SensorSize,
  sideMm,
  tightness,
  turned,
} from '@/core/optics';
import { clearlyBelow, type Interval } from '@/core/intervals';
import type { Need, Orientation } from './frame';

const MM_PER_M = 1000;

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
}

/**
 * The axis along which a need must be met.
 *
 * distance: metres from the lens; focal: focal length on the 36×24 mm frame by `side`, mm;
 * far: a single place.
 */
export interface NeedAxis {
  readonly kind: 'distance' | 'focal' | 'far';
  readonly range: Interval;
}

/** How a place on an axis is given: metres from the lens, or mm on the 36×24 mm frame. */
export type PlaceUnit = 'm' | 'mm36x24' | 'far';

const UNITS: Readonly<Record<NeedAxis['kind'], PlaceUnit>> = {
  distance: 'm',
  focal: 'mm36x24',
  far: 'far',
};

export function placeUnit({ kind }: Pick<NeedAxis, 'kind'>): PlaceUnit {
  return UNITS[kind];
}

export function needAxis(need: Need): NeedAxis {
  switch (need.kind) {
    case 'subject':
      return { kind: 'distance', range: rangeOf(need.fromM, need.toM) };
    case 'far':
    case 'fisheye':
      return { kind: 'far', range: { from: 1, to: 1 } };
    case 'focal':
      return { kind: 'focal', range: rangeOf(need.fromMm, need.toMm) };
    case 'angle': {
      const length = sideMm(FULL_FRAME, need.across);
      return {
        kind: 'focal',
        range: rangeOf(
          length / lengthPerDistance(need.fromDeg),
          length / lengthPerDistance(need.toDeg),
        ),
      };
    }
  }
}

/** A range whose ends differ by rounding alone is one place. */
function rangeOf(from: number, to: number): Interval {
  return clearlyBelow(from, to) ? { from, to } : { from, to: from };
}

/**
 * The ways in which a need can be framed on a sensor, by its actual width and height.
 *
 * A subject with fill a–b and tightness q needs a magnification in [a/q, b/q]; at s from the lens
 * that is a focal length s·m/(1 + m). A crop c shrinks the sensor, so a/(c·q) is then enough; a
 * magnification asked for on the sensor is not helped by cropping. A fisheye's picture sets no
 * bound here: its coverage is looked at as a whole.
 */
export function framings(
  need: Need,
  sensor: SensorSize,
  leastMagnification: number | null = null,
): Framing[] {
  if (need.kind === 'fisheye') return [ANY_FRAMING];
  if (need.kind === 'focal' || need.kind === 'angle') {
    const side = need.kind === 'angle' ? need.across : 'diagonal';
    const slope = sideMm(sensor, side) / sideMm(FULL_FRAME, side);
    return [
      {
        orientation: 'landscape',
        slopeMax: slope,
        slopeMin: (crop) => slope / crop,
        cropAt: (x, focalLengthMm) => (slope * x) / focalLengthMm,
      },
    ];
  }
  const sides: Framing['orientation'][] =
    need.orientation === 'either' ? ['landscape', 'portrait'] : [need.orientation];
  return sides.map((orientation) => {
    const q = tightness(subjectSize(need), orientation === 'portrait' ? turned(sensor) : sensor);
    const { min, max } = need.fill;
    return need.kind === 'far'
      ? {
          orientation,
          slopeMax: max / q,
          slopeMin: (crop) => min / (crop * q),
          cropAt: (x, focalLengthMm) => ((min / q) * x) / focalLengthMm,
        }
      : {
          orientation,
          slopeMax: distanceSlope(max / q),
          slopeMin: (crop) => distanceSlope(Math.max(min / (crop * q), leastMagnification ?? 0)),
          cropAt: (x, focalLengthMm) => min / q / magnificationAt(focalLengthMm, x * MM_PER_M),
        };
  });
}

const ANY_FRAMING: Framing = {
  orientation: 'landscape',
  slopeMax: Infinity,
  slopeMin: () => 0,
  cropAt: () => 1,
};

/** Focal length in mm per metre of distance at a magnification. */
function distanceSlope(magnification: number): number {
  return (MM_PER_M * magnification) / (1 + magnification);
}

/** Subject in mm at a distance, or, in the far, in lengths per unit of distance. */
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
