'use client';

import { useEffect, useMemo, useState } from 'react';
import type { CarryAnswer, CarryQuestion } from '@/core/carry';
import type { LineupResult } from '@/core/lineup';
import { useAnswer, useFile } from '@/session';
import { planCarrying } from '@/workers/rivalsClient';

export interface CarryState {
  readonly question: CarryQuestion | null;
  readonly result: LineupResult | null;
  readonly answer: CarryAnswer | null;
  readonly thinking: boolean;
  readonly problem: string | null;
}

/** The plan for the lineup in sight, made anew when it, or the packing, changes. */
export function useCarryPlan(): CarryState {
  const { outing, packing } = useFile();
  const { result, question: asked } = useAnswer();
  const { anyOrder, bagWeightG, prefer } = packing;
  const question = useMemo(
    () => asked && { ...asked, outing, packing: { ...packing, anyOrder, bagWeightG, prefer } },
    [asked, outing, packing, anyOrder, bagWeightG, prefer],
  );
  const [held, setHeld] = useState<{
    answer: CarryAnswer | null;
    for: CarryQuestion | null;
    problem: string | null;
  }>({ answer: null, for: null, problem: null });
  useEffect(() => {
    if (question === null || result === null) return;
    return planCarrying(question, result, {
      progress: () => undefined,
      done: (answer) => setHeld({ answer, for: question, problem: null }),
      failed: (problem) => setHeld((before) => ({ ...before, for: question, problem })),
    });
  }, [question, result]);
  return {
    question,
    result,
    answer: held.answer,
    thinking: held.for !== question,
    problem: held.for === question ? held.problem : null,
  };
}
