import type { Column } from '@/core/compare';
import {
  besideText,
  formatAngle,
  formatFNumbers,
  formatFocalRange,
  formatMagnification,
  formatMetres,
  formatMm,
  formatMoney,
  formatStops,
  formatWeight,
  GRADE_NAMES,
  OWNERSHIPS,
} from '@/text';
import { angleOfViewDeg, FULL_FRAME } from '@/core/optics';
import { columnName } from './columnName';

const t = besideText;

/** One figure of every lens: as text, and as a number where it can be told by how much they differ. */
interface FigureRow {
  readonly label: string;
  readonly text: (column: Column) => string | null;
  readonly number?: (column: Column) => number | null;
  readonly format?: (value: number) => string;
}

/** Said on every format that a lens is used on, a line for each. */
const byFormat = ({ bands }: Column, say: (band: Column['bands'][number]) => string) =>
  bands.length === 0
    ? null
    : bands.map((band) => t.onFormat(say(band), t.format(band.formatKey))).join('\n');

const known = (value: number | null, format: (value: number) => string) =>
  value === null ? null : format(value);

function rowsOf(currency: string): readonly FigureRow[] {
  const money = (value: number) => formatMoney(value, currency);
  const figure = (
    label: string,
    number: (column: Column) => number | null,
    format: (value: number) => string,
  ): FigureRow => ({ label, number, format, text: (column) => known(number(column), format) });
  const yesNo = (value: boolean | null) => (value === null ? null : value ? t.yes : t.no);
  return [
    { label: t.rows.focal, text: ({ focal }) => formatFocalRange(focal.wideMm, focal.longMm) },
    {
      label: t.rows.equivalent,
      text: (c) => byFormat(c, ({ range }) => formatFocalRange(range.from, range.to)),
    },
    {
      label: t.rows.angle,
      text: (c) =>
        byFormat(c, ({ range }) => {
          const [wide, long] = [range.from, range.to].map((mm) =>
            formatAngle(angleOfViewDeg(mm, FULL_FRAME)),
          );
          return wide === long ? `${wide}` : `${wide}–${long}`;
        }),
    },
    { label: t.rows.light, text: ({ fNumbers }) => formatFNumbers(...fNumbers) },
    {
      label: t.rows.blur,
      text: (c) =>
        byFormat(c, ({ cropFactor }) =>
          formatFNumbers(c.fNumbers[0] * cropFactor, c.fNumbers[1] * cropFactor),
        ),
    },
    figure(t.rows.weight, (c) => c.weightG, formatWeight),
    figure(t.rows.focus, ({ lens }) => lens.minFocusM, formatMetres),
    figure(t.rows.magnification, (c) => c.maxMagnification, formatMagnification),
    figure(
      t.rows.stabiliser,
      ({ lens }) => lens.stabiliserStops,
      (stops) => (stops === 0 ? t.none : formatStops(stops)),
    ),
    { label: t.rows.sealed, text: ({ lens }) => yesNo(lens.sealed) },
    {
      label: t.rows.grade,
      text: ({ lens }) => (lens.grade === null ? null : GRADE_NAMES[lens.grade]),
    },
    figure(t.rows.thread, ({ lens }) => lens.filterMm, formatMm),
    figure(t.rows.priceNew, ({ lens }) => lens.priceNew, money),
    figure(t.rows.priceUsed, ({ lens }) => lens.priceUsed, money),
    { label: t.rows.from, text: ({ lens }) => OWNERSHIPS[lens.ownership] },
  ];
}

/** Figures in columns, with the differences to the first; what is alike everywhere stands once. */
export function FiguresTable({
  columns,
  currency,
}: {
  readonly columns: readonly Column[];
  readonly currency: string;
}) {
  const [first] = columns;
  const rows = rowsOf(currency).filter((row) => columns.some((c) => row.text(c) !== null));
  return (
    <section aria-label={t.figures}>
      <h2 className="mb-1 text-lg">{t.figures}</h2>
      <div className="overflow-x-auto" tabIndex={0}>
        <table className="w-full border-collapse">
          <thead>
            <tr className="border-b border-ink text-left align-bottom">
              <th scope="col" className="py-1 pr-4 text-[12px] font-normal text-soft">
                {t.figure}
              </th>
              {columns.map((c) => (
                <th key={c.key} scope="col" className="py-1 pr-4">
                  {columnName(c)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.label} className="border-b border-hair align-top">
                <th scope="row" className="min-w-36 py-1 pr-4 text-left font-normal text-soft">
                  {row.label}
                </th>
                {columns.map((c) => (
                  <td key={c.key} className="min-w-28 py-1 pr-4 whitespace-pre-line">
                    {row.text(c) ?? t.unknown}{' '}
                    <span className="text-soft">
                      {c === first ? '' : difference(row, c, first)}
                    </span>
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** By how much a figure differs from that of the first; nothing where it doesn't or isn't known. */
function difference({ number, format }: FigureRow, column: Column, first: Column | undefined) {
  if (!number || !format || !first) return '';
  const [own, other] = [number(column), number(first)];
  if (own === null || other === null || own === other) return '';
  return t.ofTheFirst(`${own > other ? '+' : '−'}${format(Math.abs(own - other))}`);
}
