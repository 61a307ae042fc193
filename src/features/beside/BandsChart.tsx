'use client';

import { useId } from 'react';
import type { Band, Column, SideBySide } from '@/core/compare';
import { useKnownGear } from '@/session';
import { besideText, formatAngle, formatCrop, plainList } from '@/text';
import { DrawnWords, Hatch, useSize } from '@/ui';
import { angleTicks } from '@/parts';
import { columnName } from './columnName';

const t = besideText;

const ROW_PX = 34;
const BAR_PX = 9;
/** Room above for the angles, and below for the focal lengths, px. */
const TOP_PX = 26;
const BOTTOM_PX = 24;
const SIDE_PX = 12;
/** A lens of one focal length is seen, px. */
const LEAST_PX = 5;
/** About how broad a letter is, px. */
const LETTER_PX = 6.3;
/** Room left and right of what is reached, as a ratio. */
const MARGIN = 1.18;

/** The bands of each lens on each format that it is used on, on the axis that all pages share. */
export function BandsChart({ sides }: { readonly sides: SideBySide }) {
  const [box, size] = useSize();
  const hatch = useId();
  const { columns, gaps, overlaps } = sides;
  const rows = columns.flatMap((column) =>
    column.bands.map((band, i) => ({ column, band, isFirst: i === 0 })),
  );
  const bare = columns.filter((c) => c.bands.length === 0);
  if (rows.length === 0) return bare.map((c) => <p key={c.key}>{t.noCamera}</p>);
  const from = Math.min(...rows.map(({ band }) => band.range.from)) / MARGIN;
  const to = Math.max(...rows.map(({ band }) => band.range.to)) * MARGIN;
  const width = Math.max(240, size.width);
  const x = (mm: number) =>
    SIDE_PX + ((width - 2 * SIDE_PX) * Math.log(mm / from)) / Math.log(to / from);
  const height = TOP_PX + rows.length * ROW_PX + BOTTOM_PX;
  const bottom = height - BOTTOM_PX;
  const { focals, angles } = angleTicks(from, to);
  return (
    <figure>
      <div ref={box} className="w-full border-y border-hair bg-sheet">
        <svg
          width={width}
          height={height}
          role="img"
          aria-label={t.chartOf(columns.length)}
          className="block"
        >
          <Hatch id={hatch} />
          {overlaps.map(({ range, lensIds }) => (
            <rect
              key={`${lensIds} ${range.from}`}
              x={x(range.from)}
              y={TOP_PX}
              width={Math.max(LEAST_PX, x(range.to) - x(range.from))}
              height={bottom - TOP_PX}
              fill="var(--tone-1)"
            />
          ))}
          {gaps.map(({ range, crop }) => (
            <g key={range.from}>
              <rect
                x={x(range.from)}
                y={TOP_PX}
                width={x(range.to) - x(range.from)}
                height={bottom - TOP_PX}
                fill={`url(#${hatch})`}
              />
              <DrawnWords x={(x(range.from) + x(range.to)) / 2} y={bottom - 6} anchor="middle">
                {formatCrop(crop)}
              </DrawnWords>
            </g>
          ))}
          {angles.map(({ deg, mm }) => (
            <DrawnWords key={deg} x={x(mm)} y={14} anchor="middle" colour="var(--ink-soft)">
              {formatAngle(deg)}
            </DrawnWords>
          ))}
          {focals.map((mm) => (
            <DrawnWords key={mm} x={x(mm)} y={height - 8} anchor="middle" colour="var(--ink-soft)">
              {`${mm}`}
            </DrawnWords>
          ))}
          <path d={`M0 ${TOP_PX}H${width}M0 ${bottom}H${width}`} stroke="var(--edge)" />
          {rows.map(({ column, band, isFirst }, i) => (
            <Row
              key={`${column.key} ${band.formatKey}`}
              {...{ column, band, isFirst, x, width }}
              y={TOP_PX + i * ROW_PX}
            />
          ))}
        </svg>
      </div>
      <figcaption className="mt-1 text-[12px] text-soft">{t.axis}</figcaption>
      {bare.map((c) => (
        <p key={c.key} className="text-[13px] text-soft">
          {c.lens.name}: {t.noCamera}
        </p>
      ))}
    </figure>
  );
}

function Row({
  column,
  band,
  isFirst,
  x,
  y,
  width,
}: {
  readonly column: Column;
  readonly band: Band;
  readonly isFirst: boolean;
  readonly x: (mm: number) => number;
  readonly y: number;
  readonly width: number;
}) {
  const { bodies } = useKnownGear();
  const [from, to] = [x(band.range.from), x(band.range.to)];
  const names = plainList(band.bodyIds.map((id) => bodies.find((b) => b.id === id)?.name ?? ''));
  // A lens is named at its first band.
  const label = isFirst ? `${columnName(column)} · ` : '';
  const text = `${label}${t.on(names, t.format(band.formatKey))}`;
  // Where it would run off the paper it ends where the band ends.
  const ends = from + LETTER_PX * text.length > width - SIDE_PX;
  return (
    <g>
      <DrawnWords
        x={ends ? Math.max(to, from + LEAST_PX) : from}
        y={y + 14}
        anchor={ends ? 'end' : 'start'}
      >
        {text}
      </DrawnWords>
      <rect
        x={from}
        y={y + 19}
        width={Math.max(LEAST_PX, to - from)}
        height={BAR_PX}
        fill={isFirst ? 'var(--ink)' : 'var(--sheet)'}
        stroke="var(--ink)"
      />
    </g>
  );
}
