'use client';

import { useEffect, useState } from 'react';
import { useAnswer } from './hooks';

/** Whether the first answer, or what is said in its place, has stood for so long, ms: what is waited for comes first. */
export function useOnceAnswered(forMs: number): boolean {
  const { result, error } = useAnswer();
  const answered = result !== null || error !== null;
  const [due, setDue] = useState(false);
  useEffect(() => {
    if (!answered) return;
    const timer = setTimeout(() => setDue(true), forMs);
    return () => clearTimeout(timer);
  }, [answered, forMs]);
  return due;
}
