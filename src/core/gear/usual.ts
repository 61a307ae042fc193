import type { Adapter } from './adapter';
import { type Body, pixelsOfSensor } from './body';
import type { Converter } from './converter';
import type { BodyFigure, FigureKey, LensFigure } from './figures';
import type { Lens } from './lens';
import { ITEM_KINDS, type ItemKind, type Shelf } from './shelf';
import type { Tube } from './tube';
import {
  FULL_DIAGONAL_MM,
  twoDigits,
  usualDiameterMm,
  usualLengthMm,
  usualMagnification,
  usualMinFocusM,
  usualPrice,
  usualThreadMm,
  usualWeightG,
} from './usualLens';

/** Standard error of one estimated weight, as a share of it: what half of them being within a sixth comes to. */
export const USUAL_WEIGHT_ERROR = 0.25;
/** The same of a price: half being within a factor of 1.5. */
export const USUAL_PRICE_ERROR = 0.5;
/** Pictures on one charge, card slots, and megabytes for each megapixel of a raw file: common practice, no source. */
const USUAL_CHARGE = 400;
const USUAL_SLOTS = 1;
const USUAL_MB_A_MEGAPIXEL = 1.2;
/** Of a camera of no great age. Common practice, no source. */
export const USUAL_MEGAPIXELS = 24;

/** Of a body, by its format: common practice, no source; most are within a quarter. */
function usualBodyWeightG({ sensor }: Body): number {
  const diagonalMm = Math.hypot(sensor.widthMm, sensor.heightMm);
  return twoDigits(650 * (diagonalMm / FULL_DIAGONAL_MM) ** 0.7, 200, 2000);
}

/** Of a body as a block, by its format; most are within a fifth. Common practice, no source. */
export function usualBodySizeMm({ sensor }: Body): NonNullable<Body['sizeMm']> {
  const diagonalMm = Math.hypot(sensor.widthMm, sensor.heightMm);
  const of = (mm: number) => twoDigits(mm * (diagonalMm / FULL_DIAGONAL_MM) ** 0.25, 30, 250);
  return { widthMm: of(135), heightMm: of(95), depthMm: of(75) };
}

/** Of what stands between body and lens, as a block: about as wide as mounts are. Common practice, no source. */
export function usualBehindSizeMm(item: Converter | Tube | Adapter): NonNullable<Body['sizeMm']> {
  const depthMm = 'lengthMm' in item ? item.lengthMm : 'lensMount' in item ? 30 : 18 * item.factor;
  return { widthMm: 68, heightMm: 68, depthMm };
}

/** Of what stands between body and lens: common practice, no source. */
const usualConverterWeightG = ({ factor }: Converter) => twoDigits(140 * factor, 100, 500);
const usualTubeWeightG = ({ lengthMm }: Tube) => twoDigits(40 + 2.5 * lengthMm, 40, 300);
const usualAdapterWeightG = ({ factor }: Adapter) => twoDigits(factor === 1 ? 120 : 180, 60, 300);

/** Where a figure is used: on what shelf, and in what money; without it no price is estimated. */
export interface UsualFor {
  readonly shelf: Pick<Shelf, 'bodies'>;
  readonly currency?: string | undefined;
}

type Usual<T, Key extends string> = {
  readonly [K in Key]?: (item: T, where: UsualFor) => number | null;
};

const LENS: Usual<Lens, LensFigure | 'weightG' | 'priceNew' | 'priceUsed'> = {
  weightG: onSensor(usualWeightG),
  lengthMm: onSensor(usualLengthMm),
  diameterMm: onSensor(usualDiameterMm),
  filterMm: onSensor((l, diagonalMm) =>
    l.frontThread === false ? null : usualThreadMm(l, diagonalMm),
  ),
  minFocusM: usualMinFocusM,
  maxMagnification: usualMagnification,
  priceNew: onSensor((l, mm, currency) => usualPrice(l, mm, 'new', currency)),
  priceUsed: onSensor((l, mm, currency) => usualPrice(l, mm, 'used', currency)),
};
const BODY: Usual<Body, BodyFigure | 'weightG'> = {
  weightG: usualBodyWeightG,
  picturesPerCharge: () => USUAL_CHARGE,
  cardSlots: () => USUAL_SLOTS,
  fileMb: usualFileMb,
};
const USUAL: { readonly [K in ItemKind]: Usual<Shelf[K][number], FigureKey> } = {
  lenses: LENS,
  bodies: BODY,
  converters: { weightG: usualConverterWeightG },
  tubes: { weightG: usualTubeWeightG },
  adapters: { weightG: usualAdapterWeightG },
};

/** What a figure of a thing usually is for its kind; null where that can't be said. */
export function usualFigure<K extends ItemKind>(
  kind: K,
  item: Shelf[K][number],
  figure: FigureKey,
  where: UsualFor,
): number | null {
  return USUAL[kind][figure]?.(item as never, where) ?? null;
}

/** Size of a picture's file, MB, by the pixels. */
function usualFileMb({ sensor }: Body): number {
  const pixels = pixelsOfSensor(sensor);
  const megapixels = pixels === null ? USUAL_MEGAPIXELS : (pixels.wide * pixels.high) / 1e6;
  return twoDigits(USUAL_MB_A_MEGAPIXEL * megapixels, 1, 2000);
}

/** What each thing of a shelf weighs, as far as it is known, and else as usual for its kind. */
export interface Weighing {
  /** g; 0 for what isn't on the shelf. */
  readonly of: (id: string) => number;
  /** Whether what it says of a thing is an estimate. */
  readonly isEstimated: (id: string) => boolean;
}

export function weighingOf(shelf: Shelf): Weighing {
  const weights = new Map<string, number>();
  const estimated = new Set<string>();
  const where = { shelf };
  for (const kind of ITEM_KINDS)
    for (const item of shelf[kind]) {
      weights.set(item.id, item.weightG ?? usualFigure(kind, item, 'weightG', where) ?? 0);
      if (item.weightG === null) estimated.add(item.id);
    }
  return { of: (id) => weights.get(id) ?? 0, isEstimated: (id) => estimated.has(id) };
}

/** A figure of a lens that goes by the diagonal of the sensor that it is used on. */
function onSensor(of: (lens: Lens, diagonalMm: number, currency?: string) => number | null) {
  return (lens: Lens, { shelf, currency }: UsualFor) =>
    of(lens, diagonalFor(lens, shelf), currency);
}

/** Of the largest sensor with the lens's mount; where there is none, of 36 × 24 mm. */
function diagonalFor({ mount, imageCircleMm }: Lens, { bodies }: Pick<Shelf, 'bodies'>): number {
  if (imageCircleMm !== null) return imageCircleMm;
  const diagonals = bodies
    .filter((b) => b.mount === mount)
    .map(({ sensor }) => Math.hypot(sensor.widthMm, sensor.heightMm));
  return diagonals.length === 0 ? FULL_DIAGONAL_MM : Math.max(...diagonals);
}
