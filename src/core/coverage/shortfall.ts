import { SMALLEST_OF_ALL } from './demand';
import type { IntervalSet } from '@/core/intervals';
import type { Exclusion } from './exclusions';
import type { Verdict } from './verdict';

/** What a setup lacks for a frame, in plain units. */
export type Shortfall =
  | {
      readonly code: 'not-long-enough';
      readonly haveMm: number;
      readonly neededMm: number;
      readonly haveDeg: number;
      readonly neededDeg: number;
      readonly cropNeeded: number;
      readonly cropAllowed: number;
    }
  | {
      readonly code: 'not-wide-enough';
      readonly haveMm: number;
      readonly neededMm: number;
      readonly haveDeg: number;
      readonly neededDeg: number;
    }
  | {
      readonly code: 'too-slow';
      readonly stops: number;
      readonly isoNeeded: number;
      readonly fNumber: number;
      readonly neededFNumber: number;
    }
  | { readonly code: 'too-close'; readonly byM: number; readonly nearestM: number }
  | { readonly code: 'magnification-short'; readonly needed: number; readonly most: number }
  | { readonly code: 'too-far-for-tube'; readonly byM: number; readonly farthestM: number }
  | {
      readonly code: 'too-shallow';
      /** null where no f-number that lenses have is enough. */
      readonly neededFNumber: number | null;
      /** Slowest f-number that the light allows; null where light sets no demand. */
      readonly lightFNumber: number | null;
      /** ISO that would do at the needed f-number; null where light sets no demand. */
      readonly isoNeeded: number | null;
      /** Smallest aperture of the lens; null when it is not what is short. */
      readonly smallestFNumber: number | null;
    }
  | {
      readonly code: 'too-deep';
      readonly wantedPercent: number;
      readonly havePercent: number;
      readonly fNumber: number;
      readonly neededFNumber: number;
    }
  | {
      readonly code: 'autofocus-limit';
      readonly fNumber: number;
      readonly limitFNumber: number;
    }
  | { readonly code: 'too-brief'; readonly shortestS: number; readonly timeS: number }
  | { readonly code: Exclusion | 'few-pixels' | 'overfills' }
  | { readonly code: 'part'; readonly able: IntervalSet };

/** The shortfall of a verdict; null when it is clear or made by cropping. */
export function shortfallOf(v: Verdict): Shortfall | null {
  const m = v.deciding.margins;
  switch (v.code) {
    case 'clear':
    case 'crop':
      return null;
    case 'part':
      return { code: 'part', able: v.covered };
    case 'not-long-enough':
      return {
        code: v.code,
        haveMm: m.focalHave.longMm,
        neededMm: m.focalNeeded.wideMm,
        haveDeg: m.angles.haveLong,
        neededDeg: m.angles.needWide,
        cropNeeded: m.crop,
        cropAllowed: m.cropAllowed,
      };
    case 'not-wide-enough':
      return {
        code: v.code,
        haveMm: m.focalHave.wideMm,
        neededMm: m.focalNeeded.longMm,
        haveDeg: m.angles.haveWide,
        neededDeg: m.angles.needLong,
      };
    case 'too-slow':
      return {
        code: v.code,
        stops: m.light === null ? 0 : -m.light.stops,
        isoNeeded: m.light?.isoNeeded ?? 0,
        fNumber: m.light?.fNumber ?? 0,
        neededFNumber: m.light?.slowestFNumber ?? 0,
      };
    case 'too-close':
      if ((m.focusSpareM ?? 0) >= 0 && m.magnificationNeeded !== null)
        return {
          code: 'magnification-short',
          needed: m.magnificationNeeded,
          most: m.magnificationMost ?? 0,
        };
      return m.farthestM !== null && m.at > m.farthestM
        ? { code: 'too-far-for-tube', byM: m.at - m.farthestM, farthestM: m.farthestM }
        : {
            code: v.code,
            byM: -(m.focusSpareM ?? 0),
            nearestM: m.at - (m.focusSpareM ?? 0),
          };
    case 'too-shallow': {
      const needed = m.sharp?.fNumberNeeded ?? 0;
      const smallest = m.sharp?.smallestFNumber ?? Infinity;
      return {
        code: v.code,
        neededFNumber: needed > SMALLEST_OF_ALL ? null : needed,
        lightFNumber: m.light?.slowestFNumber ?? null,
        isoNeeded: m.light?.isoNeeded ?? null,
        smallestFNumber: needed > smallest ? smallest : null,
      };
    }
    case 'too-deep':
      return {
        code: v.code,
        wantedPercent: m.blur?.wantedPercent ?? 0,
        havePercent: m.blur?.havePercent ?? 0,
        fNumber: m.blur?.fNumber ?? 0,
        neededFNumber: m.blur?.largestFNumber ?? 0,
      };
    case 'autofocus-limit':
      return {
        code: v.code,
        fNumber: m.widestFNumber,
        limitFNumber: m.autofocusFNumber ?? 0,
      };
    case 'too-brief':
      return { code: v.code, shortestS: m.light?.shortestS ?? 0, timeS: m.light?.timeS ?? 0 };
    case 'wrong-projection':
    case 'no-infinity':
    case 'below-grade':
    case 'no-perspective-control':
    case 'no-filter':
    case 'not-sealed':
    case 'no-autofocus':
    case 'few-pixels':
    case 'overfills':
      return { code: v.code };
  }
}
