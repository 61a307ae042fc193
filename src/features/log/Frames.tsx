'use client';

import { useCallback, useState } from 'react';
import { putFrame, type Edit, framesOfClusters } from '@/document';
import type { Cluster } from '@/core/log';
import { useEdit, useFile, useFileNow, usePhotographs, useSession } from '@/session';
import { Button, notify, TableHead } from '@/ui';
import { digits, formatEv, formatFocalRange, formatPercent, logText } from '@/text';
import type { LogView } from '@/workers/logClient';
import { useAsked } from './useAsked';
import { Working } from './Working';
import { Shares } from './Shares';
import type { LogWork } from './useLogWork';

const t = logText.frames;

/** Photographs that are alike, to be wanted pictures of the outing that is open. */
export function Frames({ work }: { work: LogWork }) {
  const { log } = usePhotographs(work.keeper);
  const { stretches } = useFile();
  const question = useCallback(
    (of: { clusters: (view: LogView, s: typeof stretches) => Promise<Cluster[]> }) =>
      of.clusters(work.view, work.ofOuting ? stretches : []),
    [work.view, work.ofOuting, stretches],
  );
  const asked = useAsked<Cluster[]>(work.keeper, log, question);
  const { value } = asked;
  return (
    <div className="space-y-8">
      <section aria-labelledby="new-pictures" className="space-y-3">
        <h2 id="new-pictures" className="text-lg">
          {t.title}
        </h2>
        <p className="max-w-prose">{t.intro}</p>
        {value === null || asked.error !== null ? (
          <Working asked={asked} />
        ) : value.length === 0 ? (
          <p>{t.none}</p>
        ) : (
          <Clusters key={work.of} clusters={value} />
        )}
      </section>
      <Shares work={work} />
    </div>
  );
}

function focalOf(c: Cluster): string {
  return formatFocalRange(Math.round(c.fromMm), Math.round(c.toMm));
}

function Clusters({ clusters }: { clusters: readonly Cluster[] }) {
  const edit = useEdit();
  const fileNow = useFileNow();
  const { document } = useSession();
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const [names, setNames] = useState<ReadonlyMap<number, string>>(new Map());
  const nameOf = (i: number, c: Cluster) =>
    names.get(i) ?? t.name(focalOf(c), c.stretch?.name ?? '');
  const add = () => {
    const picked = clusters.flatMap((cluster, i) =>
      chosen.has(i) ? [{ cluster, name: nameOf(i, cluster).trim() || focalOf(cluster) }] : [],
    );
    const made = framesOfClusters(picked, fileNow().frames);
    const all: Edit = (file) => made.reduce((now, frame) => putFrame(frame)(now), file);
    if (!edit(all)) return;
    notify(t.taken(made.length), { action: { label: t.undo, onClick: document.undo } });
    setChosen(new Set());
  };
  const flip = (i: number) =>
    setChosen((before) => {
      const next = new Set(before);
      if (!next.delete(i)) next.add(i);
      return next;
    });
  return (
    <>
      <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label={t.groups}>
        <table className="w-full border-collapse">
          <caption className="sr-only">{t.title}</caption>
          <TableHead heads={[t.group, t.share, t.focal, t.light, t.stretch]} />
          <tbody>
            {clusters.map((c, i) => {
              const name = nameOf(i, c);
              return (
                <tr key={i} className="border-b border-hair">
                  <th scope="row" className="py-1 pr-4 text-left font-normal">
                    <span className="flex items-center gap-2">
                      <input
                        type="checkbox"
                        aria-label={t.choose(name)}
                        checked={chosen.has(i)}
                        onChange={() => flip(i)}
                      />
                      <input
                        className="w-64 max-sm:w-44 border border-hair bg-sheet px-1.5 py-0.5"
                        aria-label={t.nameOf(name)}
                        value={name}
                        maxLength={120}
                        onChange={(event) => setNames(new Map(names).set(i, event.target.value))}
                      />
                      <span className="text-soft tabular-nums">{digits(c.count, 0)}</span>
                    </span>
                  </th>
                  <td className="py-1 pr-4 tabular-nums">{formatPercent(c.sharePercent)}</td>
                  <td className="py-1 pr-4 whitespace-nowrap tabular-nums">{focalOf(c)}</td>
                  <td className="py-1 pr-4 whitespace-nowrap tabular-nums">
                    {c.evMiddle === null ? t.unknownLight : formatEv(c.evMiddle)}
                  </td>
                  <td className="py-1 pr-4">{c.stretch?.name ?? t.anyTime}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <Button look="strong" disabled={chosen.size === 0} onClick={add}>
        {t.take(chosen.size)}
      </Button>
    </>
  );
}
