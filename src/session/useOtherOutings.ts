'use client';

import { useMemo } from 'react';
import { fileOf, type OutingFile } from '@/document';
import { useDesk } from './hooks';
import { useSavedOutings } from './useSavedOutings';

/** The other outings of this browser as whole files, the last saved first; those of the same kind before others. */
export function useOtherOutings(): readonly OutingFile[] {
  const { shelf, settings, plan: open } = useDesk();
  const { genre } = open.outing;
  const saved = useSavedOutings();
  return useMemo(() => {
    const files = (saved ?? []).map(({ plan }) => fileOf({ plan, shelf, settings }));
    const isAlike = (file: OutingFile) => genre !== null && file.outing.genre === genre;
    return [...files.filter(isAlike), ...files.filter((file) => !isAlike(file))];
  }, [saved, shelf, settings, genre]);
}
