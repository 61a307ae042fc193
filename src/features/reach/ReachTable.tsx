'use client';

import { formatAngle, formatFNumber, formatFNumbers, formatFocalRange, reachText } from '@/text';
import { StateMark } from '@/parts';
import { diagonalAngle, type Highlight } from './chartOption';
import type { ReachData } from './chartData';

const t = reachText.reachTable;

interface ReachTableProps {
  readonly data: ReachData;
  readonly chosen: Highlight | null;
  readonly onChoose: (highlight: Highlight | null) => void;
  readonly onPoint: (highlight: Highlight | null) => void;
}

const SHOWN = 200;
const STANDINGS = { in: t.inTheLineup, free: t.mayBeChosen, out: t.leftOut } as const;

/** The chart in words; its rows light up the chart, by pointer or by keyboard. */
export function ReachTable({ data, chosen, onChoose, onPoint }: ReachTableProps) {
  const handlers = (highlight: Highlight) => ({
    'aria-pressed': chosen?.id === highlight.id,
    onClick: () => onChoose(chosen?.id === highlight.id ? null : highlight),
    onFocus: () => onPoint(highlight),
    onBlur: () => onPoint(null),
    onMouseEnter: () => onPoint(highlight),
    onMouseLeave: () => onPoint(null),
  });
  const angles = (from: number, to: number) =>
    from === to
      ? formatAngle(diagonalAngle(from))
      : t.to(formatAngle(diagonalAngle(from)), formatAngle(diagonalAngle(to)));
  const lenses = [...data.bands].sort(
    (a, b) =>
      Number(b.standing === 'in') - Number(a.standing === 'in') ||
      (a.path[0]?.focalMm ?? 0) - (b.path[0]?.focalMm ?? 0),
  );
  return (
    <div className="mt-4 grid gap-8 xl:grid-cols-2 [&>*]:min-w-0 [&>*]:relative [&>*]:overflow-x-auto">
      <div role="region" aria-label={t.pictures} tabIndex={0}>
        <table className="w-full border-collapse self-start">
          <caption className="pb-1 text-left font-(family-name:--font-title) text-lg">
            {t.pictures}
          </caption>
          <thead>
            <tr className="border-b border-ink text-left text-[12px] text-soft">
              {[t.picture, t.asksForOn3624, t.slowest].map((h) => (
                <th key={h} scope="col" className="py-1 pr-3 font-normal">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {data.spans.map(({ frame, number, span, state }) => (
              <tr
                key={frame.id}
                className={`border-b border-hair align-top ${chosen?.id === frame.id ? 'bg-chosen' : ''}`}
              >
                <td className="py-1 pr-3">
                  <button
                    type="button"
                    className="text-left"
                    {...handlers({ kind: 'frame', id: frame.id })}
                  >
                    <StateMark state={state} /> {number} {frame.name}
                  </button>
                </td>
                <td className="py-1 pr-3 whitespace-nowrap">
                  {span.mode === 'any' ? t.oneOf : ''}
                  {formatFocalRange(span.range.from, span.range.to)}
                  <span className="block text-[12px] text-soft">
                    {angles(span.range.from, span.range.to)}
                  </span>
                </td>
                <td className="py-1 whitespace-nowrap">
                  {span.slowest === null ? 'any' : slowestText(span.slowest)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div role="region" aria-label={t.lenses} tabIndex={0}>
        <table className="w-full border-collapse self-start">
          <caption className="pb-1 text-left font-(family-name:--font-title) text-lg">
            {t.lenses}
          </caption>
          <thead>
            <tr className="border-b border-ink text-left text-[12px] text-soft">
              {[t.lens, t.framesOn3624, 'f-number', ''].map((h) => (
                <th key={h} scope="col" className="py-1 pr-3 font-normal">
                  {h || <span className="sr-only">{t.status}</span>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {lenses.slice(0, SHOWN).map(({ lens, path, standing, bodyName }) => {
              const from = path[0] ?? { focalMm: 1, fNumber: 1 };
              const to = path.at(-1) ?? from;
              return (
                <tr
                  key={lens.id}
                  className={`border-b border-hair align-top ${chosen?.id === lens.id ? 'bg-chosen' : ''}`}
                >
                  <td className="py-1 pr-3">
                    <button
                      type="button"
                      className={`text-left ${standing === 'in' ? 'font-semibold text-got' : ''}`}
                      {...handlers({ kind: 'lens', id: lens.id })}
                    >
                      {lens.name}
                    </button>
                  </td>
                  <td className="py-1 pr-3 whitespace-nowrap">
                    {formatFocalRange(from.focalMm, to.focalMm)}
                    <span className="block text-[12px] text-soft">
                      {t.on(angles(from.focalMm, to.focalMm), bodyName)}
                    </span>
                  </td>
                  <td className="py-1 pr-3 whitespace-nowrap">
                    {formatFNumbers(from.fNumber, to.fNumber)}
                  </td>
                  <td className="py-1 text-soft">{STANDINGS[standing]}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </div>
  );
}

/** Beyond this every lens is fast enough, and the figure says nothing more. */
const ANY_LENS_FROM = 22;

function slowestText({ wide, long }: { wide: number; long: number }): string {
  const text = (n: number) => (n >= ANY_LENS_FROM ? 'any' : formatFNumber(n));
  return text(wide) === text(long) ? text(wide) : t.to2(text(wide), text(long));
}
