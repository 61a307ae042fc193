'use client';

import { useEffect, useMemo, useState } from 'react';
import { DEFAULT_PACKING } from '@/core/brief';
import { type CarryAnswer, type CarryQuestion, framesAsPlanned } from '@/core/carry';
import type { LineupResult } from '@/core/lineup';
import { useAnswer, useFile } from './hooks';
import { keepPlanned } from './planned';
import { planCarrying } from '@/workers/backgroundClient';

export interface CarryState {
  readonly question: CarryQuestion | null;
  readonly result: LineupResult | null;
  readonly answer: CarryAnswer | null;
  readonly thinking: boolean;
  readonly problem: string | null;
}

/**
 * The plan for the lineup in sight, made anew when it, or what the plan goes by, changes: not when
 * something is ticked off or packed besides.
 */
export function useCarryPlan(): CarryState {
  const { outing, packing } = useFile();
  const { result, question: asked } = useAnswer();
  const { anyOrder, bagWeightG, prefer } = packing;
  const { shooters, currency } = outing;
  const planned = useMemo<CarryQuestion | null>(
    () =>
      asked && {
        ...asked,
        outing: { shooters, currency },
        packing: { ...DEFAULT_PACKING, anyOrder, bagWeightG, prefer },
      },
    [asked, shooters, currency, anyOrder, bagWeightG, prefer],
  );
  const question = useMemo(() => planned && { ...planned, packing }, [planned, packing]);
  const [answered, setAnswered] = useState<{
    answer: CarryAnswer | null;
    for: CarryQuestion | null;
    problem: string | null;
  }>({ answer: null, for: null, problem: null });
  useEffect(() => {
    if (planned === null || result === null) return;
    return planCarrying(planned, result, {
      progress: () => undefined,
      done: (answer) => {
        keepPlanned(result, framesAsPlanned(planned, result.frames, answer.plan));
        setAnswered({ answer, for: planned, problem: null });
      },
      failed: (problem) => setAnswered((before) => ({ ...before, for: planned, problem })),
    });
  }, [planned, result]);
  return {
    question,
    result,
    answer: answered.answer,
    thinking: answered.for !== planned,
    problem: answered.for === planned ? answered.problem : null,
  };
}
