'use client';

import { scaleLinear } from 'd3-scale';
import type { NextThing, Worth } from '@/core/next';
import { formatMoney, formatPercent, itemNameOf, nextText } from '@/text';
import { AcrossMarks, AxisWords, DrawnWords, marksOf, placedNames, UpMarks } from '@/ui';
import type { NextWork } from './useNextWork';

const t = nextText.step;

const WIDTH = 640;
const HEIGHT = 230;
const EDGE = { left: 56, right: 40, top: 34, bottom: 42 };
/** Points beside which the name stands too. */
const MOST_NAMES = 3;
const RADIUS = 9;

/** What each thing adds against its net cost: the same axes as the staircase. */
export function StepPlot({ work, things }: { work: NextWork; things: readonly NextThing[] }) {
  const priced = things.flatMap((thing, i) =>
    thing.netCost === null ? [] : [{ thing, cost: thing.netCost, number: i + 1 }],
  );
  const name = itemNameOf(work.shelf);
  const byMusts = things.some(({ adds }) => adds.musts > 0);
  const of = gainOf(byMusts, work);
  // Where nothing adds anything there is nothing to see.
  if (priced.every(({ thing }) => of(thing.adds) === 0)) return null;
  const costs = priced.map(({ cost }) => cost);
  const x = scaleLinear()
    .domain([Math.min(0, ...costs), Math.max(1, ...costs)])
    .nice(5)
    .range([EDGE.left, WIDTH - EDGE.right]);
  const gains = priced.map(({ thing }) => of(thing.adds));
  const y = scaleLinear()
    .domain([0, Math.max(byMusts ? 1 : 5, ...gains)])
    .nice(4)
    .range([HEIGHT - EDGE.bottom, EDGE.top]);
  const gaining = priced.filter(({ thing }) => of(thing.adds) > 0);
  const names = placedNames(
    gaining.map(({ thing, cost, number }) => ({
      key: thing.id,
      lines: [number <= MOST_NAMES ? name(thing.id) : ''],
      x: x(cost),
      y: y(of(thing.adds)),
      gap: RADIUS + 5,
      bold: false,
      isBefore: x(cost) > WIDTH * 0.65,
      isAbove: false,
    })),
    { width: WIDTH, height: HEIGHT },
  );
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={t.chart(priced.length)}
      className="w-full max-w-3xl border border-hair bg-sheet"
      data-testid="step-plot"
    >
      <AxisWords x={8} y={16}>
        {byMusts ? nextText.buy.musts : nextText.buy.wants}
      </AxisWords>
      <AxisWords x={WIDTH - 8} y={HEIGHT - 8} anchor="end">
        {t.net}
      </AxisWords>
      <UpMarks
        marks={marksOf(y, 4, (value) => `+${byMusts ? value : formatPercent(value)}`)}
        left={EDGE.left}
        right={WIDTH - EDGE.right}
      />
      <AcrossMarks
        marks={marksOf(x, 5, (value) => formatMoney(value, work.currency))}
        y={HEIGHT - 24}
      />
      {priced
        .filter(({ thing }) => of(thing.adds) === 0)
        .map(({ thing, cost }) => (
          <circle
            key={thing.id}
            cx={x(cost)}
            cy={y(0)}
            r={3.5}
            fill="var(--sheet)"
            stroke="var(--edge)"
          />
        ))}
      {/* The best last, so that it lies on top. */}
      {gaining.toReversed().map(({ thing, cost, number }) => (
        <Dot key={thing.id} x={x(cost)} y={y(of(thing.adds))} number={number} />
      ))}
      {names.map(({ key, lines, atX, atY, ends }) => (
        <DrawnWords key={key} x={atX} y={atY} anchor={ends ? 'end' : 'start'} hidden>
          {lines[0] ?? ''}
        </DrawnWords>
      ))}
    </svg>
  );
}

/** What is drawn upwards: musts where anything adds one, else the share of the wanted pictures. */
function gainOf(byMusts: boolean, { year }: NextWork) {
  return ({ musts, sharePercent }: Worth) =>
    byMusts ? musts : year.wanting > 0 ? Math.max(0, sharePercent / year.wanting) : 0;
}

function Dot({ x, y, number }: { x: number; y: number; number: number }) {
  return (
    <g transform={`translate(${x} ${y})`}>
      <circle r={RADIUS} fill="var(--sheet)" stroke="var(--got)" strokeWidth={2} />
      <text y={4} textAnchor="middle" fontSize={10} fill="var(--ink)">
        {number}
      </text>
    </g>
  );
}
