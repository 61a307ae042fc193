'use client';

import { usePathname, useSearchParams } from 'next/navigation';
import { useCallback } from 'react';

/** What is selected, kept in the address, so that a link leads to it and going back undoes it. */
export function useSelection(key: string): readonly [string | null, (id: string | null) => void] {
  const parameters = useSearchParams();
  const path = usePathname();
  const select = useCallback(
    (id: string | null) => {
      const next = new URLSearchParams(parameters.toString());
      if (id === null) next.delete(key);
      else next.set(key, id);
      const query = next.toString();
      window.history.replaceState(null, '', query === '' ? path : `${path}?${query}`);
    },
    [parameters, path, key],
  );
  return [parameters.get(key), select];
}
