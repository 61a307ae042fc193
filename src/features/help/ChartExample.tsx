import { scaleLinear, scaleLog } from 'd3-scale';
import { formatFNumber, helpText } from '@/text';
import { LENS_NAMES, REACH } from './examples';

const t = helpText.example;
const WIDTH = 560;
const HEIGHT = 190;
const EDGE = { left: 56, right: 16, top: 12, bottom: 26 };
const BAND_PX = 12;

const x = scaleLog()
  .domain([REACH.fromMm, REACH.toMm])
  .range([EDGE.left, WIDTH - EDGE.right]);
const y = scaleLinear()
  .domain([REACH.fastestStop, REACH.slowestStop])
  .range([EDGE.top, HEIGHT - EDGE.bottom]);

/** The chart of Reach in small: what lenses reach and how fast they are, and where pictures lie. */
export function ChartExample() {
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={t.chart}
      className="w-full max-w-prose"
    >
      {REACH.stops.map(({ stop, fNumber }) => (
        <g key={stop}>
          <path d={`M${EDGE.left} ${y(stop)}H${WIDTH - EDGE.right}`} stroke="var(--hair)" />
          <Words x={EDGE.left - 6} y={y(stop) + 4} anchor="end" soft>
            {formatFNumber(fNumber)}
          </Words>
        </g>
      ))}
      {REACH.ticksMm.map((mm) => (
        <Words key={mm} x={x(mm)} y={HEIGHT - 8} anchor="middle" soft>
          {String(mm)}
        </Words>
      ))}
      {REACH.bands.map(({ lensId, fromMm, toMm, stop }) => (
        <g key={lensId}>
          <rect
            x={x(fromMm)}
            y={y(stop)}
            width={x(toMm) - x(fromMm)}
            height={BAND_PX}
            fill="var(--got)"
          />
          <Words x={x(fromMm)} y={y(stop) - 3}>
            {LENS_NAMES[lensId] ?? lensId}
          </Words>
        </g>
      ))}
      {REACH.pictures.map(({ name, fromMm, toMm, stop, covered }) => {
        const [left, right] = [x(fromMm), x(toMm)];
        const colour = covered ? 'var(--ink)' : 'var(--wrong)';
        return (
          <g key={name} stroke={colour} strokeWidth={1.5}>
            <path
              d={`M${left} ${y(stop)}H${right}M${left} ${y(stop) - 4}v8M${right} ${y(stop) - 4}v8`}
            />
            {!covered && (
              <path
                d={`M${(left + right) / 2 - 5} ${y(stop) - 5}l10 10m0 -10l-10 10`}
                strokeWidth={2}
              />
            )}
            <Words x={right + 5} y={y(stop) + 4} colour={colour}>
              {name}
            </Words>
          </g>
        );
      })}
    </svg>
  );
}

function Words({
  x: left,
  y: base,
  anchor = 'start',
  soft = false,
  colour = soft ? 'var(--ink-soft)' : 'var(--ink)',
  children,
}: {
  readonly x: number;
  readonly y: number;
  readonly anchor?: 'start' | 'middle' | 'end';
  readonly soft?: boolean;
  readonly colour?: string;
  readonly children: string;
}) {
  return (
    <text
      x={left}
      y={base}
      textAnchor={anchor}
      fontSize={11}
      fill={colour}
      stroke="var(--paper)"
      strokeWidth={4}
      paintOrder="stroke"
    >
      {children}
    </text>
  );
}
