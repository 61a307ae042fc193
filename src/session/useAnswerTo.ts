import { useEffect, useRef, useState } from 'react';
import type { LineupQuestion, LineupResult } from '@/core/lineup';
import { type Answer, createLineupClient, type LineupClient } from '@/workers/lineupClient';

/**
 * The lineup of a question that is not the open outing's, worked out beside it while this is in sight:
 * the last one stays until the next is there. Nothing where nothing is asked.
 */
export function useAnswerTo(question: LineupQuestion | null): {
  readonly result: LineupResult | null;
  /** Whether `result` answers another question than the one asked now. */
  readonly isOld: boolean;
  /** Whether no answer came of it. */
  readonly hasFailed: boolean;
} {
  const [answer, setAnswer] = useState<Answer | null>(null);
  const client = useRef<LineupClient>(null);
  useEffect(() => {
    if (question === null) return;
    client.current ??= createLineupClient(setAnswer);
    client.current.ask(question);
  }, [question]);
  useEffect(
    () => () => {
      client.current?.close();
      client.current = null;
    },
    [],
  );
  if (question === null || answer === null) return { result: null, isOld: false, hasFailed: false };
  return {
    result: answer.result,
    isOld: answer.question !== question,
    hasFailed: !answer.thinking && answer.error !== null,
  };
}
