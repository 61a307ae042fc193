import Papa from 'papaparse';
import {
  type AperturePoint,
  figuresOf,
  type FocalRange,
  ITEM_FIGURES,
  type Lens,
  lens as lensSchema,
  LENS_FIGURES,
} from '@/core/gear';
import { freshId } from '../freshId';
import { type FieldProblem, problemOf, TELLING } from '../problems';

type SnakeCase<S extends string> = S extends `${infer Head}${infer Tail}`
  ? `${Head extends Lowercase<Head> ? Head : `_${Lowercase<Head>}`}${SnakeCase<Tail>}`
  : '';
const snakeCase = <S extends string>(key: S) =>
  key.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`) as SnakeCase<S>;

/** The figures of a lens by their columns. */
const LENS_CELLS = figuresOf(LENS_FIGURES).map(([key, figure]) => ({
  key,
  figure,
  column: snakeCase(key),
}));
const ITEM_CELLS = figuresOf(ITEM_FIGURES).map(([key, figure]) => ({
  key,
  figure,
  column: snakeCase(key),
}));
const CELLS = [...LENS_CELLS, ...ITEM_CELLS];

/** The columns of a lens table, in their order. Empty cells are "not known". */
export const LENS_COLUMNS = [
  'id',
  'name',
  'maker',
  'mount',
  'wide_mm',
  'long_mm',
  'measured_wide_mm',
  'measured_long_mm',
  'f_numbers',
  'projection',
  ...LENS_CELLS.map(({ column }) => column),
  'grade',
  ...ITEM_CELLS.map(({ column }) => column),
  'ownership',
] as const;

type Column = (typeof LENS_COLUMNS)[number];
const REQUIRED: readonly Column[] = ['name', 'mount', 'wide_mm', 'f_numbers'];

/** What is wrong with a cell, a column or the table. */
export type CsvProblem =
  | { readonly code: 'no-header' | 'missing-column' }
  | { readonly code: 'not-a-number' | 'not-yes-or-no' | 'not-f-numbers'; readonly got: string }
  | { readonly code: 'field'; readonly problem: FieldProblem };

export interface CsvIssue {
  /** Line of the table, the header being line 1; 0 for the table as a whole. */
  readonly line: number;
  readonly column: string;
  readonly problem: CsvProblem;
}

export interface LensTable {
  readonly lenses: readonly Lens[];
  readonly issues: readonly CsvIssue[];
}

/** A table with the header and one example row. */
export const LENS_CSV_TEMPLATE = Papa.unparse(
  [
    [...LENS_COLUMNS],
    [
      '',
      '24–105 mm f/4–5.6',
      'Invented',
      'Example K',
      '24',
      '105',
      '',
      '',
      '4-5.6',
      'rectilinear',
      '44',
      '0.38',
      '0.31',
      '3',
      'yes',
      '77',
      'yes',
      '22',
      '',
      'no',
      'yes',
      '118',
      '83',
      'good',
      '660',
      '1250',
      '720',
      'owned',
    ],
  ],
  { newline: '\n' },
);

/** Writes lenses as CSV; a cell that a spreadsheet would take for a formula is quoted with '. */
export function writeLensCsv(lenses: readonly Lens[]): string {
  return Papa.unparse(
    { fields: [...LENS_COLUMNS], data: lenses.map((l) => LENS_COLUMNS.map((c) => cellsOf(l)[c])) },
    { newline: '\n', escapeFormulae: true },
  );
}

/** Several times the length of all column names. */
const LONGEST_HEADER = 5000;

/**
 * Reads a lens table: comma, semicolon or tab separated. Rows that can be read become lenses; every
 * other row is reported with its line, column and mend.
 */
export function readLensCsv(text: string, taken: ReadonlySet<string>): LensTable {
  const header =
    text
      .trimStart()
      .slice(0, LONGEST_HEADER + 1)
      .split(/[\r\n]/, 1)[0] ?? '';
  if (header.length > LONGEST_HEADER)
    return {
      lenses: [],
      issues: [{ line: 1, column: '', problem: { code: 'no-header' } }],
    };
  const { data, meta } = Papa.parse<Record<string, string | undefined>>(text.trim(), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (header) => header.trim().toLowerCase(),
    transform: (cell) => cell.trim().replace(/^'(?=[=+\-@\t\r])/, ''),
  });
  const headers = new Set(meta.fields ?? []);
  const absent = REQUIRED.filter((c) => !headers.has(c));
  if (absent.length > 0) {
    return {
      lenses: [],
      issues: absent.map((column) => ({
        line: 1,
        column,
        problem: { code: 'missing-column' as const },
      })),
    };
  }
  const ids = new Set(taken);
  const lenses: Lens[] = [];
  const issues: CsvIssue[] = [];
  data.forEach((row, i) => {
    const line = i + 2;
    const problems: CsvIssue[] = [];
    const candidate = candidateOf(row, (column, problem) =>
      problems.push({ line, column, problem }),
    );
    const id = row.id || freshId(`${row.maker ?? ''} ${row.name ?? ''}`, ids);
    const parsed = lensSchema.safeParse({ ...candidate, id }, TELLING);
    if (problems.length === 0 && parsed.success) {
      ids.add(id);
      lenses.push(parsed.data);
    } else if (problems.length > 0) {
      issues.push(...problems);
    } else if (!parsed.success) {
      issues.push(
        ...parsed.error.issues.map((issue) => ({
          line,
          column: columnOf(issue.path),
          problem: { code: 'field' as const, problem: problemOf(issue) },
        })),
      );
    }
  });
  return { lenses, issues };
}

type Complain = (column: Column, problem: CsvProblem) => void;

function candidateOf(
  row: Record<string, string | undefined>,
  complain: Complain,
): Record<string, unknown> {
  const number = (column: Column): number | null => {
    const cell = row[column] ?? '';
    if (cell === '') return null;
    const value = Number(cell.replace(',', '.'));
    if (!Number.isFinite(value)) complain(column, { code: 'not-a-number', got: cell });
    return value;
  };
  const yesNo = (column: Column): boolean | null => {
    const cell = (row[column] ?? '').toLowerCase();
    if (cell === '') return null;
    if (cell !== 'yes' && cell !== 'no') complain(column, { code: 'not-yes-or-no', got: cell });
    return cell === 'yes';
  };
  const wideMm = number('wide_mm');
  const focal = { wideMm: wideMm ?? undefined, longMm: number('long_mm') ?? wideMm ?? undefined };
  const measuredWide = number('measured_wide_mm');
  const measuredLong = number('measured_long_mm') ?? measuredWide;
  return {
    name: row.name,
    maker: row.maker ?? '',
    mount: row.mount,
    focal,
    measured: measuredWide === null ? null : { wideMm: measuredWide, longMm: measuredLong },
    apertures: aperturesOf(row.f_numbers ?? '', focal, complain),
    projection: projectionOf(row.projection ?? ''),
    ...Object.fromEntries(
      CELLS.map(({ key, figure, column }) => [
        key,
        figure.measure === 'flag' ? yesNo(column) : number(column),
      ]),
    ),
    grade: row.grade || null,
    ownership: row.ownership || 'owned',
    loan: null,
  };
}

/** A fisheye of no stated kind is taken as an equisolid one, the most common. */
function projectionOf(cell: string): string {
  if (cell === '') return 'rectilinear';
  return cell === 'fisheye' ? 'equisolid' : cell;
}

/** 2.8, or 4-6.3 for the two ends, or 24:4 50:4.5 240:6.3 for a table of points. */
function aperturesOf(
  cell: string,
  focal: { wideMm: number | undefined; longMm: number | undefined },
  complain: Complain,
): AperturePoint[] {
  const { wideMm, longMm } = focal;
  if (wideMm === undefined || longMm === undefined) return [];
  const table = cell.split(/[\s|]+/).map((point) => /^([\d.]+):([\d.]+)$/.exec(point));
  if (table.every((point) => point !== null)) {
    return table.map((point) => ({ focalMm: Number(point[1]), fNumber: Number(point[2]) }));
  }
  const ends = /^(?:f\/?)?(\d+(?:\.\d+)?)(?:\s*[-–]\s*(\d+(?:\.\d+)?))?$/i.exec(cell);
  if (!ends) {
    complain('f_numbers', { code: 'not-f-numbers', got: cell });
    return [];
  }
  const wide = { focalMm: wideMm, fNumber: Number(ends[1]) };
  return wideMm === longMm
    ? [wide]
    : [wide, { focalMm: longMm, fNumber: Number(ends[2] ?? ends[1]) }];
}

function columnOf(path: readonly PropertyKey[]): string {
  const [field, end] = path.map(String);
  if (field === 'focal') return end === 'longMm' ? 'long_mm' : 'wide_mm';
  if (field === 'measured') return end === 'longMm' ? 'measured_long_mm' : 'measured_wide_mm';
  if (field === 'apertures') return 'f_numbers';
  return CELLS.find(({ key }) => key === field)?.column ?? field ?? '';
}

function cellsOf(l: Lens): Record<Column, string | number> {
  return {
    id: l.id,
    name: l.name,
    maker: l.maker,
    mount: l.mount,
    wide_mm: l.focal.wideMm,
    long_mm: l.focal.longMm,
    ...measuredCells(l.measured),
    f_numbers: l.apertures.map((p) => `${p.focalMm}:${p.fNumber}`).join(' '),
    projection: l.projection,
    ...figureCells(l),
    grade: l.grade ?? '',
    ownership: l.ownership,
  };
}

function figureCells(l: Lens) {
  const cell = (value: number | boolean | null) =>
    typeof value === 'boolean' ? (value ? 'yes' : 'no') : (value ?? '');
  return Object.fromEntries(CELLS.map(({ key, column }) => [column, cell(l[key])])) as Record<
    (typeof CELLS)[number]['column'],
    string | number
  >;
}

function measuredCells(measured: FocalRange | null) {
  return { measured_wide_mm: measured?.wideMm ?? '', measured_long_mm: measured?.longMm ?? '' };
}
