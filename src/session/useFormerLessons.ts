'use client';

import { useFilePart } from './hooks';
import { useOtherOutings } from './useOtherOutings';

/** What was noted on an earlier outing of the same kind. */
export interface FormerLessons {
  readonly outing: string;
  readonly lessons: string;
}

/** Notes on the latest other outing of the kind of the open one; null where there are none. */
export function useFormerLessons(): FormerLessons | null {
  const genre = useFilePart((file) => file.outing.genre);
  const files = useOtherOutings();
  const former = files.find(
    ({ outing }) => genre !== null && outing.genre === genre && outing.lessons.trim() !== '',
  );
  return former === undefined
    ? null
    : { outing: former.outing.name, lessons: former.outing.lessons };
}
