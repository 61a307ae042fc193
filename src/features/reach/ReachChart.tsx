'use client';

import { CustomChart } from 'echarts/charts';
import { DataZoomComponent, GridComponent } from 'echarts/components';
import { type ECharts, init, use as register } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useEffectEvent, useRef } from 'react';
import type { ReachData } from './chartData';
import { colourNow, watchTheme } from '@/ui';
import { chartOption, type Highlight } from './chartOption';
import type { ChartColours } from './chartShapes';

register([CustomChart, GridComponent, DataZoomComponent, SVGRenderer]);

export interface ReachChartProps {
  readonly data: ReachData;
  readonly lit: ReadonlySet<string> | null;
  readonly description: string;
  readonly onPoint: (highlight: Highlight | null) => void;
  readonly onChoose: (highlight: Highlight) => void;
  /** Given the chart once it stands, for saving and zooming. */
  readonly onReady: (chart: ECharts | null) => void;
}

/** Draws the chart; it computes nothing but pixels. */
export default function ReachChart({
  data,
  lit,
  description,
  onPoint,
  onChoose,
  onReady,
}: ReachChartProps) {
  const box = useRef<HTMLDivElement>(null);
  const chart = useRef<ECharts | null>(null);

  const subject = useEffectEvent(
    (event: { seriesId?: string; dataIndex: number }): Highlight | null => {
      const lens = event.seriesId === 'bands' ? data.bands[event.dataIndex]?.lens.id : undefined;
      const frame = event.seriesId === 'spans' ? data.spans[event.dataIndex]?.frame.id : undefined;
      if (lens !== undefined) return { kind: 'lens', id: lens };
      return frame !== undefined ? { kind: 'frame', id: frame } : null;
    },
  );
  const point = useEffectEvent((highlight: Highlight | null) => onPoint(highlight));
  const choose = useEffectEvent((highlight: Highlight) => onChoose(highlight));
  const ready = useEffectEvent((drawn: ECharts | null) => onReady(drawn));

  useEffect(() => {
    if (!box.current) return;
    const drawn = init(box.current, null, { renderer: 'svg' });
    chart.current = drawn;
    drawn.on('mouseover', (event) => point(subject(event as never)));
    drawn.on('mouseout', () => point(null));
    drawn.on('click', (event) => {
      const highlight = subject(event as never);
      if (highlight) choose(highlight);
    });
    const sizes = new ResizeObserver(() => drawn.resize());
    sizes.observe(box.current);
    ready(drawn);
    return () => {
      sizes.disconnect();
      ready(null);
      drawn.dispose();
      chart.current = null;
    };
  }, []);

  const draw = useEffectEvent(() =>
    chart.current?.setOption(chartOption({ data, lit, colours: coloursNow() })),
  );
  useEffect(() => draw(), [data, lit]);
  useEffect(() => watchTheme(() => draw()), []);

  return (
    <div
      ref={box}
      role="img"
      aria-label={description}
      className="h-full w-full"
      data-testid="reach-chart"
    />
  );
}

function coloursNow(): ChartColours {
  return {
    ink: colourNow('--ink'),
    soft: colourNow('--ink-soft'),
    hair: colourNow('--hair'),
    edge: colourNow('--edge'),
    got: colourNow('--got'),
    wrong: colourNow('--wrong'),
    sheet: colourNow('--sheet'),
  };
}
