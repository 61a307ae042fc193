'use client';

import { useId } from 'react';
import type { Gap, Overlap } from '@/core/lineup';
import type { Interval } from '@/core/intervals';
import { formatAngle, formatCrop, panelText } from '@/text';
import { DrawnWords, Hatch, useSize } from '@/ui';
import { angleTicks } from './angleAxis';

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

/** What a row of the drawing shows. */
export interface BandRow {
  readonly key: string;
  /** What stands over its band. */
  readonly words: string;
  /** Focal lengths on the 36×24 mm frame, mm. */
  readonly range: Interval;
  /** The same lens as the row before. */
  readonly isAgain?: boolean;
  /** What a converter, or the crop allowed, reaches beyond it. */
  readonly beyond?: readonly { readonly by: 'converter' | 'crop'; readonly range: Interval }[];
}

interface Bands {
  readonly rows: readonly BandRow[];
  readonly gaps: readonly Pick<Gap, 'range' | 'crop'>[];
  readonly overlaps: readonly Pick<Overlap, 'range' | 'lensIds'>[];
  /** What it shows, for who can't see it. */
  readonly label: string;
}

/** Ranges one under another on the axis that all pages share, with the gaps and overlaps between them. */
export function RangeBands({ rows, gaps, overlaps, label }: Bands) {
  const [box, size] = useSize();
  const hatch = useId();
  if (rows.length === 0) return null;
  const ranges = rows.flatMap((row) => [row.range, ...(row.beyond ?? []).map((b) => b.range)]);
  const from = Math.min(...ranges.map((r) => r.from)) / MARGIN;
  const to = Math.max(...ranges.map((r) => r.to)) * MARGIN;
  const width = Math.max(240, size.width);
  const x = (mm: number) =>
    SIDE_PX + ((width - 2 * SIDE_PX) * Math.log(mm / from)) / Math.log(to / from);
  const height = TOP_PX + rows.length * ROW_PX + BOTTOM_PX;
  const bottom = height - BOTTOM_PX;
  const { focals, angles } = angleTicks(from, to, width - 2 * SIDE_PX);
  return (
    <figure>
      <div ref={box} className="w-full border-y border-hair bg-sheet">
        <svg width={width} height={height} role="img" aria-label={label} className="block">
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
          {rows.map((row, i) => (
            <Row key={row.key} {...{ row, x, width }} y={TOP_PX + i * ROW_PX} />
          ))}
        </svg>
      </div>
      <figcaption className="mt-1 text-[12px] text-soft">{panelText.ranges.axis}</figcaption>
    </figure>
  );
}

const DASHES = { converter: '6 3', crop: '1.5 3' } as const;

function Row({
  row: { words, range, isAgain = false, beyond = [] },
  x,
  y,
  width,
}: {
  readonly row: BandRow;
  readonly x: (mm: number) => number;
  readonly y: number;
  readonly width: number;
}) {
  const [from, to] = [x(range.from), x(range.to)];
  // Where they would run off the paper they end where the band ends.
  const ends = from + LETTER_PX * words.length > width - SIDE_PX;
  return (
    <g>
      <DrawnWords
        x={ends ? Math.max(to, from + LEAST_PX) : from}
        y={y + 14}
        anchor={ends ? 'end' : 'start'}
      >
        {words}
      </DrawnWords>
      <rect
        x={from}
        y={y + 19}
        width={Math.max(LEAST_PX, to - from)}
        height={BAR_PX}
        fill={isAgain ? 'var(--sheet)' : 'var(--ink)'}
        stroke="var(--ink)"
      />
      {beyond.map((b) => (
        <path
          key={b.by}
          d={`M${x(b.range.from)} ${y + 19 + BAR_PX / 2}H${x(b.range.to)}`}
          stroke="var(--ink)"
          strokeWidth={b.by === 'converter' ? 4 : 2}
          strokeDasharray={DASHES[b.by]}
        />
      ))}
    </g>
  );
}
