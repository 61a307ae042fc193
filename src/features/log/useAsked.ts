'use client';

import { useCallback, useEffect, useState } from 'react';
import type { Log } from '@/core/log';
import type { PhotographKeeper } from '@/session';

type Ask<T> = Parameters<PhotographKeeper['client']['ask']>[1] extends (of: infer S) => unknown
  ? (of: S) => Promise<T>
  : never;

/** An answer of the log's worker; the one before stays in sight until the next is there. */
export interface Asked<T> {
  readonly value: T | null;
  readonly thinking: boolean;
  readonly error: string | null;
  /** Whether what is asked now was cancelled. */
  readonly isCancelled: boolean;
  readonly cancel: () => void;
  /** Asks what was cancelled once more. */
  readonly again: () => void;
}

/**
 * Asks the log's worker, and again whenever the question is another one.
 *
 * @param question made once for each question that is asked; null while there is none
 */
export function useAsked<T>(keeper: PhotographKeeper, log: Log, question: Ask<T> | null): Asked<T> {
  const [answered, setAnswered] = useState<{
    readonly of: unknown;
    readonly value: T | null;
    readonly error: string | null;
  }>({ of: null, value: null, error: null });
  const [round, setRound] = useState(0);
  const [cancelled, setCancelled] = useState<Ask<T> | null>(null);
  useEffect(() => {
    if (question === null) return;
    let wanted = true;
    keeper.client.ask(log, question as never).then(
      (value) => {
        if (wanted) setAnswered({ of: question, value: value as T, error: null });
      },
      (error: unknown) => {
        const why = error instanceof Error ? error.message : String(error);
        if (wanted) setAnswered((before) => ({ ...before, of: question, error: why }));
      },
    );
    return () => {
      wanted = false;
    };
  }, [keeper, log, question, round]);
  const isCancelled = question !== null && cancelled === question;
  const cancel = useCallback(() => {
    // A worker looks at nothing else while it works: it is ended, and the next question starts anew.
    keeper.client.close();
    setCancelled(() => question);
  }, [keeper, question]);
  return {
    value: answered.value,
    thinking: question !== null && answered.of !== question && !isCancelled,
    error: answered.of === question ? answered.error : null,
    isCancelled,
    cancel,
    again: useCallback(() => {
      setCancelled(null);
      setRound((before) => before + 1);
    }, []),
  };
}
