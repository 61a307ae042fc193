import {
  DEFAULT_LIMITS,
  type Frame,
  frame,
  type Limits,
  NOTHING_SPECIAL,
  PLAIN_STRETCH,
  shooterId,
  stretch,
  type Stretch,
} from '@/core/brief';
import {
  adapter,
  type Adapter,
  type Body,
  body,
  type Converter,
  converter,
  type Lens,
  mountableSetups,
  type Setup,
  lens,
  type Shelf,
  tube,
  type Tube,
} from '@/core/gear';
import type { LineupQuestion } from '@/core/lineup';

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
    loan: null,
    mount: 'M',
    sensor: { widthMm: 36, heightMm: 24, pixelsWide: 6000, pixelsHigh: 4000 },
    isoCeiling: null,
    stabiliserStops: null,
    autofocusLimitFNumber: null,
    sizeMm: null,
    picturesPerCharge: null,
    cardType: null,
    cardSlots: null,
    fileMb: null,
    sealed: null,
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
    loan: null,
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
    smallestFNumber: null,
    builtInConverter: null,
    imageCircleMm: null,
    minFocusM: null,
    maxMagnification: null,
    stabiliserStops: null,
    autofocus: true,
    filterMm: null,
    frontThread: null,
    shift: null,
    lengthMm: null,
    diameterMm: null,
    grade: null,
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
    loan: null,
    mount: 'M',
    factor,
    lensIds,
    ...change,
  });
}

export function aTube(id: string, lengthMm: number, change: Record<string, unknown> = {}): Tube {
  return tube.parse({ ...ITEM, id, name: id, mount: 'M', lengthMm, autofocus: true, ...change });
}

export function anAdapter(id: string, change: Record<string, unknown> = {}): Adapter {
  return adapter.parse({
    ...ITEM,
    id,
    name: id,
    bodyMount: 'N',
    lensMount: 'M',
    autofocus: true,
    factor: 1,
    dropInFilter: null,
    ...change,
  });
}

const ITEM = {
  maker: '',
  weightG: 120,
  priceNew: 100,
  priceUsed: null,
  ownership: 'owned',
  loan: null,
};

export function aShelf(
  lenses: readonly Lens[],
  converters: readonly Converter[] = [],
  bodies: readonly Body[] = [aBody()],
  more: Partial<Pick<Shelf, 'tubes' | 'adapters' | 'mounts'>> = {},
): Shelf {
  return {
    mounts: [],
    bodies: [...bodies],
    lenses: [...lenses],
    converters: [...converters],
    tubes: [],
    adapters: [],
    ...more,
  };
}

/** The first setup of a shelf: of one lens and one body, the only one. */
export const setupOf = (...args: Parameters<typeof aShelf>): Setup =>
  mountableSetups(aShelf(...args))[0]!;

/** A stretch with everything at hand; tests override what they are about. */
export function aStretch(id: string, change: Record<string, unknown> = {}): Stretch {
  return stretch.parse({
    id,
    name: id,
    ...PLAIN_STRETCH,
    ...change,
  });
}

/** Somebody who is there, or a camera placed. */
export const aShooter = (id: string, placed = false) => ({
  id: shooterId.parse(id),
  name: id,
  placed,
});

/** Somebody's hands in a stretch, with what bodies are free for all. */
export const assignmentsOf = (shooterId: string, change: Record<string, unknown> = {}) => ({
  shooterId,
  bodyIds: [],
  bodies: null,
  maxWeightG: null,
  ...change,
});

/** A question from its parts; no stretches and one person unless they are given. */
export function aQuestion(
  parts: Pick<LineupQuestion, 'frames' | 'shelf'> & Partial<LineupQuestion>,
): LineupQuestion {
  return { outing: { shooters: [] }, stretches: [], limits: someLimits(), ...parts };
}

export const NO_LIGHT = {
  source: { kind: 'none' },
  isoCeiling: null,
  longestTimeS: null,
  shortestTimeS: null,
  support: 'support',
  movement: null,
  stars: null,
  flash: null,
};
/** So much light, EV at ISO 100, and what it may take. */
export const lightOf = (ev100: number, change: Record<string, unknown> = {}) => ({
  ...NO_LIGHT,
  source: { kind: 'ev', ev100 },
  ...change,
});

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
    stretchIds: [],
    shooterIds: [],
    views: [],
    standpoints: [],
    subject: null,
    twice: null,
    depth: { sharp: null, blur: null },
    special: NOTHING_SPECIAL,
    need: { kind: 'focal', fromMm, toMm, footing, atM: null },
    distanceKnown: true,
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

/** Limits that tolerate nothing and go by the diagonal, so that figures are round; tests say what else. */
export function someLimits(change: Partial<Limits> = {}): Limits {
  return {
    ...DEFAULT_LIMITS,
    wantRatePercent: 0,
    needTolerancePercent: 0,
    circleOfConfusion: { kind: 'diagonal', divisor: 1500 },
    ...change,
  };
}
