'use client';

import type { ReactNode } from 'react';
import type { NextOpen } from '@/core/next';
import { Button, Looking } from '@/ui';
import { nextText } from '@/text';
import type { Asking } from './useAsk';
import type { NextWork } from './useNextWork';

const t = nextText.page;

/** An answer once it is there; until then how far the work is, with the way to end it. */
export function Answered<T>({
  work,
  asking: { state, start, stop },
  children,
}: {
  work: NextWork;
  asking: Asking<T>;
  children: (found: T) => ReactNode;
}) {
  if (work.question === null && work.names.length === 0) return <p>{t.noOutings}</p>;
  if (state.kind === 'found') return <>{children(state.found)}</>;
  if (state.kind === 'looking')
    return (
      <div role="status" className="space-y-1">
        <p className="text-soft">{t.working}</p>
        <Looking label={t.working} done={state.done} onStop={stop} />
      </div>
    );
  return (
    <div className="space-y-2">
      {state.kind === 'failed' && <p role="alert">{t.failed(state.message)}</p>}
      <Button onClick={start}>{t.workItOut}</Button>
    </div>
  );
}

/** Whether an answer is the proven best, or what may still be in it. */
export function Proof({
  open,
  proven,
  work: { year, currency },
}: {
  open: NextOpen | null;
  proven: string;
  work: NextWork;
}) {
  return (
    <p className="text-[13px] text-soft">
      {open === null
        ? proven
        : nextText.buy.bestFound(
            nextText.open(open.goal, open.value - open.bound, year.wanting, currency),
          )}
    </p>
  );
}
