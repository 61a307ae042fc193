'use client';

import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import type { PhotographKeeper, PhotographsState } from './photographs';
import { useSession } from './hooks';

/** The keeper of photographs once it is loaded and has opened what is stored; null until then. */
export function usePhotographKeeper(): PhotographKeeper | null {
  const { photographs } = useSession();
  const [keeper, setKeeper] = useState<PhotographKeeper | null>(null);
  useEffect(() => {
    let wanted = true;
    void photographs().then(async (loaded) => {
      await loaded.open();
      if (wanted) setKeeper(loaded);
    });
    return () => {
      wanted = false;
    };
  }, [photographs]);
  return keeper;
}

export function usePhotographs(keeper: PhotographKeeper): PhotographsState {
  return useStore(keeper.state);
}
