import { useEffect, useState } from 'react';
import type { Compartment } from '@/core/brief';
import type { BagAnswer, BagItem } from '@/core/carry';
import { searchBag } from '@/workers/backgroundClient';

interface BagState {
  /** null while it is being searched for, or where it failed. */
  readonly answer: BagAnswer | null;
  readonly problem: string | null;
}

/** Whether blocks go into compartments, looked for in the background. */
export function useBag(compartments: readonly Compartment[], items: readonly BagItem[]): BagState {
  const [latest, setLatest] = useState<BagState & { readonly for: readonly BagItem[] | null }>({
    answer: null,
    problem: null,
    for: null,
  });
  useEffect(() => {
    if (compartments.length === 0) return;
    return searchBag(compartments, items, {
      progress: () => undefined,
      done: (answer) => setLatest({ answer, problem: null, for: items }),
      failed: (problem) => setLatest({ answer: null, problem, for: items }),
    });
  }, [compartments, items]);
  return latest.for === items ? latest : { answer: null, problem: null };
}
