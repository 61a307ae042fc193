'use client';

import { usePathname, useSearchParams } from 'next/navigation';
import { useCallback, useLayoutEffect } from 'react';
import { useStore } from 'zustand';
import { useSession } from './hooks';
import { addressOf } from './selection';

/** What is selected, kept in the address, so that a link leads to it and going back undoes it. */
export function useSelection(key: string): readonly [string | null, (id: string | null) => void] {
  const { selection } = useSession();
  const parameters = useSearchParams().toString();
  const path = usePathname();
  const shownByRouter = `${path}?${parameters}`;
  const address = useStore(selection.store, (selecting) => addressOf(selecting, shownByRouter));
  useLayoutEffect(() => selection.shows(shownByRouter), [selection, shownByRouter]);
  const select = useCallback(
    (id: string | null) => {
      const now = addressOf(selection.store.getState(), shownByRouter);
      const next = new URLSearchParams(queryOf(now));
      if (id === null) next.delete(key);
      else next.set(key, id);
      const query = next.toString();
      if (query === queryOf(now)) return;
      selection.set(shownByRouter, `${path}?${query}`);
      window.history.replaceState(null, '', query === '' ? path : `${path}?${query}`);
    },
    [selection, shownByRouter, path, key],
  );
  return [new URLSearchParams(queryOf(address)).get(key), select];
}

const queryOf = (address: string) => address.slice(address.indexOf('?') + 1);
