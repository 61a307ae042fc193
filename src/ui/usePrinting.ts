'use client';

import { useSyncExternalStore } from 'react';

const onPaper = () => matchMedia('print');

function subscribe(tell: () => void): () => void {
  const media = onPaper();
  media.addEventListener('change', tell);
  return () => media.removeEventListener('change', tell);
}

/** Whether the page is laid out for paper: what only paper shows is made no sooner. */
export function usePrinting(): boolean {
  return useSyncExternalStore(
    subscribe,
    () => onPaper().matches,
    () => false,
  );
}
