'use client';

import type { ECharts } from 'echarts/core';
import type { RefObject } from 'react';
import type { Body } from '@/core/gear';
import { download } from '@/session';
import { reachText } from '@/text';
import { Button, Menu } from '@/ui';
import { HelpLink } from '@/parts';
import { chartPng, chartSvg } from './saveChart';

const t = reachText.reachPage;

/** The heading of the chart with what can be done to it. */
export function ChartBar({
  bodies,
  bodyId,
  onBody,
  proofShown,
  onProof,
  chart,
}: {
  readonly bodies: readonly Body[];
  /** The camera that all lenses are seen on; null where each is seen on one that it fits. */
  readonly bodyId: string | null;
  readonly onBody: (id: string | null) => void;
  readonly proofShown: boolean;
  readonly onProof: (shown: boolean) => void;
  readonly chart: RefObject<ECharts | null>;
}) {
  const zoom = (span: number) =>
    chart.current?.dispatchAction({ type: 'dataZoom', start: 50 - span / 2, end: 50 + span / 2 });
  const saveSvg = () =>
    chart.current && download('reach.svg', chartSvg(chart.current), 'image/svg+xml');
  const savePng = () =>
    chart.current &&
    void chartPng(chart.current).then((blob) => download('reach.png', blob, 'image/png'));
  return (
    <div className="mb-1 flex flex-wrap items-end justify-between gap-3">
      <span className="flex items-center">
        <h1 id="reach" className="text-xl">
          {t.reachAndLight}
        </h1>
        <HelpLink topic="reading" />
      </span>
      <span className="flex min-w-0 flex-wrap items-center gap-2">
        <select
          aria-label={t.seenOn}
          value={bodyId ?? ''}
          onChange={(e) => onBody(e.target.value === '' ? null : e.target.value)}
          className="min-h-7 pointer-coarse:min-h-[44px] border border-edge bg-sheet px-1"
        >
          <option value="">{t.eachLensOnACamera}</option>
          {bodies.map((b) => (
            <option key={b.id} value={b.id}>
              {t.onThe(b.name)}
            </option>
          ))}
        </select>
        <Button aria-pressed={proofShown} onClick={() => onProof(!proofShown)}>
          {proofShown ? t.hideTheProof : t.showTheProof}
        </Button>
        <Button onClick={() => zoom(50)}>{t.zoomIn}</Button>
        <Button onClick={() => zoom(100)}>{t.fit}</Button>
        <Menu
          trigger={<Button>{t.save}</Button>}
          groups={[
            [
              { label: t.chartAsSvg, onSelect: saveSvg },
              { label: t.chartAsPng, onSelect: savePng },
            ],
          ]}
        />
      </span>
    </div>
  );
}
