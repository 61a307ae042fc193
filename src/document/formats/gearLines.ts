import {
  converter,
  type Converter,
  type ItemKind,
  lens,
  type Lens,
  lensId,
  type LensId,
  type Shelf,
  SOURCES,
  type Source,
  tube,
  type Tube,
} from '@/core/gear';
import { shelfIds } from '../edits';
import { freshId } from '../freshId';
import { newItem } from '../newGear';
import { G_PER_OUNCE, G_PER_POUND } from '@/core/units';

/** What a line says of an item, as it was understood; everything else of the item stays unknown. */
export interface Understood {
  wideMm?: number;
  longMm?: number;
  wideFNumber?: number;
  longFNumber?: number;
  factor?: number;
  tubeMm?: number;
  weightG?: number;
  filterMm?: number;
  minFocusM?: number;
  priceNew?: number;
  priceUsed?: number;
  ownership?: Source;
  mount?: string;
  autofocus?: boolean;
  sealed?: boolean;
  fisheye?: boolean;
}

/** One line of pasted gear: the item that it gives, or what is missing for one. */
export type GearLine = { readonly line: string; readonly understood: Understood } & (
  | { readonly kind: 'lenses'; readonly item: Lens }
  | { readonly kind: 'converters'; readonly item: Converter }
  | { readonly kind: 'tubes'; readonly item: Tube }
  | { readonly kind: null; readonly missing: 'range' | 'f-number' | 'sense' }
);

// Numbers have at most so many digits, so that no run of them can be parted in many ways.
const FOCAL = /^(\d{1,4}(?:\.\d{1,3})?)(?:[-–](\d{1,4}(?:\.\d{1,3})?))?(?:mm)?$/i;
const BOTH =
  /^(\d{1,4}(?:\.\d{1,3})?)(?:[-–](\d{1,4}(?:\.\d{1,3})?))?(?:mm)?(?:f?\/|f)(\d{1,4}(?:\.\d{1,3})?)(?:[-–](\d{1,4}(?:\.\d{1,3})?))?$/i;
const F_NUMBER = /^(?:f\/?|1:|\/)?(\d{1,4}(?:\.\d{1,3})?)(?:[-–](\d{1,4}(?:\.\d{1,3})?))?$/i;
const MARKED_F_NUMBER = /^(?:f\/?|1:|\/)(\d{1,4}(?:\.\d{1,3})?)(?:[-–](\d{1,4}(?:\.\d{1,3})?))?$/i;
const WEIGHT = /^(\d{1,4}(?:\.\d{1,3})?)(kg|g|oz|lbs?)$/i;
const THREAD = /^(?:ø|filter)?(\d{1,4}(?:\.\d{1,3})?)mm$/i;
const FOCUS = /^(\d{1,4}(?:\.\d{1,3})?)(c?m)$/i;
const FACTOR = /^(?:(\d{1,4}(?:\.\d{1,3})?)[x×]|[x×](\d{1,4}(?:\.\d{1,3})?))$/i;
const MONEY = /^(?:[€$£]|eur|usd|gbp)?(\d{1,7}(?:\.\d{1,2})?)(?:[€$£]|eur|usd|gbp)?$/i;
const MARKED_MONEY = /^(?:[€$£]|(?:eur|usd|gbp)\d)|(?:[€$£]|\deur|\dusd|\dgbp)$/i;

const GRAMS = { g: 1, kg: 1000, oz: G_PER_OUNCE, lb: G_PER_POUND, lbs: G_PER_POUND } as const;
const SOURCE_WORDS: Readonly<Record<string, Source>> = {
  ...Object.fromEntries(SOURCES.map((s) => [s, s])),
  have: 'owned',
  mine: 'owned',
  borrow: 'borrowed',
  rent: 'rented',
  wish: 'wished',
  want: 'wished',
};

/** What has been read of a line so far; tokens are looked at from left to right. */
interface LineReading {
  readonly got: Understood;
  /** Whether a bare number that comes next is money, and which price. */
  money: 'priceNew' | 'priceUsed' | null;
}

/** Reads one token into what is known; false where it says nothing. Order decides what a number is. */
type Reader = (token: string, reading: LineReading, shelf: Shelf) => boolean;

const READERS: readonly Reader[] = [
  (token, { got }) => {
    const read = BOTH.exec(token);
    if (!read || got.wideMm !== undefined) return false;
    takeRange(got, read[1], read[2]);
    takeFNumbers(got, read[3], read[4]);
    return true;
  },
  (token, reading) => {
    const { got } = reading;
    const said = SOURCE_WORDS[token.toLowerCase()];
    if (!said || got.ownership !== undefined) return false;
    got.ownership = said;
    reading.money = 'priceNew';
    return true;
  },
  (token, reading) => {
    const which = { used: 'priceUsed', new: 'priceNew' } as const;
    const said = which[token.toLowerCase() as keyof typeof which];
    if (!said) return false;
    reading.money = said;
    return true;
  },
  (token, reading) => {
    const read = MONEY.exec(token);
    if (!read || !(MARKED_MONEY.test(token) || reading.money)) return false;
    reading.got[reading.money ?? 'priceNew'] = Number(read[1]);
    reading.money = null;
    return true;
  },
  (token, { got }) => {
    const read = WEIGHT.exec(token);
    if (!read) return false;
    const unit = (read[2] ?? 'g').toLowerCase() as keyof typeof GRAMS;
    got.weightG = Math.round(Number(read[1]) * GRAMS[unit]);
    return true;
  },
  (token, { got }) => {
    const read = FACTOR.exec(token);
    if (!read) return false;
    got.factor = Number(read[1] ?? read[2]);
    return true;
  },
  (token, { got }) => {
    const read = MARKED_F_NUMBER.exec(token);
    if (!read || got.wideFNumber !== undefined) return false;
    takeFNumbers(got, read[1], read[2]);
    return true;
  },
  (token, { got }) => {
    const read = FOCAL.exec(token);
    if (!read || got.wideMm !== undefined) return false;
    takeRange(got, read[1], read[2]);
    return true;
  },
  (token, { got }) => {
    const read = F_NUMBER.exec(token);
    if (!read || got.wideMm === undefined || got.wideFNumber !== undefined) return false;
    takeFNumbers(got, read[1], read[2]);
    return true;
  },
  (token, { got }) => {
    const read = THREAD.exec(token);
    if (!read || got.filterMm !== undefined) return false;
    got.filterMm = Number(read[1]);
    return true;
  },
  (token, { got }) => {
    const read = FOCUS.exec(token);
    if (!read) return false;
    got.minFocusM = Number(read[1]) / (read[2]?.toLowerCase() === 'cm' ? 100 : 1);
    return true;
  },
  (token, { got }) => {
    const says = {
      af: ['autofocus', true],
      mf: ['autofocus', false],
      sealed: ['sealed', true],
      fisheye: ['fisheye', true],
    } as const;
    const said = says[token.toLowerCase() as keyof typeof says];
    if (!said) return false;
    Object.assign(got, { [said[0]]: said[1] });
    return true;
  },
  (token, { got }, shelf) => {
    const mounts = [...shelf.bodies, ...shelf.lenses].map((i) => i.mount);
    const mount = mounts.find((m) => m.toLowerCase() === token.toLowerCase());
    if (mount === undefined || got.mount !== undefined) return false;
    got.mount = mount;
    return true;
  },
];

function takeRange(got: Understood, wide: string | undefined, long: string | undefined) {
  got.wideMm = Number(wide);
  got.longMm = Number(long ?? wide);
}

function takeFNumbers(got: Understood, wide: string | undefined, long: string | undefined) {
  got.wideFNumber = Number(wide);
  got.longFNumber = Number(long ?? wide);
}

/**
 * Reads lines of gear as photographers write them down, one item a line: `24-70 2.8`,
 * `100-400 4.5-6.3 1.4kg 95mm`, `50/1.4 owned 450`, `1.4x converter`, `tube 16mm`. Words that say
 * nothing of these are the item's name.
 */
export function readGearLines(text: string, shelf: Shelf): GearLine[] {
  let known = shelf;
  return text
    .split(/\r?\n/)
    .map((line) => line.trim())
    .filter((line) => line !== '')
    .map((line) => {
      const read = readLine(line.slice(0, 300), known);
      if (read.kind !== null)
        known = { ...known, [read.kind]: [...known[read.kind as ItemKind], read.item] };
      return read;
    });
}

/** What can be said by the line. */
export type GearByLine = Pick<Shelf, 'lenses' | 'converters' | 'tubes'>;

/** Lines with the lenses that each converter goes behind, by its id; a line does not say that. */
export function behindLenses(
  lines: readonly GearLine[],
  fits: Readonly<Record<string, readonly LensId[]>>,
): GearLine[] {
  return lines.map((line) =>
    line.kind === 'converters'
      ? { ...line, item: { ...line.item, lensIds: [...(fits[line.item.id] ?? [])] } }
      : line,
  );
}

/** The items of lines, kind by kind. */
export function gearOfLines(lines: readonly GearLine[]): GearByLine {
  const gear: GearByLine = { lenses: [], converters: [], tubes: [] };
  for (const line of lines) if (line.kind !== null) (gear[line.kind] as unknown[]).push(line.item);
  return gear;
}

function readLine(line: string, shelf: Shelf): GearLine {
  const reading: LineReading = { got: {}, money: null };
  const words = tokensOf(line);
  const { got: understood } = reading;
  const left: string[] = [];
  /** Words that aren't understood, with range and f-number where they stand: what it is called by. */
  const called: string[] = [];
  for (const token of words) {
    const { wideMm, wideFNumber } = understood;
    const isUnderstood = READERS.some((read) => read(token, reading, shelf));
    if (!isUnderstood) left.push(token);
    const isFigure = understood.wideMm !== wideMm || understood.wideFNumber !== wideFNumber;
    if (!isUnderstood || isFigure) called.push(token);
  }
  const isTube = left.some((w) => /^tube$/i.test(w));
  if (isTube) return tubeOf(line, understood, shelf);
  if (understood.factor !== undefined && understood.wideMm === undefined)
    return converterOf(line, understood, shelf);
  if (understood.wideMm === undefined) return { line, understood, kind: null, missing: 'range' };
  if (understood.wideFNumber === undefined)
    return { line, understood, kind: null, missing: 'f-number' };
  const name = left.length === 0 ? figuresOf(understood) : nameOf(called.join(' '));
  return lensFrom(line, name, understood, shelf);
}

/** Words of a line; units and f-numbers that stand apart are put to their numbers. */
function tokensOf(line: string): string[] {
  const words = line
    .replace(/(\d),(\d)/g, '$1.$2')
    .split(/[\s;,|]+/)
    .filter((w) => w !== '');
  const tokens: string[] = [];
  for (const word of words) {
    const before = tokens.at(-1);
    const isUnit = /^(?:mm|kg|g|oz|lbs?|m|cm|eur|usd|gbp|[€$£])$/i.test(word);
    const belongs =
      before !== undefined &&
      ((isUnit && /\d$/.test(before)) || /^(?:f\/?|ø|[€$£])$/i.test(before));
    if (belongs) tokens[tokens.length - 1] = before + word;
    else tokens.push(word);
  }
  return tokens;
}

const given = <T extends object>(fields: T) =>
  Object.fromEntries(
    Object.entries(fields).filter(([, value]) => value !== undefined),
  ) as Partial<T>;

const common = ({ weightG, priceNew, priceUsed, ownership, mount }: Understood) =>
  given({ weightG, priceNew, priceUsed, ownership, mount });

/** Stands until the line, or who pasted it, says more. */
const UNNAMED = { name: '–', mount: '–' };

function lensFrom(line: string, name: string, u: Understood, shelf: Shelf): GearLine {
  const { wideMm = 0, longMm = 0, wideFNumber = 0, longFNumber = 0 } = u;
  const fresh = newItem('lenses', shelf, UNNAMED);
  const read = lens.safeParse({
    ...fresh,
    autofocus: u.autofocus ?? null,
    ...common(u),
    ...given({ filterMm: u.filterMm, minFocusM: u.minFocusM, sealed: u.sealed }),
    projection: u.fisheye ? 'equisolid' : 'rectilinear',
    id: lensId.parse(freshId(line, shelfIds(shelf))),
    name,
    focal: { wideMm, longMm },
    apertures:
      wideMm === longMm
        ? [{ focalMm: wideMm, fNumber: wideFNumber }]
        : [
            { focalMm: wideMm, fNumber: wideFNumber },
            { focalMm: longMm, fNumber: longFNumber },
          ],
  });
  return read.success
    ? { line, understood: u, kind: 'lenses', item: read.data }
    : { line, understood: u, kind: null, missing: 'sense' };
}

function converterOf(line: string, u: Understood, shelf: Shelf): GearLine {
  const read = converter.safeParse({
    ...newItem('converters', shelf, UNNAMED),
    ...common(u),
    name: nameOf(line),
    factor: u.factor,
  });
  return read.success
    ? { line, understood: u, kind: 'converters', item: read.data }
    : { line, understood: u, kind: null, missing: 'sense' };
}

function tubeOf(line: string, u: Understood, shelf: Shelf): GearLine {
  const lengthMm = u.wideMm ?? u.filterMm;
  const understood: Understood = { ...common(u), ...given({ tubeMm: lengthMm }) };
  const read = tube.safeParse({
    ...newItem('tubes', shelf, UNNAMED),
    ...common(u),
    name: nameOf(line),
    lengthMm,
  });
  return read.success
    ? { line, understood, kind: 'tubes', item: read.data }
    : { line, understood, kind: null, missing: 'sense' };
}

const nameOf = (line: string) => line.replace(/\s+/g, ' ').slice(0, 120);

/** 18–55 mm f/3.5–5.6 */
function figuresOf({
  wideMm = 0,
  longMm = 0,
  wideFNumber = 0,
  longFNumber = 0,
}: Understood): string {
  const span = (from: number, to: number) => (from === to ? `${from}` : `${from}–${to}`);
  return `${span(wideMm, longMm)} mm f/${span(wideFNumber, longFNumber)}`;
}
