import type { IntervalSet } from '@/core/intervals';
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
  | { readonly code: 'wrong-projection' }
  | { readonly code: 'few-pixels' }
  | { readonly code: 'part'; readonly able: IntervalSet };

/** The shortfall of a verdict; null when it is clear or made by cropping. */
export function shortfallOf(v: Verdict): Shortfall | null {
  const m = v.deciding.margins;
  switch (v.code) {
    case 'clear':
    case 'crop':
      return null;
    case 'part':
      return { code: 'part', able: v.able };
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
      return { code: v.code, byM: -(m.focusSpareM ?? 0), nearestM: m.at - (m.focusSpareM ?? 0) };
    case 'wrong-projection':
    case 'few-pixels':
      return { code: v.code };
  }
}
