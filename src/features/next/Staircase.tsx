'use client';

import { scaleLinear, type ScaleLinear } from 'd3-scale';
import { digits, formatMoney, formatPercent, nextText } from '@/text';
import { AcrossMarks, AxisWords, marksOf, UpMarks } from '@/ui';

const t = nextText.buy;

/** What is got for so much money. */
export interface StairPoint {
  readonly spent: number;
  readonly musts: number;
  /** Percent of the wanted pictures. */
  readonly wants: number;
  /** Nothing where nothing was bought. */
  readonly label: string;
}

export interface StaircaseProps {
  readonly now: StairPoint;
  /** After each step. */
  readonly steps: readonly StairPoint[];
  readonly once: StairPoint | null;
  readonly mustsOf: number;
  readonly currency: string;
}

const WIDTH = 640;
const PANEL = 170;
const EDGE = { left: 56, right: 40, top: 44, bottom: 18 };

/** Money across, what is got upwards: a stair for each piece, a dashed line for buying at once. */
export function Staircase(props: StaircaseProps) {
  const { now, steps, once, mustsOf, currency } = props;
  const all = [now, ...steps, ...(once ? [once] : [])];
  const x = scaleLinear()
    .domain([0, Math.max(1, ...all.map((p) => p.spent))])
    .nice(5)
    .range([EDGE.left, WIDTH - EDGE.right]);
  const rises = (of: (p: StairPoint) => number) => all.some((p) => of(p) !== of(now));
  const panels = [
    ...(rises((p) => p.musts)
      ? [
          {
            name: t.musts,
            of: (p: StairPoint) => p.musts,
            most: mustsOf,
            show: (v: number) => digits(v, 1),
          },
        ]
      : []),
    ...(rises((p) => p.wants) || !rises((p) => p.musts)
      ? [{ name: t.wants, of: (p: StairPoint) => p.wants, most: 100, show: formatPercent }]
      : []),
  ];
  const height = panels.length * PANEL + 24;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      role="img"
      aria-label={t.chart}
      className="w-full max-w-3xl border border-hair bg-sheet"
      data-testid="staircase"
    >
      {panels.map((panel, i) => (
        <Panel key={panel.name} {...props} {...panel} x={x} top={i * PANEL} />
      ))}
      <AcrossMarks marks={marksOf(x, 5, (value) => formatMoney(value, currency))} y={height - 8} />
    </svg>
  );
}

interface PanelProps extends StaircaseProps {
  readonly name: string;
  readonly of: (p: StairPoint) => number;
  readonly most: number;
  readonly show: (value: number) => string;
  readonly x: ScaleLinear<number, number>;
  readonly top: number;
}

function Panel({ now, steps, once, name, of, most, show, x, top }: PanelProps) {
  const values = [now, ...steps, ...(once ? [once] : [])].map(of);
  const least = Math.min(...values);
  const y = scaleLinear()
    .domain([Math.max(0, least - (most - least) * 0.3), Math.max(most, ...values)])
    .range([top + PANEL - EDGE.bottom, top + EDGE.top]);
  const right = WIDTH - EDGE.right;
  return (
    <g>
      <AxisWords x={8} y={top + 14}>
        {name}
      </AxisWords>
      <UpMarks marks={marksOf(y, 3, show)} left={EDGE.left} right={right} />
      <path
        d={stairs(
          [now, ...steps].map((p) => [x(p.spent), y(of(p))] as const),
          right,
        )}
        fill="none"
        stroke="var(--got)"
        strokeWidth={3}
        data-testid="stair-path"
      />
      {once && (
        <Once
          now={[x(0), y(of(now))]}
          at={[x(once.spent), y(of(once))]}
          right={right}
          label={once.label}
        />
      )}
      {steps.flatMap((p, i) =>
        p.label === ''
          ? []
          : [
              <g key={i} transform={`translate(${x(p.spent)} ${y(of(p))})`}>
                <circle r={8} fill="var(--sheet)" stroke="var(--got)" strokeWidth={2} />
                <text y={4} textAnchor="middle" fontSize={10} fill="var(--ink)">
                  {i + 1}
                </text>
                {of(p) > of(steps[i - 1] ?? now) && (
                  <text x={-12} y={-8} textAnchor="end" fontSize={12} fill="var(--ink)">
                    {p.label}
                  </text>
                )}
              </g>,
            ],
      )}
    </g>
  );
}

interface OnceProps {
  readonly now: readonly [number, number];
  readonly at: readonly [number, number];
  readonly right: number;
  readonly label: string;
}

/** Buying at once: along below the stair, then up beside it. */
function Once({ now: [fromX, fromY], at: [toX, toY], right, label }: OnceProps) {
  const isFarRight = toX > WIDTH * 0.75;
  return (
    <g data-testid="stair-once">
      <path
        d={`M${fromX} ${fromY + 6}H${toX + 6}V${toY + 6}H${right}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1.5}
        strokeDasharray="5 4"
      />
      <path d={diamond(toX + 6, toY + 6)} fill="var(--ink)" />
      <text
        x={isFarRight ? toX - 8 : toX + 16}
        y={toY + 22}
        textAnchor={isFarRight ? 'end' : 'start'}
        fontSize={12}
        fill="var(--ink)"
      >
        {label}
      </text>
    </g>
  );
}

/** Across until it is paid, then up. */
function stairs(points: readonly (readonly [number, number])[], right: number): string {
  const [first, ...rest] = points;
  if (!first) return '';
  return `M${first[0]} ${first[1]}${rest.map(([px, py]) => `H${px}V${py}`).join('')}H${right}`;
}

function diamond(x: number, y: number): string {
  return `M${x} ${y - 6}L${x + 6} ${y}L${x} ${y + 6}L${x - 6} ${y}Z`;
}
