'use client';

import type { ECharts } from 'echarts/core';
import dynamic from 'next/dynamic';
import { useDeferredValue, useRef, useState } from 'react';
import { download, useAnswer, useFile, useSelection } from '@/session';
import { counted, namesOf, proofText, reachText } from '@/text';
import { Button, Menu } from '@/ui';
import { Ranges } from '@/parts';
import type { Highlight } from './chartOption';
import { Details } from './Details';
import { FilterBar } from './FilterBar';
import { Legend } from './Legend';
import { chartPng, chartSvg } from './saveChart';
import { ReachTable } from './ReachTable';
import { useFilters } from './useFilters';
import { useReachData, useServices } from './useReach';

const t = reachText.reachPage;

const ReachChart = dynamic(() => import('./ReachChart'), {
  ssr: false,
  loading: () => <p className="p-4 text-soft">{t.drawing}</p>,
});

export function ReachPage() {
  const file = useFile();
  const { result } = useAnswer();
  const [bodyId, setBodyId] = useSelection('body');
  const [lensId, setLens] = useSelection('lens');
  const [frameId, setFrame] = useSelection('frame');
  const [pointed, setPointed] = useState<Highlight | null>(null);
  const chart = useRef<ECharts | null>(null);
  const body = file.shelf.bodies.find((b) => b.id === bodyId) ?? null;
  const filters = useFilters();
  const data = useReachData(file, result, body, filters);
  const [proofShown, setProofShown] = useState(false);
  const chosen: Highlight | null = lensId
    ? { kind: 'lens', id: lensId }
    : frameId
      ? { kind: 'frame', id: frameId }
      : null;
  // Pointing is answered when there is time: with a thousand lenses it takes a moment to look.
  const highlight = useDeferredValue(pointed ?? chosen);
  const services = useServices(file, highlight);
  const witnesses =
    proofShown && result?.proof.kind !== 'none' ? (result?.proof.witnesses ?? []) : [];
  const lit =
    highlight === null
      ? witnesses.length === 0
        ? null
        : new Set<string>([...witnesses.map((w) => w.frameId), ...(result?.lineup.lensIds ?? [])])
      : new Set([
          highlight.id,
          ...services
            .filter((s) => s.shortfall === null)
            .map((s) => (highlight.kind === 'lens' ? s.frameId : s.lensId)),
        ]);
  const choose = (next: Highlight | null) => {
    setLens(next?.kind === 'lens' ? next.id : null);
    if (next?.kind !== 'lens') setFrame(next?.id ?? null);
  };
  const zoom = (span: number) =>
    chart.current?.dispatchAction({ type: 'dataZoom', start: 50 - span / 2, end: 50 + span / 2 });

  return (
    <div className="grid gap-x-8 gap-y-4 pt-4 lg:grid-cols-[minmax(0,1fr)_19rem]">
      <section aria-labelledby="reach" className="min-w-0">
        <div className="mb-1 flex flex-wrap items-end justify-between gap-3">
          <h1 id="reach" className="text-xl">
            {t.reachAndLight}
          </h1>
          <span className="flex min-w-0 flex-wrap items-center gap-2">
            <select
              aria-label={t.seenOn}
              value={body?.id ?? ''}
              onChange={(e) => setBodyId(e.target.value === '' ? null : e.target.value)}
              className="min-h-7 border border-edge bg-sheet px-1"
            >
              <option value="">{t.eachLensOnACamera}</option>
              {file.shelf.bodies.map((b) => (
                <option key={b.id} value={b.id}>
                  {t.onThe(b.name)}
                </option>
              ))}
            </select>
            <Button aria-pressed={proofShown} onClick={() => setProofShown(!proofShown)}>
              {proofShown ? t.hideTheProof : t.showTheProof}
            </Button>
            <Button onClick={() => zoom(50)}>{t.zoomIn}</Button>
            <Button onClick={() => zoom(100)}>{t.fit}</Button>
            <Menu
              trigger={<Button>{t.save}</Button>}
              groups={[
                [
                  {
                    label: t.chartAsSvg,
                    onSelect: () =>
                      chart.current &&
                      download('reach.svg', chartSvg(chart.current), 'image/svg+xml'),
                  },
                  {
                    label: t.chartAsPng,
                    onSelect: () =>
                      chart.current &&
                      void chartPng(chart.current).then((blob) =>
                        download('reach.png', blob, 'image/png'),
                      ),
                  },
                ],
              ]}
            />
          </span>
        </div>
        {file.shelf.lenses.length + file.frames.length === 0 ? (
          <p className="max-w-prose border-t border-hair pt-4">{t.nothingToDrawYetAdd}</p>
        ) : (
          <>
            <FilterBar filters={filters} />
            {proofShown && result && (
              <p className="mb-1" role="status">
                {proofText(result.proof, result.totals) ?? t.itIsNotProvenYet}{' '}
                {witnesses.length > 0 && t.theyreThePicturesLeftDark}
              </p>
            )}
            <div className="h-[27rem] border-y border-hair bg-sheet">
              <ReachChart
                data={data}
                lit={lit}
                description={`Reach chart: ${counted(data.bands.length, 'lens')} and ${counted(data.spans.length, 'picture')} by angle of view and f-number. The table below says the same.`}
                onPoint={setPointed}
                onChoose={choose}
                onReady={(drawn) => (chart.current = drawn)}
              />
            </div>
            <Legend crop={data.labelCrop} />
            <ReachTable data={data} chosen={chosen} onChoose={choose} onPoint={setPointed} />
            {result && (
              <div className="mt-6">
                <Ranges result={result} name={namesOf(file)} />
              </div>
            )}
          </>
        )}
      </section>
      <aside
        aria-label={t.whatIsChosen}
        tabIndex={0}
        className="lg:sticky lg:top-2 lg:max-h-[calc(100vh-1rem)] lg:self-start lg:overflow-auto"
      >
        <Details highlight={highlight} services={services} />
      </aside>
    </div>
  );
}
