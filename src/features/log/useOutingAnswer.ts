'use client';

import { useCallback, useEffect, useMemo, useState } from 'react';
import { DEFAULT_PACKING } from '@/core/brief';
import type { CarryPlan } from '@/core/carry';
import { useAnswer, useFile, usePhotographs } from '@/session';
import { planCarrying } from '@/workers/backgroundClient';
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

/** The plan of carrying for the lineup in sight; null until it is known. */
export function usePlan(): CarryPlan | null {
  const { outing, packing } = useFile();
  const { result, question } = useAnswer();
  const { anyOrder, bagWeightG, prefer } = packing;
  const { shooters, currency } = outing;
  const asked = useMemo(
    () =>
      question && {
        ...question,
        outing: { shooters, currency },
        packing: { ...DEFAULT_PACKING, anyOrder, bagWeightG, prefer },
      },
    [question, shooters, currency, anyOrder, bagWeightG, prefer],
  );
  const [planned, setPlanned] = useState<CarryPlan | null>(null);
  useEffect(() => {
    if (asked === null || result === null) return;
    return planCarrying(asked, result, {
      progress: () => undefined,
      done: ({ plan }) => setPlanned(plan),
      failed: () => setPlanned(null),
    });
  }, [asked, result]);
  return planned;
}
