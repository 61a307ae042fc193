import {
  apertureEnds,
  type Adapter,
  type Body,
  type Converter,
  FigureKey,
  FIGURES,
  figuresOf,
  GearFigure,
  GRADES,
  ItemKind,
  type Lens,
  LENS_FIGURES,
  type Ownership,
  pixelsOfSensor,
  type Shelf,
  type Tube,
  usualFigure,
} from '@/core/gear';
import { eligibleBy, type Limits } from '@/core/brief';
import type { Interval } from '@/core/intervals';
import { cropFactor } from '@/core/optics';
import {
  counted,
  FIGURE_NAMES,
  figureText,
  formatFNumbers,
  formatFocalRange,
  formatMm,
  about,
  GRADE_NAMES,
  OWNERSHIPS,
  shelfText,
} from '@/text';

const t = shelfText.rows;

/** A row ready to show: its cells as text, with what they sort by. */
export interface GearRow {
  readonly id: string;
  readonly name: string;
  readonly note: string;
  /** Whether it is in the lineup, may be chosen, or stays out. */
  readonly standing: 'in' | 'free' | 'out';
  readonly cells: Readonly<
    Record<string, { readonly text: string; readonly sort: number | string | undefined }>
  >;
  /** Focal lengths on the 36×24 mm frame, on the largest format of its mount; null for what has none. */
  readonly band: Interval | null;
}

/**
 * Columns that say the same in every row, where there are enough rows for that to be no chance: they tell
 * nothing apart.
 */
export function sayingTheSame(rows: readonly GearRow[], columns: readonly string[]): string[] {
  const [first] = rows;
  if (!first || rows.length < FEWEST_ROWS) return [];
  return columns.filter((key) =>
    rows.every((row) => row.cells[key]?.text === first.cells[key]?.text),
  );
}
const FEWEST_ROWS = 4;

type Cells = GearRow['cells'];

/** The columns of figures that the table shows. */
function figureColumns(figures: Readonly<Record<string, GearFigure>>) {
  return figuresOf(figures)
    .filter(([, { inTable }]) => inTable !== undefined)
    .map(([key]) => [key, FIGURE_NAMES[key as FigureKey]] as const);
}

/** Their cells. */
function figureCells<K extends ItemKind>(
  figures: Readonly<Record<string, GearFigure>>,
  kind: K,
  item: Shelf[K][number],
  context: Context,
): Cells {
  return Object.fromEntries(
    figuresOf(figures)
      .filter(([, { inTable }]) => inTable !== undefined)
      .map(([key]) => [key, figureCell(kind, item, key as FigureKey, context)]),
  );
}

/** A figure, as is usual for its kind where nobody knows it; a blank where that can't be said. */
function figureCell<K extends ItemKind>(
  kind: K,
  item: Shelf[K][number],
  key: FigureKey,
  { shelf, currency }: Context,
): Cells[string] {
  const values = item as unknown as Readonly<Record<string, number | boolean | string | null>>;
  const known = values[key] ?? null;
  const value = known ?? usualFigure(kind, item, key, { shelf, currency });
  if (value === null) return { text: '', sort: undefined };
  return {
    text: about(figureText(FIGURES[key], value, currency), known === null),
    sort: Number(value),
  };
}

export const LENS_COLUMNS: readonly (readonly [string, string])[] = [
  ['range', t.range],
  ['fNumber', 'f-number'],
  ['mount', t.mount],
  ...figureColumns(LENS_FIGURES),
  ['grade', t.grade],
  ['weight', t.weight],
  ['price', t.newIt],
  ['used', t.used],
  ['ownership', t.ownership],
  ['outing', t.thisOuting],
];

export const BODY_COLUMNS = [
  ['sensor', t.sensor],
  ['pixels', t.pixels],
  ['mount', t.mount],
  ['weight', t.weight],
  ['price', t.newIt],
  ['used', t.used],
  ['ownership', t.ownership],
  ['outing', t.thisOuting],
] as const;

export const CONVERTER_COLUMNS = [
  ['factor', t.factor],
  ['lenses', t.takes],
  ['mount', t.mount],
  ['weight', t.weight],
  ['price', t.newIt],
  ['used', t.used],
  ['ownership', t.ownership],
  ['outing', t.thisOuting],
] as const;

export const TUBE_COLUMNS = [
  ['length', t.extension],
  ['mount', t.mount],
  ['weight', t.weight],
  ['price', t.newIt],
  ['used', t.used],
  ['ownership', t.ownership],
  ['outing', t.thisOuting],
] as const;

export const ADAPTER_COLUMNS = [
  ['carries', t.lensMount],
  ['mount', t.cameraMount],
  ['autofocus', t.autofocus],
  ['weight', t.weight],
  ['price', t.newIt],
  ['used', t.used],
  ['ownership', t.ownership],
  ['outing', t.thisOuting],
] as const;

interface Context {
  readonly currency: string;
  readonly limits: Limits;
  readonly inLineup: ReadonlySet<string>;
  /** How items stand for the outing, by id; what does not come is not there. */
  readonly standing: ReadonlyMap<string, Ownership>;
  /** Items that are of this outing alone. */
  readonly alone: ReadonlySet<string>;
  /** What is estimated is as usual for what is on it. */
  readonly shelf: Shelf;
}

export function lensRow(lens: Lens, context: Context): GearRow {
  const { wideMm, longMm } = lens.focal;
  const ends = apertureEnds(lens.apertures);
  const row = rowOf('lenses', lens, context, {
    range: { text: formatFocalRange(wideMm, longMm), sort: wideMm },
    fNumber: {
      text: formatFNumbers(...ends),
      sort: ends[1],
    },
    ...figureCells(LENS_FIGURES, 'lenses', lens, context),
    grade: {
      text: lens.grade === null ? '' : GRADE_NAMES[lens.grade],
      sort: lens.grade === null ? undefined : GRADES.indexOf(lens.grade),
    },
  });
  // On the largest format that its mount has here; without a camera, as on 36×24 mm.
  const crops = context.shelf.bodies.flatMap((b) =>
    b.mount === lens.mount ? [cropFactor(b.sensor)] : [],
  );
  const crop = crops.length === 0 ? 1 : Math.min(...crops);
  return { ...row, band: { from: wideMm * crop, to: longMm * crop } };
}

export function bodyRow(body: Body, context: Context): GearRow {
  const { widthMm, heightMm } = body.sensor;
  const pixels = pixelsOfSensor(body.sensor);
  const megapixels = pixels ? (pixels.wide * pixels.high) / 1e6 : undefined;
  return rowOf('bodies', body, context, {
    sensor: {
      text: t.mmCrop(widthMm, heightMm, cropFactor(body.sensor).toFixed(2)),
      sort: widthMm,
    },
    pixels: {
      text: megapixels === undefined ? t.unknown : t.mp(megapixels.toFixed(1)),
      sort: megapixels,
    },
  });
}

export function converterRow(converter: Converter, context: Context): GearRow {
  return rowOf('converters', converter, context, {
    factor: { text: `${converter.factor}×`, sort: converter.factor },
    lenses: {
      text: counted(converter.lensIds.length, 'lens'),
      sort: converter.lensIds.length,
    },
  });
}

export function tubeRow(tube: Tube, context: Context): GearRow {
  return rowOf('tubes', tube, context, {
    length: { text: formatMm(tube.lengthMm), sort: tube.lengthMm },
  });
}

export function adapterRow(adapter: Adapter, context: Context): GearRow {
  const autofocus = { true: t.works, false: t.lost, null: t.unknown } as const;
  return rowOf('adapters', adapter, context, {
    carries: { text: adapter.lensMount, sort: adapter.lensMount },
    autofocus: {
      text: autofocus[`${adapter.autofocus}`],
      sort: `${adapter.autofocus}`,
    },
  });
}

/** The mount of a piece; of an adapter, the one of the bodies it goes on. */
export function mountOf(item: Lens | Body | Converter | Tube | Adapter): string {
  return 'bodyMount' in item ? item.bodyMount : item.mount;
}

/** What every piece has. A blank is "not known". */
function rowOf(
  kind: ItemKind,
  item: Lens | Body | Converter | Tube | Adapter,
  context: Context,
  kindCells: Cells,
): GearRow {
  const { limits, inLineup, standing, alone } = context;
  const figure = (key: FigureKey) => figureCell(kind, item as never, key, context);
  const as = standing.get(item.id);
  const out = as === undefined || !eligibleBy(limits)(kind, { ...item, ownership: as } as Lens);
  const onOuting = outingText(as, alone.has(item.id));
  return {
    id: item.id,
    name: item.name,
    note: item.maker,
    standing: inLineup.has(item.id) ? 'in' : out ? 'out' : 'free',
    cells: {
      ...kindCells,
      mount: { text: mountOf(item), sort: mountOf(item) },
      weight: figure('weightG'),
      used: figure('priceUsed'),
      price: figure('priceNew'),
      ownership: { text: OWNERSHIPS[item.ownership], sort: item.ownership },
      outing: { text: onOuting, sort: onOuting },
    },
    band: null,
  };
}

/** What an item is on the outing, in a word or two; nothing where it comes as it is on the shelf. */
function outingText(as: Ownership | undefined, alone: boolean): string {
  if (alone) return t.thisOutingOnly;
  if (as === undefined) return t.notComing;
  return as === 'owned' ? t.canCome : OWNERSHIPS[as];
}

/** Columns that are only shown when asked for. */
export const EXTRA_COLUMNS: ReadonlySet<string> = new Set([
  'used',
  'grade',
  ...figuresOf(LENS_FIGURES).flatMap(([key, { inTable }]) => (inTable === 'asked' ? [key] : [])),
]);

/** Columns that can be changed in the table. */
export const EDITABLE = { weight: 'weightG', price: 'priceNew', used: 'priceUsed' } as const;
