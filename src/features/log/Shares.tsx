'use client';

import { useCallback, useMemo, useState } from 'react';
import { learntShares, outingSpan } from '@/core/log';
import { type OutingFile, setShares } from '@/document';
import { useEdit, useFile, useOtherOutings, usePhotographs, useSession } from '@/session';
import { Button, notify, SelectField, TableHead } from '@/ui';
import { formatPercent, logText } from '@/text';
import type { LogOuting, LogView, OutingAnswer } from '@/workers/logClient';
import { useAsked } from './useAsked';
import { Working } from './Working';
import type { LogWork } from './useLogWork';

const t = logText.shares;

/** What an earlier outing really had of each picture, for the pictures of the same name. */
export function Shares({ work }: { work: LogWork }) {
  const { log } = usePhotographs(work.keeper);
  const others = useOtherOutings();
  const photographed = useMemo(
    () =>
      others.filter(({ outing, stretches }) => {
        const span = outingSpan(outing, stretches);
        return span !== null && log.takenMs.some((ms) => ms >= span[0] && ms < span[1]);
      }),
    [others, log],
  );
  const [chosen, setChosen] = useState('');
  const from = photographed.find((f) => f.outing.id === chosen) ?? photographed[0] ?? null;
  return (
    <section aria-labelledby="shares" className="space-y-3">
      <h2 id="shares" className="text-lg">
        {t.title}
      </h2>
      {from === null ? (
        <p>{t.none}</p>
      ) : (
        <>
          <p className="max-w-prose">{t.intro}</p>
          <div className="max-w-xs">
            <SelectField
              label={t.outing}
              value={from.outing.id as string}
              options={photographed.map((f) => [f.outing.id as string, f.outing.name])}
              onChange={setChosen}
            />
          </div>
          <Learnt key={from.outing.id} work={work} from={from} />
        </>
      )}
    </section>
  );
}

function Learnt({ work, from }: { work: LogWork; from: OutingFile }) {
  const { log, marks } = usePhotographs(work.keeper);
  const { frames } = useFile();
  const edit = useEdit();
  const { document } = useSession();
  const question = useCallback(
    (of: { outing: (view: LogView, asked: LogOuting) => Promise<OutingAnswer> }) => {
      const { outing, stretches, limits, shelf } = from;
      const span = outingSpan(outing, stretches);
      return of.outing(
        { shelf, marks, scope: { spans: span && [span], keptOnly: false } },
        {
          outing,
          stretches,
          limits,
          frames: from.frames,
          plannedLensIds: [],
          plannedChanges: null,
        },
      );
    },
    [from, marks],
  );
  const asked = useAsked<OutingAnswer>(work.keeper, log, question);
  const { value } = asked;
  if (value === null) return <Working asked={asked} />;
  const learnt = learntShares(value.against);
  const rows = frames.flatMap((frame) => {
    const then = from.frames.find((f) => f.name === frame.name);
    const share = then === undefined ? undefined : learnt.get(then.id);
    return share === undefined ? [] : [{ frame, share }];
  });
  if (rows.length === 0) return <p>{t.noneAlike}</p>;
  const use = () => {
    if (edit(setShares(new Map(rows.map(({ frame, share }) => [frame.id, share])))))
      notify(t.used(rows.length), { action: { label: t.undo, onClick: document.undo } });
  };
  return (
    <>
      <table className="border-collapse">
        <caption className="sr-only">{t.title}</caption>
        <TableHead heads={[t.picture, t.now, t.then]} />
        <tbody>
          {rows.map(({ frame, share }) => (
            <tr key={frame.id} className="border-b border-hair">
              <th scope="row" className="py-1 pr-6 text-left font-normal">
                {frame.name}
              </th>
              <td className="py-1 pr-6 tabular-nums">
                {frame.sharePercent === null ? '–' : formatPercent(frame.sharePercent)}
              </td>
              <td className="py-1 pr-6 tabular-nums">{formatPercent(share)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Button look="strong" onClick={use}>
        {t.use(rows.length)}
      </Button>
    </>
  );
}
