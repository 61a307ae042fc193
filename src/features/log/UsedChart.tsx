'use client';

import { CustomChart } from 'echarts/charts';
import { GridComponent } from 'echarts/components';
import { type ECharts, init, use as register } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useEffectEvent, useRef } from 'react';
import { colourNow, watchTheme } from '@/ui';
import { chartHeight, type UsedChartInput, usedChartOption } from './usedChart';

register([CustomChart, GridComponent, SVGRenderer]);

/** Draws the distribution; it computes nothing but pixels. */
export default function UsedChart({
  description,
  onPoint,
  ...input
}: Omit<UsedChartInput, 'colours'> & {
  description: string;
  onPoint: (band: number | null) => void;
}) {
  const box = useRef<HTMLDivElement>(null);
  const chart = useRef<ECharts | null>(null);
  const point = useEffectEvent((band: number | null) => onPoint(band));
  useEffect(() => {
    if (!box.current) return;
    const drawn = init(box.current, null, { renderer: 'svg' });
    chart.current = drawn;
    drawn.on('mouseover', (event) => {
      if (event.seriesId === 'bands') point(event.dataIndex);
    });
    drawn.on('mouseout', () => point(null));
    const sizes = new ResizeObserver(() => drawn.resize());
    sizes.observe(box.current);
    return () => {
      sizes.disconnect();
      drawn.dispose();
      chart.current = null;
    };
  }, []);
  const draw = useEffectEvent(() =>
    chart.current?.setOption(usedChartOption({ ...input, colours: coloursNow() }), {
      replaceMerge: ['series'],
    }),
  );
  useEffect(() => draw(), [input.all, input.lit, input.bands]);
  useEffect(() => watchTheme(() => draw()), []);
  return (
    <div
      ref={box}
      role="img"
      aria-label={description}
      className="w-full"
      style={{ height: chartHeight(input.bands.length) }}
      data-testid="used-chart"
    />
  );
}

function coloursNow(): UsedChartInput['colours'] {
  return {
    ink: colourNow('--ink'),
    soft: colourNow('--ink-soft'),
    hair: colourNow('--hair'),
    got: colourNow('--got'),
    gotWash: colourNow('--got-wash'),
    edge: colourNow('--edge'),
  };
}
