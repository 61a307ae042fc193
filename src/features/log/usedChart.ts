import type { CustomSeriesRenderItemAPI } from 'echarts';
import type { EChartsCoreOption } from 'echarts/core';
import type { Distribution } from '@/core/log';
import { angleAxes, axisLabel } from '@/parts';

/** A lens under the distribution: from its wide to its long end, on the 36×24 mm frame. */
export interface LensBand {
  readonly name: string;
  readonly fromMm: number;
  readonly toMm: number;
  readonly lit: boolean;
}

export interface UsedChartInput {
  readonly all: Distribution;
  /** Photographs with the lens that is pointed at; null while none is. */
  readonly lit: Distribution | null;
  readonly bands: readonly LensBand[];
  readonly colours: UsedColours;
}

export interface UsedColours {
  readonly ink: string;
  readonly soft: string;
  readonly hair: string;
  readonly got: string;
  readonly gotWash: string;
  readonly edge: string;
}

const log2 = Math.log2;
/** Height of a lens's band, and of the chart above them, px. */
export const BAND_PX = 20;
const BARS_PX = 210;
const TOP_PX = 38;
const AXIS_PX = 34;

export function chartHeight(bands: number): number {
  return TOP_PX + BARS_PX + AXIS_PX + bands * BAND_PX + 8;
}

/** Photographs along the axis that Reach has, with the ranges of the lenses below. */
export function usedChartOption(input: UsedChartInput): EChartsCoreOption {
  const { all, lit, bands, colours } = input;
  const x = extentOf(all, bands);
  const shown = lit ?? all;
  const most = Math.max(1, ...all.counts);
  const [focals, angles] = angleAxes(1, x, colours);
  return {
    animation: false,
    textStyle: { fontFamily: 'Commissioner Variable' },
    grid: [
      { left: 48, right: 16, top: TOP_PX, height: BARS_PX },
      {
        left: 48,
        right: 16,
        top: TOP_PX + BARS_PX + AXIS_PX,
        height: Math.max(1, bands.length * BAND_PX),
      },
    ],
    xAxis: [
      { ...focals, gridIndex: 0 },
      { ...angles, gridIndex: 0 },
      { type: 'value', gridIndex: 1, min: x.min, max: x.max, show: false },
    ],
    yAxis: [
      {
        type: 'value',
        gridIndex: 0,
        min: 0,
        // Room for the outline of the tallest bar.
        max: most * 1.04,
        splitNumber: 3,
        minInterval: 1,
        axisLabel: { ...axisLabel(colours), showMaxLabel: false },
        splitLine: { lineStyle: { color: colours.hair, width: 0.5 } },
      },
      {
        type: 'value',
        gridIndex: 1,
        min: 0,
        max: Math.max(1, bands.length),
        inverse: true,
        show: false,
      },
    ],
    series: [
      barsSeries(
        'all',
        all.counts,
        all,
        lit === null ? colours.gotWash : 'none',
        lit === null ? colours.got : colours.hair,
      ),
      ...(lit === null ? [] : [barsSeries('lit', lit.counts, lit, colours.gotWash, colours.got)]),
      barsSeries('kept', shown.keptCounts, shown, colours.got, colours.got),
      bandsSeries(bands, colours),
    ],
  };
}

const LEAST_OCTAVES = 2;

function extentOf(all: Distribution, bands: readonly LensBand[]) {
  const edges = [
    ...all.counts.flatMap((count, i) => (count > 0 ? [edgeOf(all, i), edgeOf(all, i + 1)] : [])),
    ...bands.flatMap((b) => [log2(b.fromMm), log2(b.toMm)]),
  ];
  if (edges.length === 0) return { min: log2(14), max: log2(400) };
  const [from, to] = [Math.min(...edges) - 0.15, Math.max(...edges) + 0.15];
  // A single focal length still stands on an axis that can be read.
  const missing = Math.max(0, LEAST_OCTAVES - (to - from)) / 2;
  return { min: from - missing, max: to + missing };
}

const edgeOf = ({ from, perOctave }: Distribution, i: number) => log2(from) + i / perOctave;

function barsSeries(
  id: string,
  counts: readonly number[],
  of: Distribution,
  fill: string,
  stroke: string,
) {
  return {
    id,
    type: 'custom',
    silent: true,
    clip: true,
    xAxisIndex: 0,
    yAxisIndex: 0,
    data: counts.flatMap((count, i) =>
      count > 0 ? [[edgeOf(of, i), count, edgeOf(of, i + 1)]] : [],
    ),
    encode: { x: [0, 2], y: 1 },
    renderItem: (_: unknown, api: CustomSeriesRenderItemAPI) => {
      const [left, top] = api.coord([api.value(0), api.value(1)]) as [number, number];
      const [right, bottom] = api.coord([api.value(2), 0]) as [number, number];
      return {
        type: 'rect',
        shape: {
          x: left + 0.5,
          y: top,
          width: Math.max(1, right - left - 1),
          height: bottom - top,
        },
        style: { fill, stroke, lineWidth: 0.75 },
      };
    },
    z: id === 'kept' ? 3 : 2,
  };
}

function bandsSeries(bands: readonly LensBand[], colours: UsedColours) {
  return {
    id: 'bands',
    type: 'custom',
    clip: false,
    xAxisIndex: 2,
    yAxisIndex: 1,
    data: bands.map((b, i) => [log2(b.fromMm), i, log2(b.toMm)]),
    encode: { x: [0, 2], y: 1 },
    renderItem: (params: { dataIndex: number }, api: CustomSeriesRenderItemAPI) => {
      const band = bands[params.dataIndex];
      const [left, top] = api.coord([api.value(0), api.value(1)]) as [number, number];
      const [right] = api.coord([api.value(2), api.value(1)]) as [number, number];
      const width = Math.max(4, right - left);
      const colour = band?.lit === true ? colours.got : colours.edge;
      return {
        type: 'group',
        children: [
          {
            type: 'rect',
            shape: { x: left, y: top + BAND_PX - 6, width, height: 4 },
            style: { fill: colour, stroke: colour },
          },
          {
            type: 'text',
            style: {
              text: band?.name ?? '',
              x: left,
              y: top + 2,
              fill: band?.lit === true ? colours.ink : colours.soft,
              font: '11px "Commissioner Variable"',
            },
          },
        ],
      };
    },
    z: 4,
  };
}
