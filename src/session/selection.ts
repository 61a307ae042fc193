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

/** The address that counts, given what the router shows. */
export function addressOf({ under, waiting }: Selecting, shownByRouter: string): string {
  const newest = waiting.at(-1);
  const isOnItsWay = under === shownByRouter || waiting.includes(shownByRouter);
  return newest !== undefined && isOnItsWay ? newest : shownByRouter;
}

export function createSelection(): Selection {
  const store = createStore<Selecting>(() => NOTHING);
  return {
    store,
    set(shownByRouter, address) {
      const { under, waiting } = store.getState();
      if (under !== shownByRouter && !waiting.includes(shownByRouter))
        store.setState({ under: shownByRouter, waiting: [address] });
      else if (address === under) store.setState(NOTHING);
      else store.setState({ under, waiting: [...waiting, address] });
    },
    shows(address) {
      const { under, waiting } = store.getState();
      if (waiting.length === 0) return;
      const arrived = address === waiting.at(-1);
      const leftElsewhere = address !== under && !waiting.includes(address);
      if (arrived || leftElsewhere) store.setState(NOTHING);
    },
  };
}
