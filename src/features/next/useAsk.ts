'use client';

import { useEffect, useMemo } from 'react';
import type { NextQuestion } from '@/core/next';
import { type Background, useBackground } from '@/session';
import { findNext, type NextAnswer, type NextAsk } from '@/workers/backgroundClient';
import type { NextWork } from './useNextWork';

/** So that typing a figure doesn't start the work at each key, ms. */
const WAIT_MS = 250;

export interface Asking<T> {
  readonly state: Background<T>;
  readonly start: () => void;
  readonly stop: () => void;
}

/** Asks a question over all outings as soon as it is another one; what was found before is shown at once. */
export function useAsk<K extends NextAsk['kind']>(
  { question, found }: Pick<NextWork, 'question' | 'found'>,
  ask: Extract<NextAsk, { kind: K }> | null,
): Asking<NextAnswer<K>> {
  const key = JSON.stringify(ask);
  const asked = useMemo(
    () => (question === null || ask === null ? null : { question, ask }),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the same words are the same question
    [question, key],
  );
  const { state, start, stop } = useBackground<NextAnswer<K>>(asked);
  const known = asked && kept<NextAnswer<K>>(found, asked.question).get(key);
  const begin = () => {
    if (asked === null) return;
    start((report) =>
      findNext<K>(asked.question, asked.ask, {
        ...report,
        done: (answer) => {
          kept(found, asked.question).set(key, answer);
          report.done(answer);
        },
      }),
    );
  };
  useEffect(() => {
    if (asked === null || known !== undefined) return;
    const timer = setTimeout(begin, WAIT_MS);
    return () => clearTimeout(timer);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only another question starts it
  }, [asked]);
  return {
    state: known ? { kind: 'found', found: known } : state,
    start: begin,
    stop,
  };
}

function kept<T>(found: NextWork['found'], question: NextQuestion): Map<string, T> {
  const known = found.get(question) ?? new Map<string, unknown>();
  found.set(question, known);
  return known as Map<string, T>;
}
