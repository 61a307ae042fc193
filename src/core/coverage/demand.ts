import type { Frame, Light, Limits, Output } from '@/core/brief';
import type { Setup } from '@/core/gear';
import { handHeldTimeS, linearCropAllowed, type PixelSize, printPixels } from '@/core/optics';

/**
 * Light counts as enough when it is short by no more than this: marked f-numbers and times are
 * themselves rounded by up to a tenth of a stop (f/2.5 at 1/500 s equals f/2.8 at 1/400 s).
 */
export const LIGHT_TOLERANCE_STOPS = 0.1;

/** What a frame asks of one setup, resolved to numbers. */
export interface Demand {
  /** Largest linear crop allowed, >= 1. */
  readonly crop: number;
  /** Linear shortage of pixels before any crop, > 1; null when there are enough. */
  readonly pixelsShort: number | null;
  /** Pixels are asked for but the body's are not known, so no crop is allowed. */
  readonly pixelsUnknown: boolean;
  readonly light: LightDemand | null;
}

/** Light resolved: exposes when (N·(1+m))² ≤ t · luminousness, with t the shorter of the times. */
export interface LightDemand {
  readonly ev100: number;
  readonly iso: number;
  /** 2^EV100 · ISO / 100. */
  readonly luminousness: number;
  /** Longest time at a focal length, s. */
  readonly longestTimeS: (focalLengthMm: number) => number;
}

/** The parts of a setup that decide what is asked of it. */
export type Demanded = Pick<Setup, 'pixels' | 'cropFactor' | 'stabiliserStops' | 'isoCeiling'>;

export function demandOf(setup: Demanded, frame: Frame, limits: Limits): Demand {
  const wanted = outputPixels(frame.output);
  const light = lightDemand(setup, frame.light, limits);
  if (wanted === null) return { crop: 1, pixelsShort: null, pixelsUnknown: false, light };
  if (setup.pixels === null) return { crop: 1, pixelsShort: null, pixelsUnknown: true, light };
  const allowed = linearCropAllowed(setup.pixels, wanted);
  return {
    crop: Math.max(1, Math.min(allowed, limits.maxCrop)),
    pixelsShort: allowed < 1 ? 1 / allowed : null,
    pixelsUnknown: false,
    light,
  };
}

/** Pixels that must be left; null when the whole picture is wanted. */
export function outputPixels(output: Output): PixelSize | null {
  switch (output.kind) {
    case 'uncropped':
      return null;
    case 'pixels':
      return {
        longPx: Math.max(output.longPx, output.shortPx),
        shortPx: Math.min(output.longPx, output.shortPx),
      };
    case 'print':
      return printPixels(
        Math.max(output.longMm, output.shortMm),
        Math.min(output.longMm, output.shortMm),
        output.dpi,
      );
  }
}

/** The ISO that may be used: the lowest of the outing's, the frame's and the body's ceiling. */
function isoAllowed(setup: Demanded, light: Light, limits: Limits): number {
  return Math.min(limits.isoCeiling, light.isoCeiling ?? Infinity, setup.isoCeiling ?? Infinity);
}

function lightDemand(setup: Demanded, light: Light, limits: Limits): LightDemand | null {
  const hand = light.support === 'hand';
  if (light.ev100 === null || (light.longestTimeS === null && !hand)) return null;
  const given = light.longestTimeS ?? Infinity;
  const iso = isoAllowed(setup, light, limits);
  return {
    ev100: light.ev100,
    iso,
    luminousness: (2 ** light.ev100 * iso) / 100,
    longestTimeS: (focalLengthMm) =>
      hand
        ? Math.min(given, handHeldTimeS(focalLengthMm, setup.cropFactor, setup.stabiliserStops))
        : given,
  };
}
