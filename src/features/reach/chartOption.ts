import type { CustomSeriesRenderItemAPI, CustomSeriesRenderItemReturn } from 'echarts';
import type { EChartsCoreOption } from 'echarts/core';
import { angleOfViewDeg, FULL_FRAME, fullStops, markedFNumber } from '@/core/optics';
import { formatAngle } from '@/ui';
import {
  type Band,
  type ReachData,
  type ReachPoint,
  slowestShown,
  type Span,
  stopsOf,
} from './chartData';

export interface Highlight {
  readonly kind: 'lens' | 'frame';
  readonly id: string;
}

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

export interface ChartInput {
  readonly data: ReachData;
  readonly colours: ChartColours;
  /** Ids that are lit; null when nothing is pointed at. */
  readonly lit: ReadonlySet<string> | null;
}

/** Frames that any lens is fast enough for lie on a floor, this far above the lower edge. */
const FLOOR_STOPS = 0.4;
/** More names than this at once cover each other. */
const MOST_LABELS = 7;
const LANE_PX = 9;
const BAND_PX = 6;
const FOCAL_TICKS = [8, 10, 14, 18, 24, 35, 50, 70, 100, 135, 200, 300, 400, 600, 800, 1200, 2000];
const ANGLE_TICKS = [120, 100, 84, 63, 47, 34, 24, 18, 12, 8, 6, 4, 3, 2];
const log2 = Math.log2;

/** The reach chart: angle of view across, light upwards, fast on top. */
export function chartOption({ data, colours, lit }: ChartInput): EChartsCoreOption {
  const { x, y } = extentOf(data);
  const text = { color: colours.soft, fontFamily: 'Commissioner Variable', fontSize: 11 };
  const angles = ANGLE_TICKS.map((deg) => [deg, log2(focalForDiagonal(deg))] as const).filter(
    ([, at]) => at >= x.min && at <= x.max,
  );
  const focals = FOCAL_TICKS.map((mm) => [mm, log2(mm * data.labelCrop)] as const).filter(
    ([, at]) => at >= x.min && at <= x.max,
  );
  const stops = fullStops(2 ** (y.min / 2), 2 ** (y.max / 2));
  const labelAt =
    (pairs: readonly (readonly [number, number])[], format: (v: number) => string) =>
    (value: number) => {
      const found = pairs.find(([, at]) => Math.abs(at - value) < 1e-6);
      return found ? format(found[0]) : '';
    };
  const axis = {
    type: 'value' as const,
    min: x.min,
    max: x.max,
    axisLine: { show: true, onZero: false, lineStyle: { color: colours.ink } },
    nameTextStyle: text,
    nameLocation: 'end' as const,
  };
  return {
    animation: false,
    textStyle: { fontFamily: 'Commissioner Variable' },
    grid: { left: 48, right: 16, top: 38, bottom: 44 },
    dataZoom: [
      {
        type: 'inside',
        xAxisIndex: [0, 1],
        filterMode: 'none',
        zoomOnMouseWheel: 'ctrl',
        moveOnMouseWheel: false,
      },
    ],
    xAxis: [
      {
        ...axis,
        name: '',
        splitLine: { show: false },
        axisTick: { customValues: focals.map(([, at]) => at), lineStyle: { color: colours.ink } },
        axisLabel: {
          ...text,
          customValues: focals.map(([, at]) => at),
          formatter: labelAt(focals, (mm) => `${mm}`),
          hideOverlap: true,
        },
      },
      {
        ...axis,
        position: 'top',
        splitLine: { show: false },
        axisTick: { customValues: angles.map(([, at]) => at), lineStyle: { color: colours.ink } },
        axisLabel: {
          ...text,
          customValues: angles.map(([, at]) => at),
          formatter: labelAt(angles, formatAngle),
          hideOverlap: true,
        },
      },
    ],
    yAxis: {
      type: 'value',
      inverse: true,
      min: y.min,
      max: y.max,
      axisLine: { show: false },
      axisTick: { show: false },
      axisLabel: {
        ...text,
        customValues: stops.map((n) => Math.round(stopsOf(n))),
        formatter: (stop: number) => `f/${markedFNumber(2 ** (stop / 2))}`,
      },
      splitLine: { show: true, lineStyle: { color: colours.hair, width: 0.5 } },
      interval: 1,
    },
    series: [
      {
        id: 'gaps',
        type: 'custom',
        silent: true,
        clip: true,
        data: data.gaps.map((g) => [log2(g.range.from), y.min, log2(g.range.to), y.max]),
        renderItem: (_: unknown, api: CustomSeriesRenderItemAPI) => gapShape(api, colours),
        encode: { x: [0, 2], y: [1, 3] },
        z: 0,
      },
      {
        id: 'bands',
        type: 'custom',
        clip: true,
        data: data.bands.map((b) => [
          log2(b.path[0]?.focalMm ?? 1),
          stopsOf(b.path[0]?.fNumber ?? 1),
        ]),
        renderItem: (params: { dataIndex: number }, api: CustomSeriesRenderItemAPI) => {
          const band = data.bands[params.dataIndex];
          return band ? bandShape(band, api, colours, lit) : { type: 'group', children: [] };
        },
        z: 2,
      },
      {
        id: 'spans',
        type: 'custom',
        clip: true,
        data: data.spans.map((s) => [log2(s.span.range.from), 0]),
        renderItem: (params: { dataIndex: number }, api: CustomSeriesRenderItemAPI) => {
          const span = data.spans[params.dataIndex];
          return span ? spanShape(span, api, colours, lit, y) : { type: 'group', children: [] };
        },
        z: 3,
      },
    ],
  };
}

function focalForDiagonal(deg: number): number {
  return Math.hypot(FULL_FRAME.widthMm, FULL_FRAME.heightMm) / 2 / Math.tan((deg * Math.PI) / 360);
}

export function diagonalAngle(focalMm: number): number {
  return angleOfViewDeg(focalMm, FULL_FRAME);
}

interface Extent {
  readonly min: number;
  readonly max: number;
}

/** Whole stops around the bands, and half an octave around all ranges. Frames may lie below. */
function extentOf({ bands, spans }: ReachData): { x: Extent; y: Extent } {
  const focals = [
    ...bands.flatMap((b) => b.path.map((p) => p.focalMm)),
    ...spans.flatMap((s) => [s.span.range.from, s.span.range.to]),
  ];
  const levels = bands.flatMap((b) => b.path.map((p) => stopsOf(p.fNumber)));
  const bound = (values: readonly number[], empty: readonly number[]) =>
    values.length > 0 ? values : empty;
  const longest = 1.7 * Math.max(70, ...bands.flatMap((b) => b.path.map((p) => p.focalMm)));
  const x = bound(focals, [24, 70]);
  const y = bound(levels, [stopsOf(2), stopsOf(5.6)]);
  return {
    x: {
      min: log2(Math.max(5, Math.min(...x))) - 0.2,
      max: log2(Math.min(longest, Math.max(...x))) + 0.1,
    },
    y: { min: Math.floor(Math.min(...y)) - 0.5, max: slowestShown(bands) },
  };
}

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

function bandShape(
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
  if ((chosen && !dim) || (pointed && (lit?.size ?? 0) <= MOST_LABELS)) {
    const [x, y] = prime ? start : middleOf(line);
    children.push({
      type: 'text',
      style: {
        x,
        y: y - 17,
        text: band.lens.name,
        align: 'center',
        fill: stroke,
        stroke: colours.sheet,
        lineWidth: 3,
        font: '11px Commissioner Variable',
      },
    });
  }
  return { type: 'group', children } as Shape;
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
function spanShape(
  { frame, number, span, state, lane }: Span,
  api: CustomSeriesRenderItemAPI,
  colours: ChartColours,
  lit: ReadonlySet<string> | null,
  y: Extent,
): Shape {
  const wrong = state === 'lost' || state === 'slow';
  const stroke = wrong ? colours.wrong : colours.ink;
  const opacity = lit !== null && !lit.has(frame.id) ? 0.15 : 1;
  const floor = y.max - FLOOR_STOPS;
  const level = (fNumber: number | undefined) =>
    Math.min(floor, fNumber === undefined ? floor : stopsOf(fNumber));
  const [x0 = 0, y0 = 0] = api.coord([log2(span.range.from), level(span.slowest?.wide)]);
  const [x1 = 0, y1 = 0] = api.coord([log2(span.range.to), level(span.slowest?.long)]);
  const shift = -lane * (LANE_PX + 5);
  const a: Pixel = [x0, y0 + shift];
  const b: Pixel = [Math.max(x1, x0 + 1), y1 + shift];
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
          fill: wrong ? colours.sheet : state === 'clear' ? stroke : colours.sheet,
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
          text: String(number),
          fill: state === 'clear' ? colours.sheet : stroke,
          font: '600 10px Commissioner Variable',
          align: 'center',
          verticalAlign: 'middle',
          opacity,
        },
      },
    ],
  } as Shape;
}

function gapShape(api: CustomSeriesRenderItemAPI, colours: ChartColours): Shape {
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
