'use client';

import { useEffect, useState } from 'react';
import { allOutings, openPlan } from '@/document/live';
import { useFilePart, useSession } from './hooks';

/** What was noted on an earlier outing of the same kind. */
export interface FormerLessons {
  readonly outing: string;
  readonly lessons: string;
}

/** Notes on the latest other outing of the kind of the open one; null where there are none. */
export function useFormerLessons(): FormerLessons | null {
  const { host, keeper } = useSession();
  const genre = useFilePart((file) => file.outing.genre);
  const id = useFilePart((file) => file.outing.id);
  const [found, setFound] = useState<FormerLessons | null>(null);
  useEffect(() => {
    let wanted = true;
    const look = async (): Promise<FormerLessons | null> => {
      if (genre === null) return null;
      for (const { key, deletedAt } of await allOutings(host)) {
        if (deletedAt !== null || key === keeper.outing()) continue;
        const { outing } = (await openPlan(host, key))?.value ?? {};
        if (outing?.genre === genre && outing.lessons.trim() !== '')
          return { outing: outing.name, lessons: outing.lessons };
      }
      return null;
    };
    look().then(
      (former) => {
        if (wanted) setFound(former);
      },
      () => undefined,
    );
    return () => {
      wanted = false;
    };
  }, [host, keeper, genre, id]);
  return found;
}
