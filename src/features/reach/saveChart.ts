import type { ECharts } from 'echarts/core';

const PNG_SCALE = 2;

export function chartSvg(chart: ECharts): string {
  return chart.renderToSVGString();
}

/** The chart as PNG at twice its size on screen, on the paper colour. */
export async function chartPng(chart: ECharts): Promise<Blob> {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(chartSvg(chart))}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = chart.getWidth() * PNG_SCALE;
  canvas.height = chart.getHeight() * PNG_SCALE;
  const context = canvas.getContext('2d');
  if (!context) throw new Error('this browser draws no pictures');
  context.fillStyle = getComputedStyle(document.documentElement).getPropertyValue('--paper');
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('no picture came out'))),
      'image/png',
    ),
  );
}
