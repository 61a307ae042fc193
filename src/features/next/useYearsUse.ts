'use client';

import { useEffect, useMemo, useState } from 'react';
import type { Shelf } from '@/core/gear';
import type { Usage } from '@/core/log';
import { type PhotographKeeper, usePhotographKeeper } from '@/session';
import type { LogView } from '@/workers/logClient';
import { DAY_MS } from '@/core/units';

const YEAR_MS = 365 * DAY_MS;

/**
 * Photographs with each lens in the 365 days up to the latest one; null where there are none to tell by.
 * By the photographs and not the clock, so that a log that was read long ago tells as much.
 */
export function useYearsUse(shelf: Shelf): ReadonlyMap<string, number> | null {
  const keeper = usePhotographKeeper();
  const [used, setUsed] = useState<ReadonlyMap<string, number> | null>(null);
  const span = useMemo(() => (keeper === null ? null : lastYear(keeper)), [keeper]);
  useEffect(() => {
    if (keeper === null || span === null) return;
    let wanted = true;
    const { log, marks } = keeper.state.getState();
    const view: LogView = { shelf, marks, scope: { spans: [span], keptOnly: false } };
    keeper.client
      .ask(log, (of) => of.used(view) as Promise<Usage>)
      .then(({ lenses }) => {
        if (wanted)
          setUsed(new Map(lenses.flatMap(({ lens, count }) => (lens ? [[lens.id, count]] : []))));
      })
      // Without it the column stays empty.
      .catch(() => undefined);
    return () => {
      wanted = false;
    };
  }, [keeper, span, shelf]);
  return used;
}

function lastYear({ state }: PhotographKeeper): readonly [number, number] | null {
  let last = -Infinity;
  for (const ms of state.getState().log.takenMs) if (ms > last) last = ms;
  return last === -Infinity ? null : [last - YEAR_MS, last];
}
