'use client';

import type { ReactNode } from 'react';
import { formatAngle, formatFNumber, formatFNumbers, formatFocalRange, reachText } from '@/text';
import { TableHead } from '@/ui';
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

type RowHandlers = ReturnType<typeof handlersOf>;

/** What a row does: it lights up the chart, by pointer or by keyboard. */
function handlersOf(
  highlight: Highlight,
  { chosen, onChoose, onPoint }: Omit<ReachTableProps, 'data'>,
) {
  const isChosen = chosen?.id === highlight.id;
  return {
    'aria-pressed': isChosen,
    onClick: () => onChoose(isChosen ? null : highlight),
    onFocus: () => onPoint(highlight),
    onBlur: () => onPoint(null),
    onMouseEnter: () => onPoint(highlight),
    onMouseLeave: () => onPoint(null),
  };
}

/** The chart in words. */
export function ReachTable({ data, ...pointing }: ReachTableProps) {
  const handlers = (highlight: Highlight) => handlersOf(highlight, pointing);
  const lenses = [...data.bands].sort(
    (a, b) =>
      Number(b.standing === 'in') - Number(a.standing === 'in') ||
      (a.path[0]?.focalMm ?? 0) - (b.path[0]?.focalMm ?? 0),
  );
  return (
    <div className="mt-4 grid gap-8 xl:grid-cols-2 [&>*]:min-w-0 [&>*]:relative [&>*]:overflow-x-auto">
      <Table caption={t.pictures} headings={[t.picture, t.asksForOn3624, t.slowest]}>
        {data.spans.map((span) => (
          <PictureRow
            key={span.frame.id}
            span={span}
            handlers={handlers({ kind: 'frame', id: span.frame.id })}
          />
        ))}
      </Table>
      <Table
        caption={t.lenses}
        headings={[t.lens, t.framesOn3624, t.fNumber]}
        lastHeading={t.status}
      >
        {lenses.slice(0, SHOWN).map((band) => (
          <LensRow
            key={band.lens.id}
            band={band}
            handlers={handlers({ kind: 'lens', id: band.lens.id })}
          />
        ))}
      </Table>
    </div>
  );
}

/** @param lastHeading of the last column; for screen readers alone */
function Table({
  caption,
  headings,
  lastHeading,
  children,
}: {
  readonly caption: string;
  readonly headings: readonly string[];
  readonly lastHeading?: string;
  readonly children: ReactNode;
}) {
  return (
    <div role="region" aria-label={caption} tabIndex={0}>
      <table className="w-full border-collapse self-start">
        <caption className="pb-1 text-left font-(family-name:--font-title) text-lg">
          {caption}
        </caption>
        <TableHead
          heads={[...headings, ...(lastHeading ? [{ text: lastHeading, isSaidOnly: true }] : [])]}
        />
        <tbody>{children}</tbody>
      </table>
    </div>
  );
}

const rowLook = (handlers: RowHandlers) =>
  `border-b border-hair align-top ${handlers['aria-pressed'] ? 'bg-chosen' : ''}`;

function PictureRow({
  span: { frame, number, span, state },
  handlers,
}: {
  readonly span: ReachData['spans'][number];
  readonly handlers: RowHandlers;
}) {
  const range = formatFocalRange(span.range.from, span.range.to);
  return (
    <tr className={rowLook(handlers)}>
      <td className="py-1 pr-3">
        <button type="button" className="text-left" {...handlers}>
          <StateMark state={state} /> {number} {frame.name}
        </button>
      </td>
      <td className="py-1 pr-3 whitespace-nowrap">
        {span.mode === 'any' ? t.oneOf(range) : range}
        <span className="block text-[12px] text-soft">
          {anglesText(span.range.from, span.range.to)}
        </span>
      </td>
      <td className="py-1 whitespace-nowrap">
        {span.slowest === null ? t.any : slowestText(span.slowest)}
      </td>
    </tr>
  );
}

function LensRow({
  band: { lens, path, standing, bodyName },
  handlers,
}: {
  readonly band: ReachData['bands'][number];
  readonly handlers: RowHandlers;
}) {
  const from = path[0] ?? { focalMm: 1, fNumber: 1 };
  const to = path.at(-1) ?? from;
  return (
    <tr className={rowLook(handlers)}>
      <td className="py-1 pr-3">
        <button
          type="button"
          className={`text-left ${standing === 'in' ? 'font-semibold text-got' : ''}`}
          {...handlers}
        >
          {lens.name}
        </button>
      </td>
      <td className="py-1 pr-3 whitespace-nowrap">
        {formatFocalRange(from.focalMm, to.focalMm)}
        <span className="block text-[12px] text-soft">
          {t.on(anglesText(from.focalMm, to.focalMm), bodyName)}
        </span>
      </td>
      <td className="py-1 pr-3 whitespace-nowrap">{formatFNumbers(from.fNumber, to.fNumber)}</td>
      <td className="py-1 text-soft">{STANDINGS[standing]}</td>
    </tr>
  );
}

function anglesText(fromMm: number, toMm: number): string {
  const from = formatAngle(diagonalAngle(fromMm));
  return fromMm === toMm ? from : t.to(from, formatAngle(diagonalAngle(toMm)));
}

/** Beyond this every lens is fast enough, and the figure says nothing more. */
const ANY_LENS_FROM = 22;

function slowestText({ wide, long }: { wide: number; long: number }): string {
  const text = (n: number) => (n >= ANY_LENS_FROM ? t.any : formatFNumber(n));
  return text(wide) === text(long) ? text(wide) : t.to2(text(wide), text(long));
}
