'use client';

import type { LineupResult } from '@/core/lineup';
import type { ECharts } from 'echarts/core';
import dynamic from 'next/dynamic';
import { useDeferredValue, useRef, useState } from 'react';
import { useAnswer, useFile, useSelection } from '@/session';
import { counted, namesOf, proofText, reachText } from '@/text';
import { Ranges } from '@/parts';
import { ChartBar } from './ChartBar';
import type { Highlight } from './chartOption';
import { Details } from './Details';
import { FilterBar } from './FilterBar';
import { Legend } from './Legend';
import type { Service } from './service';
import { moveTo } from './moveTo';
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
  const box = useRef<HTMLDivElement>(null);
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
  const witnesses = proofShown ? witnessesOf(result) : [];
  const lit = litIds(highlight, services, witnesses, result);
  const choose = (next: Highlight | null) => {
    setLens(next?.kind === 'lens' ? next.id : null);
    if (next?.kind !== 'lens') setFrame(next?.id ?? null);
    // On the chart it is in sight anyhow; from a table the chart comes to it.
    if (next) {
      box.current?.scrollIntoView({ block: 'nearest' });
      moveTo(chart.current, data, next);
    }
  };

  return (
    <div className="grid gap-x-8 gap-y-4 pt-4 lg:grid-cols-[minmax(0,1fr)_19rem]">
      <section aria-labelledby="reach" className="min-w-0">
        <ChartBar
          bodies={file.shelf.bodies}
          bodyId={body?.id ?? null}
          onBody={setBodyId}
          proofShown={proofShown}
          onProof={setProofShown}
          chart={chart}
        />
        {file.shelf.lenses.length + file.frames.length === 0 ? (
          <p className="max-w-prose border-t border-hair pt-4">{t.nothingToDrawYetAdd}</p>
        ) : (
          <>
            <FilterBar filters={filters} />
            {proofShown && result && (
              <p className="mb-1" role="status">
                {t.proof(
                  proofText(result.proof, result.totals) ?? t.itIsNotProvenYet,
                  witnesses.length > 0,
                )}
              </p>
            )}
            <div
              ref={box}
              className="h-[27rem] border-y border-hair bg-sheet lg:sticky lg:top-0 lg:z-10 lg:h-[min(27rem,55vh)]"
            >
              <ReachChart
                data={data}
                lit={lit}
                description={t.chartShows(
                  counted(data.bands.length, 'lens'),
                  counted(data.spans.length, 'picture'),
                )}
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

function witnessesOf(result: LineupResult | null) {
  return result === null || result.proof.kind === 'none' ? [] : result.proof.witnesses;
}

/** What is lit on the chart: what is pointed at with all that goes with it, else the proof. */
function litIds(
  highlight: Highlight | null,
  services: readonly Service[],
  witnesses: readonly { readonly frameId: string }[],
  result: LineupResult | null,
): ReadonlySet<string> | null {
  if (highlight === null && witnesses.length === 0) return null;
  if (highlight === null)
    return new Set<string>([...witnesses.map((w) => w.frameId), ...(result?.lineup.lensIds ?? [])]);
  const covered = services.filter((s) => s.shortfall === null);
  return new Set([
    highlight.id,
    ...covered.map((s) => (highlight.kind === 'lens' ? s.frameId : s.lensId)),
  ]);
}
