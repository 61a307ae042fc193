'use client';

import { scaleLog } from 'd3-scale';
import { countingRange, type Lens } from '@/core/gear';
import type { MissingKind } from '@/core/next';
import { FULL_FRAME, sideMm } from '@/core/optics';
import { digits, itemNameOf, nextText } from '@/text';
import { AcrossMarks, AxisWords } from '@/ui';
import { kindName } from './kindName';
import type { NextWork } from './useNextWork';

const t = nextText.missing;

const WIDTH = 760;
const ROW = 22;
const TOP = 30;
const EDGE = { left: 12, right: 12 };
const MARKS = [10, 14, 20, 28, 35, 50, 70, 100, 135, 200, 300, 400, 600, 800];
/** Lenses of one's own that are drawn, the most. */
const MOST_OWN = 12;
const FULL_DIAGONAL_MM = sideMm(FULL_FRAME, 'diagonal');

/** What is missing among one's own lenses, along focal length as if all were used on 36 × 24 mm. */
export function MissingPlot({ work, kinds }: { work: NextWork; kinds: readonly MissingKind[] }) {
  const name = itemNameOf(work.shelf);
  const crop = cropOn(work);
  const own = work.shelf.lenses
    .filter((l) => l.ownership === 'owned' && work.shelf.bodies.some((b) => b.mount === l.mount))
    .map((lens) => ({ lens, ...countingRange(lens) }))
    .sort((a, b) => a.wideMm * crop(a.lens) - b.wideMm * crop(b.lens))
    .slice(0, MOST_OWN);
  const ends = [
    ...own.map((o) => [o.lens, o.wideMm, o.longMm] as const),
    ...kinds.map(({ lens }) => [lens, lens.focal.wideMm, lens.focal.longMm] as const),
  ];
  const least = Math.min(...ends.map(([lens, wide]) => wide * crop(lens)));
  const most = Math.max(...ends.map(([lens, , long]) => long * crop(lens)));
  const x = scaleLog()
    .domain([least / 1.15, most * 1.15])
    .range([EDGE.left, WIDTH - EDGE.right]);
  const marks = MARKS.filter((mm) => mm >= least / 1.1 && mm <= most * 1.1);
  const height = TOP + (own.length + kinds.length) * ROW + 12;
  return (
    <figure className="max-w-4xl min-w-0">
      <div
        className="overflow-x-auto"
        tabIndex={0}
        role="region"
        aria-label={t.chart(kinds.length)}
      >
        <svg
          viewBox={`0 0 ${WIDTH} ${height}`}
          role="img"
          aria-label={t.chart(kinds.length)}
          className="w-full min-w-[560px] border border-hair bg-sheet"
          data-testid="missing-plot"
        >
          <AcrossMarks
            marks={marks.map((mm) => ({ value: mm, label: digits(mm, 0), at: x(mm) }))}
            y={16}
          />
          {marks.map((mm) => (
            <path
              key={mm}
              d={`M${x(mm)} ${TOP - 8}V${height}`}
              stroke="var(--hair)"
              strokeWidth={0.5}
            />
          ))}
          {own.map(({ lens, wideMm, longMm }, i) => (
            <Band
              key={lens.id}
              y={TOP + (i + 0.5) * ROW}
              from={x(wideMm * crop(lens))}
              to={x(longMm * crop(lens))}
              label={name(lens.id)}
            />
          ))}
          {kinds.map(({ lens, loosest }, i) => (
            <Band
              key={lens.id}
              y={TOP + (own.length + i + 0.5) * ROW}
              from={x(lens.focal.wideMm * crop(lens))}
              to={x(lens.focal.longMm * crop(lens))}
              needed={[x(loosest.wideMm * crop(lens)), x(loosest.longMm * crop(lens))]}
              label={kindName(lens)}
            />
          ))}
        </svg>
      </div>
      <figcaption className="flex flex-wrap gap-x-6 text-[12px] text-soft">
        <Key fill="var(--ink-soft)">{t.yours}</Key>
        <Key fill="var(--got)">{t.needed}</Key>
        <span>{t.axis}</span>
      </figcaption>
    </figure>
  );
}

function Key({ fill, children }: { fill: string; children: string }) {
  return (
    <span className="inline-flex items-center gap-1.5">
      <span aria-hidden className="inline-block h-1.5 w-4" style={{ background: fill }} />
      {children}
    </span>
  );
}

/** By what a focal length is multiplied: by the sensor of the largest camera of its mount, or by its circle. */
function cropOn({ shelf }: NextWork): (lens: Lens) => number {
  return ({ mount, imageCircleMm }) => {
    const sensors = shelf.bodies.flatMap(({ mount: m, sensor }) =>
      m === mount ? [sideMm(sensor, 'diagonal')] : [],
    );
    const within = sensors.filter((mm) => imageCircleMm === null || mm <= imageCircleMm + 0.5);
    return FULL_DIAGONAL_MM / Math.max(...(within.length > 0 ? within : [FULL_DIAGONAL_MM]));
  };
}

/** A range as a band, its name before it or, where there is no room, behind it. */
function Band({
  y,
  from,
  to,
  needed,
  label,
}: {
  y: number;
  from: number;
  to: number;
  needed?: readonly [number, number];
  label: string;
}) {
  const width = Math.max(4, to - from);
  const isRight = from + width < WIDTH - 200;
  return (
    <g>
      <rect
        x={from}
        y={y - 4}
        width={width}
        height={8}
        fill={needed ? 'var(--got-wash)' : 'var(--ink-soft)'}
        stroke={needed ? 'var(--got)' : 'none'}
      />
      {needed && (
        <rect
          x={needed[0]}
          y={y - 4}
          width={Math.max(4, needed[1] - needed[0])}
          height={8}
          fill="var(--got)"
        />
      )}
      <AxisWords
        x={isRight ? from + width + 6 : from - 6}
        y={y + 4}
        anchor={isRight ? 'start' : 'end'}
      >
        {label}
      </AxisWords>
    </g>
  );
}
