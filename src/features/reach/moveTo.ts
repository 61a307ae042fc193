import type { ECharts } from 'echarts/core';
import type { ReachData } from './chartData';
import type { Highlight } from './chartOption';

interface Zoom {
  readonly startValue?: number;
  readonly endValue?: number;
}

/** Moves a chart that is zoomed in so that what is chosen lies in its middle, if it is out of sight. */
export function moveTo(chart: ECharts | null, data: ReachData, to: Highlight): void {
  if (chart === null) return;
  const range = rangeOf(data, to);
  const [zoom] = (chart.getOption() as { dataZoom?: Zoom[] }).dataZoom ?? [];
  const { startValue: start, endValue: end } = zoom ?? {};
  if (range === null || start === undefined || end === undefined) return;
  const [from, until] = range.map(Math.log2) as [number, number];
  if (from >= start && until <= end) return;
  const [middle, half] = [(from + until) / 2, (end - start) / 2];
  chart.dispatchAction({
    type: 'dataZoom',
    startValue: middle - half,
    endValue: middle + half,
  });
}

function rangeOf({ bands, spans }: ReachData, { kind, id }: Highlight): [number, number] | null {
  if (kind === 'frame') {
    const span = spans.find((s) => s.frame.id === id);
    return span ? [span.span.range.from, span.span.range.to] : null;
  }
  const path = bands.find((b) => b.lens.id === id)?.path.map((p) => p.focalMm);
  return path && path.length > 0 ? [Math.min(...path), Math.max(...path)] : null;
}
