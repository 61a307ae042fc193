import * as z from 'zod';
import { GEAR_RANGES, itemName, lineOfText, loan, ownership, within } from './common';

/** What a figure is measured in; `flag` is a yes or no, `text` a few words. */
export type Measure =
  | 'mm'
  | 'm'
  | 'g'
  | 'MB'
  | 'times'
  | 'stops'
  | 'fNumber'
  | 'iso'
  | 'count'
  | 'money'
  | 'flag'
  | 'text';

/** One figure of gear that may be unknown: all that schema, table, form, CSV and import ask of it. */
export interface GearFigure {
  readonly measure: Measure;
  readonly schema: z.ZodType;
  /** What null says of it, where that is not that nobody knows. */
  readonly absent?: 'none' | 'outing';
  /** A column of the gear table; `asked` where it is shown only when asked for. */
  readonly inTable?: 'shown' | 'asked';
  /**
   * What it is at best and at worst for what has it, where a choice may depend on it. Plausible ends
   * for photographic gear, common practice, no source.
   */
  readonly ends?: readonly [best: number | boolean, worst: number | boolean];
}

const flag = z.boolean().nullable();
const number = (range: Parameters<typeof within>[0]) => within(range).nullable();
const whole = (min: number, max: number) => z.number().int().min(min).max(max).nullable();

/** Of everything on the shelf. */
export const ITEM_FIGURES = {
  weightG: { measure: 'g', schema: number(GEAR_RANGES.weightG), ends: [60, 6500] },
  priceNew: { measure: 'money', schema: number(GEAR_RANGES.price), ends: [20, 15_000] },
  priceUsed: { measure: 'money', schema: number(GEAR_RANGES.price) },
} as const satisfies Readonly<Record<string, GearFigure>>;

/** Of a lens, in the order in which forms and tables show them. */
export const LENS_FIGURES = {
  imageCircleMm: { measure: 'mm', schema: number({ min: 1, max: 500 }), ends: [60, 15] },
  minFocusM: {
    measure: 'm',
    schema: number(GEAR_RANGES.focusM),
    inTable: 'shown',
    ends: [0.1, 10],
  },
  maxMagnification: {
    measure: 'times',
    schema: number(GEAR_RANGES.magnification),
    inTable: 'asked',
    ends: [1, 0.05],
  },
  stabiliserStops: { measure: 'stops', schema: number(GEAR_RANGES.stabiliserStops) },
  autofocus: { measure: 'flag', schema: flag, ends: [true, false] },
  filterMm: { measure: 'mm', schema: number({ min: 10, max: 300 }), inTable: 'asked' },
  /** Whether a filter can be screwed on in front; where it is not known, a stated thread says yes. */
  frontThread: { measure: 'flag', schema: flag, ends: [true, false] },
  /** Largest f-number it stops down to. */
  smallestFNumber: { measure: 'fNumber', schema: number(GEAR_RANGES.fNumber), ends: [64, 8] },
  /** Factor of a converter built in, switched in at will. */
  builtInConverter: {
    measure: 'times',
    schema: z.number().gt(1).max(4).nullable(),
    absent: 'none',
  },
  /** Whether it shifts for perspective control. */
  shift: { measure: 'flag', schema: flag },
  sealed: { measure: 'flag', schema: flag, ends: [true, false] },
  /** From the mount to the front, caps off, at its shortest. */
  lengthMm: { measure: 'mm', schema: number(GEAR_RANGES.sizeMm), inTable: 'asked' },
  /** Of the barrel, or of the hood put on reversed where that is wider. */
  diameterMm: { measure: 'mm', schema: number(GEAR_RANGES.sizeMm), ends: [40, 180] },
} as const satisfies Readonly<Record<string, GearFigure>>;

/** Of a body. */
export const BODY_FIGURES = {
  isoCeiling: { measure: 'iso', schema: number(GEAR_RANGES.iso), absent: 'outing' },
  stabiliserStops: {
    measure: 'stops',
    schema: number(GEAR_RANGES.stabiliserStops),
    absent: 'none',
  },
  /** Slowest f-number at which its autofocus still works. */
  autofocusLimitFNumber: { measure: 'fNumber', schema: number(GEAR_RANGES.fNumber) },
  sealed: { measure: 'flag', schema: flag, ends: [true, false] },
  picturesPerCharge: { measure: 'count', schema: whole(1, 20_000) },
  cardSlots: { measure: 'count', schema: whole(1, 4) },
  /** Kind of memory card it takes, in one's own words. */
  cardType: { measure: 'text', schema: lineOfText(40).min(1).nullable() },
  /** Size of a picture's file. */
  fileMb: { measure: 'MB', schema: number({ min: 0.1, max: 2000 }) },
} as const satisfies Readonly<Record<string, GearFigure>>;

export type ItemFigure = keyof typeof ITEM_FIGURES;
export type LensFigure = keyof typeof LENS_FIGURES;
export type BodyFigure = keyof typeof BODY_FIGURES;
export type FigureKey = ItemFigure | LensFigure | BodyFigure;

type Figures = Readonly<Record<string, GearFigure>>;

/** What may be unknown, and is where nothing is said of it: older documents do not have it. */
export const knownOrNot = <S extends z.ZodType>(schema: S) =>
  schema.nullable().default(null as never);

/** The fields of a schema that some figures are. */
export function schemasOf<F extends Figures>(figures: F) {
  return Object.fromEntries(
    Object.entries(figures).map(([key, { schema }]) => [key, schema.default(null)]),
  ) as {
    readonly [K in keyof F]: z.ZodDefault<F[K]['schema']>;
  };
}

/** Nothing known of some figures. */
export function unknownOf<F extends Figures>(figures: F) {
  return Object.fromEntries(Object.keys(figures).map((key) => [key, null])) as {
    readonly [K in keyof F]: null;
  };
}

/** Some figures with their keys, in their order. */
export function figuresOf<F extends Figures>(figures: F) {
  return Object.entries(figures) as unknown as readonly (readonly [keyof F & string, GearFigure])[];
}

/** Every figure by its key; what several kinds of gear have is the same for all. */
export const FIGURES: Readonly<Record<FigureKey, GearFigure>> = {
  ...BODY_FIGURES,
  ...LENS_FIGURES,
  ...ITEM_FIGURES,
};

/** What every item on the shelf has. `null` is "not known", which is never the same as zero. */
export const itemFields = {
  name: itemName,
  maker: lineOfText(80),
  ...schemasOf(ITEM_FIGURES),
  ownership,
  loan: knownOrNot(loan),
} as const;
