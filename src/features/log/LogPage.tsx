'use client';

import Link from 'next/link';
import { useEffect } from 'react';
import {
  usePhotographKeeper,
  usePhotographs,
  type PhotographKeeper,
  useSelection,
} from '@/session';
import { SelectField, Tick } from '@/ui';
import { HelpLink, Views } from '@/parts';
import { formatDays, logText } from '@/text';
import { AddPhotographs } from './AddPhotographs';
import { Against } from './Against';
import { Frames } from './Frames';
import { Hindsight } from './Hindsight';
import { Lessons } from './Lessons';
import { Manage } from './Manage';
import { type LogWork, useLogWork } from './useLogWork';
import { Used } from './Used';

const t = logText.page;

/** What was used, against the plan and in hindsight; the ways to bring photographs in, while there are none. */
export function LogPage() {
  const keeper = usePhotographKeeper();
  // The chart is loaded while the photographs are.
  useEffect(() => void import('./UsedChart'), []);
  return (
    <div className="space-y-4 pt-4">
      {keeper === null ? (
        <>
          <h1 className="text-xl">{t.log}</h1>
          <p className="text-soft">{t.opening}</p>
        </>
      ) : (
        <Opened keeper={keeper} />
      )}
    </div>
  );
}

function Opened({ keeper }: { keeper: PhotographKeeper }) {
  const { log, phase, problem, isDamaged } = usePhotographs(keeper);
  const work = useLogWork(keeper);
  const selection = useSelection('view');
  if (phase === 'failed')
    return (
      <>
        <h1 className="text-xl">{t.log}</h1>
        <p role="alert">{t.cantOpen}</p>
      </>
    );
  return (
    <>
      <Head work={work} />
      {problem !== null && (
        <p role="alert" className="border-l-2 border-wrong pl-3">
          {t[problem]}
        </p>
      )}
      {isDamaged && (
        <p role="alert" className="border-l-2 border-wrong pl-3">
          {t.damaged}{' '}
          <Link prefetch={false} className="underline" href="/storage#aside">
            {t.seeIt}
          </Link>
        </p>
      )}
      {log.count === 0 ? (
        <AddPhotographs keeper={keeper} />
      ) : (
        <Views
          of="/log"
          label={t.views}
          first="used"
          selection={selection}
          beside={<Scope work={work} />}
          contents={{
            used: <Used work={work} />,
            against: <Against work={work} />,
            hindsight: <Hindsight work={work} />,
            frames: <Frames work={work} />,
            lessons: <Lessons work={work} />,
            photographs: <Manage work={work} />,
          }}
        />
      )}
    </>
  );
}

function Head({ work }: { work: LogWork }) {
  const { log } = usePhotographs(work.keeper);
  let [first, last] = [Infinity, -Infinity];
  for (const ms of log.takenMs)
    if (!Number.isNaN(ms)) {
      first = Math.min(first, ms);
      last = Math.max(last, ms);
    }
  return (
    <div className="flex flex-wrap items-baseline justify-between gap-3">
      <span className="flex items-center">
        <h1 className="text-xl">{t.log}</h1>
        <HelpLink topic="data" />
      </span>
      {log.count > 0 && (
        <p className="text-soft">
          {t.inAll(log.count, first <= last ? formatDays(first, last) : '')}
        </p>
      )}
    </div>
  );
}

/** Which photographs are looked at. */
function Scope({ work }: { work: LogWork }) {
  const { outing } = work.outing;
  return (
    <div className="flex flex-wrap items-end gap-4 pb-1">
      <SelectField
        label={t.lookAt}
        value={work.of}
        options={[
          ['all', t.allPhotographs],
          ...(work.hasDays ? [['outing', t.photographsOf(outing.name)] as const] : []),
          ...(work.alike > 1 ? [['genre', t.outingsOfTheKind(work.alike)] as const] : []),
        ]}
        onChange={work.setOf}
      />
      <Tick label={t.keptOnly} on={work.keptOnly} onChange={work.setKeptOnly} />
    </div>
  );
}
