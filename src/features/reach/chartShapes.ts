import type { CustomSeriesRenderItemAPI, CustomSeriesRenderItemReturn } from 'echarts';
import { type Band, type ReachPoint, type Span, stopsOf } from './chartData';

/** Colours of the theme in force. */
export interface ChartColours {
  readonly ink: string;
  readonly soft: string;
  readonly hair: string;
  readonly edge: string;
  readonly got: string;
  readonly wrong: string;
  readonly sheet: string;
}

/** Ends of an axis. */
export interface Extent {
  readonly min: number;
  readonly max: number;
}

/** Room of a lane in the row of what any lens is fast enough for, and over the first, in stops. */
const ANY_LANE_STOPS = 0.5;
const ANY_EDGE_STOPS = 0.4;
const LANE_PX = 9;
const BAND_PX = 6;
const log2 = Math.log2;

type Shape = Exclude<CustomSeriesRenderItemReturn, null | undefined>;
type Pixel = [number, number];

function pixels(
  path: readonly ReachPoint[],
  api: CustomSeriesRenderItemAPI,
  shift: number,
): Pixel[] {
  return path.map((p) => {
    const [x = 0, y = 0] = api.coord([log2(p.focalMm), stopsOf(p.fNumber)]);
    return [x, y + shift];
  });
}

export function bandShape(
  band: Band,
  api: CustomSeriesRenderItemAPI,
  colours: ChartColours,
  lit: ReadonlySet<string> | null,
): Shape {
  const chosen = band.standing === 'in';
  const pointed = lit?.has(band.lens.id) ?? false;
  const dim = lit !== null && !pointed;
  const stroke = chosen ? colours.got : pointed ? colours.ink : colours.edge;
  const opacity = dim ? 0.25 : chosen || pointed ? 1 : band.standing === 'out' ? 0.35 : 0.6;
  const shift = band.lane * LANE_PX;
  const line = pixels(band.path, api, shift);
  const start = line[0] ?? [0, 0];
  const prime = band.path.length === 1 || band.lens.focal.wideMm === band.lens.focal.longMm;
  const children: object[] = [
    {
      type: 'polyline',
      shape: { points: line },
      style: { fill: 'none', stroke, lineWidth: 14, opacity: 0 },
    },
    prime
      ? {
          type: 'circle',
          shape: { cx: start[0], cy: start[1], r: chosen || pointed ? 5 : 4 },
          style: { fill: stroke, opacity },
        }
      : {
          type: 'polyline',
          shape: { points: line },
          style: {
            fill: 'none',
            stroke,
            lineWidth: chosen || pointed ? BAND_PX : 3,
            opacity,
            lineCap: 'butt',
          },
        },
  ];
  if (chosen || pointed) {
    for (const c of band.converted)
      children.push(
        extension(
          pixels(c.path, api, shift),
          stroke,
          [9, 4],
          c.taken ? 4 : 2,
          opacity * (c.taken ? 1 : 0.7),
        ),
      );
    children.push(extension(pixels(band.cropped, api, shift), stroke, [2, 4], 3, opacity * 0.8));
  }
  return { type: 'group', children } as Shape;
}

/** Boxes along a band of the lineup, that no name may stand on, px. */
export function bandBoxes(band: Band, api: CustomSeriesRenderItemAPI) {
  const line = pixels(band.path, api, band.lane * LANE_PX);
  return line.slice(1).flatMap(([x1, y1], i) => {
    const [x0, y0] = line[i]!;
    const pieces = Math.max(1, Math.ceil(Math.abs(y1 - y0) / BAND_PX));
    return Array.from({ length: pieces }, (_, k) => ({
      x: x0 + ((x1 - x0) * k) / pieces,
      y: y0 + ((y1 - y0) * (k + 0.5)) / pieces - BAND_PX / 2,
      width: (x1 - x0) / pieces,
      height: BAND_PX,
    }));
  });
}

/** Where a band's name stands: over its middle. */
export function bandAnchor(band: Band, api: CustomSeriesRenderItemAPI): Pixel {
  const line = pixels(band.path, api, band.lane * LANE_PX);
  return band.path.length === 1 ? (line[0] ?? [0, 0]) : middleOf(line);
}

/** The middle of a frame's bar, where its number is. */
export function spanAnchor(span: Span, api: CustomSeriesRenderItemAPI, floor: number): Pixel {
  const [a, b] = spanEnds(span, api, floor);
  return [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
}

/** How high the row of what any lens is fast enough for is, in stops; 0 where there is none. */
export function anyRowStops(spans: readonly Span[]): number {
  const lanes = spans.filter((s) => s.isAny).map((s) => s.lane);
  if (lanes.length === 0) return 0;
  return 2 * ANY_EDGE_STOPS + ANY_LANE_STOPS * Math.max(...lanes);
}

function spanEnds(
  { span, lane, isAny }: Span,
  api: CustomSeriesRenderItemAPI,
  floor: number,
): [Pixel, Pixel] {
  const level = (fNumber: number | undefined) =>
    isAny || fNumber === undefined
      ? floor + ANY_EDGE_STOPS + ANY_LANE_STOPS * lane
      : Math.min(floor, stopsOf(fNumber));
  const [x0 = 0, y0 = 0] = api.coord([log2(span.range.from), level(span.slowest?.wide)]);
  const [x1 = 0, y1 = 0] = api.coord([log2(span.range.to), level(span.slowest?.long)]);
  const shift = isAny ? 0 : -lane * (LANE_PX + 5);
  return [
    [x0, y0 + shift],
    [Math.max(x1, x0 + 1), y1 + shift],
  ];
}

/** The point half way across a path. */
function middleOf(line: readonly Pixel[]): Pixel {
  const [first = [0, 0], last = [0, 0]] = [line[0], line.at(-1)];
  const x = (first[0] + last[0]) / 2;
  const after = line.findIndex((p) => p[0] >= x);
  const [a, b] = [line[after - 1] ?? first, line[after] ?? last];
  const share = b[0] === a[0] ? 0 : (x - a[0]) / (b[0] - a[0]);
  return [x, a[1] + share * (b[1] - a[1])];
}

function extension(
  points: Pixel[],
  stroke: string,
  lineDash: number[],
  lineWidth: number,
  opacity: number,
): object {
  return {
    type: 'polyline',
    silent: true,
    shape: { points },
    style: { fill: 'none', stroke, lineWidth, lineDash, opacity },
  };
}

/** A frame: a bar over what it needs, at the slowest f-number that still does, with its number. */
export function spanShape(
  of: Span,
  api: CustomSeriesRenderItemAPI,
  colours: ChartColours,
  lit: ReadonlySet<string> | null,
  floor: number,
): Shape {
  const { frame, number, span, state } = of;
  const wrong = state === 'lost' || state === 'slow';
  const solid = state === 'clear' || state === 'once';
  const stroke = wrong ? colours.wrong : colours.ink;
  const opacity = lit !== null && !lit.has(frame.id) ? 0.15 : 1;
  const [a, b] = spanEnds(of, api, floor);
  const middle: Pixel = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  const dash = state === 'slow' ? [1.5, 3] : state === 'crop' ? [5, 2] : undefined;
  const tick = span.mode === 'all' ? 4 : 0;
  const end = ([x, py]: Pixel) =>
    tick > 0
      ? {
          type: 'line',
          shape: { x1: x, y1: py - tick, x2: x, y2: py + tick },
          style: { stroke, lineWidth: 1.5, opacity },
        }
      : {
          type: 'circle',
          shape: { cx: x, cy: py, r: 2 },
          style: { fill: colours.sheet, stroke, lineWidth: 1.2, opacity },
        };
  return {
    type: 'group',
    children: [
      {
        type: 'line',
        shape: { x1: a[0], y1: a[1], x2: b[0], y2: b[1] },
        style: { stroke, lineWidth: 12, opacity: 0 },
      },
      {
        type: 'line',
        shape: { x1: a[0], y1: a[1], x2: b[0], y2: b[1] },
        style: { stroke, lineWidth: 1.5, opacity, ...(dash ? { lineDash: dash } : {}) },
      },
      end(a),
      end(b),
      {
        type: 'rect',
        shape: { x: middle[0] - 8, y: middle[1] - 7, width: 16, height: 14, r: 7 },
        style: {
          fill: solid ? stroke : colours.sheet,
          stroke,
          lineWidth: 1.2,
          opacity,
        },
      },
      {
        type: 'text',
        style: {
          x: middle[0],
          y: middle[1] + 0.5,
          text: state === 'lost' ? `${number}×` : String(number),
          fill: solid ? colours.sheet : stroke,
          font: '600 10px Commissioner Variable',
          align: 'center',
          verticalAlign: 'middle',
          opacity,
        },
      },
    ],
  } as Shape;
}

/** The row under the f-numbers, for pictures that any lens is fast enough for. */
export function anyRowShape(
  api: CustomSeriesRenderItemAPI,
  plot: { readonly x: number; readonly y: number; readonly width: number; readonly height: number },
  floor: number,
  colours: ChartColours,
): Shape {
  const [, top = 0] = api.coord([0, floor]);
  const { x, width } = plot;
  return {
    type: 'group',
    children: [
      {
        type: 'rect',
        shape: { x, y: top, width, height: plot.y + plot.height - top },
        style: { fill: colours.sheet },
      },
      {
        type: 'line',
        shape: { x1: x, y1: top, x2: x + width, y2: top },
        style: { stroke: colours.ink, lineWidth: 1 },
      },
    ],
  } as Shape;
}

export function gapShape(api: CustomSeriesRenderItemAPI, colours: ChartColours): Shape {
  const [x0 = 0, y0 = 0] = api.coord([api.value(0), api.value(1)]);
  const [x1 = 0, y1 = 0] = api.coord([api.value(2), api.value(3)]);
  const lines: object[] = [];
  for (let at = x0 - (y1 - y0); at < x1; at += 14) {
    const from = Math.max(at, x0);
    const to = Math.min(at + (y1 - y0), x1);
    if (to <= from) continue;
    lines.push({
      type: 'line',
      shape: { x1: from, y1: y1 - (from - at), x2: to, y2: y1 - (to - at) },
      style: { stroke: colours.hair, lineWidth: 0.7 },
    });
  }
  return {
    type: 'group',
    children: [
      ...lines,
      {
        type: 'text',
        style: {
          x: (x0 + x1) / 2,
          y: y0 + 4,
          text: 'gap',
          align: 'center',
          fill: colours.soft,
          font: '11px Commissioner Variable',
        },
      },
    ],
  } as Shape;
}

/** Room between overlaps that are drawn one above the other, px. */
const OVERLAP_ROOM = 5;

/** What two lenses of the lineup share: a double line along the foot of the chart. */
export function overlapShape(
  index: number,
  api: CustomSeriesRenderItemAPI,
  colours: ChartColours,
): Shape {
  const [x0 = 0, foot = 0] = api.coord([api.value(0), api.value(1)]);
  const [x1 = 0] = api.coord([api.value(2), api.value(1)]);
  const y = foot - 4 - index * OVERLAP_ROOM;
  return {
    type: 'group',
    children: [y, y - 2].map((at) => ({
      type: 'line',
      shape: { x1: x0, y1: at, x2: Math.max(x1, x0 + 1), y2: at },
      style: { stroke: colours.edge, lineWidth: 1 },
    })),
  } as Shape;
}
