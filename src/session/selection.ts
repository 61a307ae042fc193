import { createStore, type StoreApi } from 'zustand/vanilla';

/**
 * What was selected in the address and has not come back from the router yet. The router shows a new
 * address some time after it is set, up to a second later; until then, what is selected would be the
 * former thing, and what is typed would go into its fields.
 */
export interface Selecting {
  /** The address that the router still shows. */
  readonly under: string;
  /** The addresses set since, the newest last. */
  readonly waiting: readonly string[];
}

const NOTHING: Selecting = { under: '', waiting: [] };

export interface Selection {
  readonly store: StoreApi<Selecting>;
  /** Notes that an address was set while the router showed another. */
  set(shownByRouter: string, address: string): void;
  /** Notes what the router shows now. */
  shows(address: string): void;
}

/** Whether what the router shows leads to what was set; else somebody has gone elsewhere. */
function isOnItsWay({ under, waiting }: Selecting, shownByRouter: string): boolean {
  return under === shownByRouter || waiting.includes(shownByRouter);
}

/** The address that counts, given what the router shows. */
export function addressOf(selecting: Selecting, shownByRouter: string): string {
  const newest = selecting.waiting.at(-1);
  return newest !== undefined && isOnItsWay(selecting, shownByRouter) ? newest : shownByRouter;
}

export function createSelection(): Selection {
  const store = createStore<Selecting>(() => NOTHING);
  return {
    store,
    set(shownByRouter, address) {
      const selecting = store.getState();
      const { under, waiting } = selecting;
      if (!isOnItsWay(selecting, shownByRouter))
        store.setState({ under: shownByRouter, waiting: [address] });
      else if (address === under) store.setState(NOTHING);
      else store.setState({ under, waiting: [...waiting, address] });
    },
    shows(address) {
      const selecting = store.getState();
      if (selecting.waiting.length === 0) return;
      const hasArrived = address === selecting.waiting.at(-1);
      if (hasArrived || !isOnItsWay(selecting, address)) store.setState(NOTHING);
    },
  };
}
