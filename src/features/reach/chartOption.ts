import type { CustomSeriesRenderItemAPI } from 'echarts';
import type { EChartsCoreOption } from 'echarts/core';
import { angleOfViewDeg, FULL_FRAME, fullStops, markedFNumber } from '@/core/optics';
import { angleAxes, axisLabel } from '@/parts';
import { reachText } from '@/text';
import { type ReachData, stopsOf } from './chartData';
import { labelShapes, type Plot } from './chartLabels';
import {
  anyRowShape,
  anyRowStops,
  bandShape,
  type ChartColours,
  type Extent,
  gapShape,
  overlapShape,
  spanShape,
} from './chartShapes';

export interface Highlight {
  readonly kind: 'lens' | 'frame';
  readonly id: string;
}

export interface ChartInput {
  readonly data: ReachData;
  readonly colours: ChartColours;
  /** Ids that are lit; null when nothing is pointed at. */
  readonly lit: ReadonlySet<string> | null;
}

const t = reachText.chart;
const log2 = Math.log2;

/** The reach chart: angle of view across, light upwards, fast on top. */
export function chartOption(input: ChartInput): EChartsCoreOption {
  const { data, colours } = input;
  const extents = extentOf(data);
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
    xAxis: angleAxes(data.labelCrop, extents.x, colours),
    yAxis: lightAxis(extents.y, data.floor, colours),
    series: [...coverageSeries(input, extents), ...gearSeries(input)],
  };
}

function lightAxis(y: Extent, floor: number, colours: ChartColours) {
  const stops = fullStops(2 ** (y.min / 2), 2 ** (floor / 2)).map((n) => Math.round(stopsOf(n)));
  return {
    type: 'value',
    inverse: true,
    min: y.min,
    max: y.max,
    axisLine: { show: false },
    axisTick: { show: false },
    axisLabel: {
      ...axisLabel(colours),
      customValues: y.max > floor ? [...stops, (floor + y.max) / 2] : stops,
      formatter: (stop: number) => (stop > floor ? t.any : `f/${markedFNumber(2 ** (stop / 2))}`),
    },
    splitLine: { show: true, lineStyle: { color: colours.hair, width: 0.5 } },
    interval: 1,
  };
}

interface Extents {
  readonly x: Extent;
  readonly y: Extent;
}

/** The gaps and overlaps, behind all. */
function coverageSeries({ data, colours }: ChartInput, { y }: Extents) {
  return [
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
      id: 'overlaps',
      type: 'custom',
      silent: true,
      clip: true,
      data: data.overlaps.map((o) => [log2(o.range.from), data.floor, log2(o.range.to)]),
      renderItem: (params: { dataIndex: number }, api: CustomSeriesRenderItemAPI) =>
        overlapShape(params.dataIndex, api, colours),
      encode: { x: [0, 2], y: 1 },
      z: 1,
    },
    {
      id: 'any',
      type: 'custom',
      silent: true,
      data: y.max > data.floor ? [[0, data.floor]] : [],
      renderItem: (params: { coordSys: unknown }, api: CustomSeriesRenderItemAPI) =>
        anyRowShape(api, params.coordSys as Plot, data.floor, colours),
      z: 0,
    },
  ];
}

const NOTHING_DRAWN = { type: 'group', children: [] };

/** The lenses as bands, and the frames as spans over them. */
function gearSeries({ data, colours, lit }: ChartInput) {
  return [
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
        return band ? bandShape(band, api, colours, lit) : NOTHING_DRAWN;
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
        return span ? spanShape(span, api, colours, lit, data.floor) : NOTHING_DRAWN;
      },
      z: 3,
    },
    {
      id: 'labels',
      type: 'custom',
      clip: true,
      silent: true,
      data: [[0, 0]],
      renderItem: (params: { coordSys: unknown }, api: CustomSeriesRenderItemAPI) =>
        labelShapes({ data, colours, lit }, api, params.coordSys as Plot),
      z: 4,
    },
  ];
}

export function diagonalAngle(focalMm: number): number {
  return angleOfViewDeg(focalMm, FULL_FRAME);
}

/** Whole stops around the bands, the row of what any lens is fast enough for, and half an octave around all ranges. */
function extentOf({ bands, spans, floor }: ReachData): { x: Extent; y: Extent } {
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
    y: { min: Math.floor(Math.min(...y)) - 0.5, max: floor + anyRowStops(spans) },
  };
}
