'use client';

import { useEffect, useState } from 'react';
import { fileOf, type OutingFile } from '@/document';
import { allOutings, openPlan } from '@/document/live';
import { useFilePart, useSession } from './hooks';

/** The other outings of this browser as whole files, the last saved first; those of the same kind before others. */
export function useOtherOutings(): readonly OutingFile[] {
  const { host, keeper, document } = useSession();
  const genre = useFilePart((file) => file.outing.genre);
  const [files, setFiles] = useState<readonly OutingFile[]>([]);
  useEffect(() => {
    let wanted = true;
    const look = async () => {
      const { desk } = document.store.getState();
      if (desk === null) return [];
      const found: OutingFile[] = [];
      for (const { key, deletedAt } of await allOutings(host)) {
        if (deletedAt !== null || key === keeper.outing()) continue;
        const plan = (await openPlan(host, key))?.value;
        if (plan) found.push(fileOf({ ...desk, plan }));
      }
      const isAlike = (file: OutingFile) => genre !== null && file.outing.genre === genre;
      return [...found.filter(isAlike), ...found.filter((file) => !isAlike(file))];
    };
    look().then(
      (found) => {
        if (wanted) setFiles(found);
      },
      () => undefined,
    );
    return () => {
      wanted = false;
    };
  }, [host, keeper, document, genre]);
  return files;
}
