import type { ECharts } from 'echarts/core';
import { colourNow, pngOfSvg } from '@/ui';

export function chartSvg(chart: ECharts): string {
  return chart.renderToSVGString();
}

/** The chart as PNG at twice its size on screen, on the paper colour. */
export function chartPng(chart: ECharts): Promise<Blob> {
  const size = { width: chart.getWidth(), height: chart.getHeight() };
  const paper = colourNow('--paper');
  return pngOfSvg(chartSvg(chart), size, paper);
}
