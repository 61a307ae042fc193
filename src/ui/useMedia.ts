'use client';

import { useCallback, useSyncExternalStore } from 'react';

/** Whether a media query holds now; not while the page is prepared on the server. */
function useMedia(query: string): boolean {
  const subscribe = useCallback(
    (tell: () => void) => {
      const media = matchMedia(query);
      media.addEventListener('change', tell);
      return () => media.removeEventListener('change', tell);
    },
    [query],
  );
  return useSyncExternalStore(
    subscribe,
    () => matchMedia(query).matches,
    () => false,
  );
}

/** Whether the page is laid out for paper: what only paper shows is made no sooner. */
export const usePrinting = () => useMedia('print');

/** Whether the page is as narrow as a phone: as Tailwind's `max-sm`. */
export const useNarrow = () => useMedia('(width < 40rem)');
