'use client';

import { useCallback } from 'react';
import { usePhotographs } from '@/session';
import type { LogOuting, LogView, OutingAnswer } from '@/workers/logClient';
import { type Asked, useAsked } from './useAsked';
import type { LogWork } from './useLogWork';

/** The photographs of the outing that is open, held against it. */
export function useOutingAnswer(work: LogWork): Asked<OutingAnswer> {
  const { log } = usePhotographs(work.keeper);
  const { view, outing } = work;
  const question = useCallback(
    (of: { outing: (view: LogView, asked: LogOuting) => Promise<OutingAnswer> }) =>
      of.outing(view, outing),
    [view, outing],
  );
  return useAsked<OutingAnswer>(work.keeper, log, work.ofOuting ? question : null);
}
