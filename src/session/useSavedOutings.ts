'use client';

import { useEffect, useState } from 'react';
import type { Plan } from '@/document';
import { allOutings, openPlan, type OutingKey } from '@/document/live';
import { useDesk, useSession } from './hooks';

/** An outing that is stored in this browser. */
export interface SavedOuting {
  readonly key: OutingKey;
  readonly plan: Plan;
}

/** The key of the outing that is open. */
export function useOutingKey(): OutingKey {
  const { keeper } = useSession();
  // Another outing is another desk.
  useDesk();
  return keeper.outing();
}

/** The outings of this browser besides the open one, the last saved first; null until they are known. */
export function useSavedOutings(): readonly SavedOuting[] | null {
  const { host } = useSession();
  const open = useOutingKey();
  const [found, setFound] = useState<readonly SavedOuting[] | null>(null);
  useEffect(() => {
    let wanted = true;
    const look = async () => {
      const saved: SavedOuting[] = [];
      for (const { key, deletedAt } of await allOutings(host)) {
        if (deletedAt !== null || key === open) continue;
        const plan = (await openPlan(host, key))?.value;
        if (plan) saved.push({ key, plan });
      }
      return saved;
    };
    look().then(
      (saved) => {
        if (wanted) setFound(saved);
      },
      () => {
        if (wanted) setFound([]);
      },
    );
    return () => {
      wanted = false;
    };
  }, [host, open]);
  return found;
}
