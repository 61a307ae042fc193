import { DEFAULT_LIMITS, type Frame, frame, type Limits } from '@/core/brief';
import {
  type Body,
  body,
  type Converter,
  converter,
  type Lens,
  lens,
  type Shelf,
} from '@/core/gear';

/** Plain gear and frames for tests, every field stated; tests override what they are about. */

export function aBody(change: Partial<Body> | Record<string, unknown> = {}): Body {
  return body.parse({
    id: 'body',
    name: 'Body',
    maker: '',
    weightG: 600,
    priceNew: 1000,
    priceUsed: null,
    ownership: 'owned',
    mount: 'M',
    sensor: { widthMm: 36, heightMm: 24, pixelsWide: 6000, pixelsHigh: 4000 },
    isoCeiling: null,
    stabiliserStops: null,
    autofocusLimitFNumber: null,
    ...change,
  });
}

/** A lens from wide to long with one f-number, or one at each end. */
export function aLens(
  id: string,
  wideMm: number,
  longMm: number,
  fNumber: number | readonly [number, number],
  change: Record<string, unknown> = {},
): Lens {
  const [wideF, longF] = typeof fNumber === 'number' ? [fNumber, fNumber] : fNumber;
  return lens.parse({
    id,
    name: id,
    maker: '',
    weightG: 500,
    priceNew: 500,
    priceUsed: null,
    ownership: 'owned',
    mount: 'M',
    focal: { wideMm, longMm },
    measured: null,
    apertures:
      wideMm === longMm
        ? [{ focalMm: wideMm, fNumber: wideF }]
        : [
            { focalMm: wideMm, fNumber: wideF },
            { focalMm: longMm, fNumber: longF },
          ],
    projection: 'rectilinear',
    imageCircleMm: null,
    minFocusM: null,
    maxMagnification: null,
    stabiliserStops: null,
    autofocus: true,
    filterMm: null,
    sealed: null,
    ...change,
  });
}

export function aConverter(
  id: string,
  factor: number,
  lensIds: readonly string[],
  change: Record<string, unknown> = {},
): Converter {
  return converter.parse({
    id,
    name: id,
    maker: '',
    weightG: 150,
    priceNew: 300,
    priceUsed: null,
    ownership: 'owned',
    mount: 'M',
    factor,
    lensIds,
    ...change,
  });
}

export function aShelf(
  lenses: readonly Lens[],
  converters: readonly Converter[] = [],
  bodies: readonly Body[] = [aBody()],
): Shelf {
  return { mounts: [], bodies: [...bodies], lenses: [...lenses], converters: [...converters] };
}

export const NO_LIGHT = { ev100: null, isoCeiling: null, longestTimeS: null, support: 'support' };

/** A frame given as focal lengths on the 36×24 mm frame, uncropped, without a demand on light. */
export function focalFrame(
  id: string,
  fromMm: number,
  toMm: number,
  footing: string,
  change: Record<string, unknown> = {},
): Frame {
  return frame.parse({
    id,
    name: id,
    want: 'must',
    sharePercent: null,
    need: { kind: 'focal', fromMm, toMm, footing },
    light: NO_LIGHT,
    output: { kind: 'uncropped' },
    note: '',
    ...change,
  });
}

/** A standing person 1.8 m high, filling 50 to 90 % of a landscape frame. */
export function personFrame(
  id: string,
  fromM: number,
  toM: number,
  footing: string,
  change: Record<string, unknown> = {},
): Frame {
  return focalFrame(id, 50, 50, 'free', {
    need: {
      kind: 'subject',
      widthM: null,
      heightM: 1.8,
      fromM,
      toM,
      fill: { min: 0.5, max: 0.9 },
      orientation: 'landscape',
      footing,
    },
    ...change,
  });
}

export function someLimits(change: Partial<Limits> = {}): Limits {
  return { ...DEFAULT_LIMITS, wantRatePercent: 0, ...change };
}
