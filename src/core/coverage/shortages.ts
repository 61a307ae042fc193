import { LIGHT_TOLERANCE_STOPS } from './demand';
import type { Margins } from './margins';

/** What a margin can lack. */
export type MeasuredLack =
  | 'not-long-enough'
  | 'not-wide-enough'
  | 'too-close'
  | 'too-deep'
  | 'autofocus-limit'
  | 'too-brief'
  | 'too-slow'
  | 'too-shallow';

/** Shortages up to this are rounding. */
const ROUNDING = 1e-9;
const TOLERATED: Readonly<Record<MeasuredLack, number>> = {
  'not-long-enough': ROUNDING,
  'not-wide-enough': ROUNDING,
  'too-close': ROUNDING,
  'too-brief': ROUNDING,
  'too-deep': LIGHT_TOLERANCE_STOPS,
  'autofocus-limit': LIGHT_TOLERANCE_STOPS,
  'too-slow': LIGHT_TOLERANCE_STOPS,
  'too-shallow': LIGHT_TOLERANCE_STOPS,
};

/**
 * Shortages of different kinds in one unit, stops: a doubling of focal length or of distance counts
 * two, since the crop that makes up for it leaves a quarter of the pixels. Only for choosing which place
 * and which way to report, never for deciding whether a frame is made. Negative is room to spare.
 */
export function shortagesOf(m: Margins): Readonly<Record<MeasuredLack, number>> {
  const { light, sharp, blur } = m;
  return {
    'not-wide-enough': 2 * Math.log2(widthShort(m)),
    'not-long-enough': 2 * Math.log2(lengthShort(m) / m.cropAllowed),
    'too-close': Math.max(distanceShort(m), magnificationShort(m)),
    'too-brief':
      light === null || light.shortestS === null
        ? -Infinity
        : Math.log2(light.shortestS / light.timeS),
    'too-slow':
      light === null
        ? -Infinity
        : -light.stops - 2 * Math.log2(light.fNumber / light.widestFNumber),
    'too-deep': blur === null ? -Infinity : 2 * Math.log2(blur.fNumber / blur.largestFNumber),
    'autofocus-limit':
      m.autofocusFNumber === null ? -Infinity : 2 * Math.log2(m.widestFNumber / m.autofocusFNumber),
    'too-shallow':
      sharp === null
        ? -Infinity
        : Math.max(
            2 * Math.log2(sharp.fNumberNeeded / sharp.smallestFNumber),
            light === null || light.fNumber === light.widestFNumber ? -Infinity : -light.stops,
          ),
  };
}

/** By the distance; where it lies within those that can be used, how far, as a share of it. */
function distanceShort({ at, focusSpareM }: Margins): number {
  if (focusSpareM === null) return -Infinity;
  return focusSpareM >= 0 ? -focusSpareM / at : 2 * Math.log2((at - focusSpareM) / at);
}

/** By the magnification, cropping allowed; only where the largest there is does not do. */
function magnificationShort(m: Margins): number {
  if (m.magnificationNeeded === null || m.magnificationMost === null) return -Infinity;
  const short = 2 * Math.log2(m.magnificationNeeded / m.cropAllowed / m.magnificationMost);
  return short > 0 ? short : -Infinity;
}

/** Wide end over the longest that frames, what is tolerated included. */
function widthShort(m: Margins): number {
  const most = m.focalNeeded.longMm * m.tolerance;
  return Number.isFinite(most) ? (most - m.wideSpareMm) / most : 0;
}

/** The shortest that frames without a crop over the long end, what is tolerated included. */
function lengthShort(m: Margins): number {
  const least = m.focalNeeded.wideMm / m.tolerance;
  return least / (least + m.longSpareMm);
}

/** The largest shortage, in stops; negative where there is room. */
export function shortage(m: Margins): number {
  return Math.max(...Object.values(shortagesOf(m)));
}

/** All that is lacking there, in the order in which conditions are looked at. */
export function lacksOf(m: Margins): MeasuredLack[] {
  const shortages = shortagesOf(m);
  return (Object.keys(TOLERATED) as MeasuredLack[]).filter(
    (lack) => shortages[lack] > TOLERATED[lack],
  );
}
