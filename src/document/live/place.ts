import localforage from 'localforage';

/** Where a tab keeps its documents: with the person's own, or apart, with those of the made-up year. */
export type Place = 'own' | 'season';

const KEY = 'arm-reach-season';
/** Set once the made-up year was left: its documents are deleted by the next page, which holds none of them. */
const GONE = 'arm-reach-season-gone';
const STORES = ['records', 'versions', 'aside', 'large'] as const;
export type StoreName = (typeof STORES)[number];

/** The place of this tab: the same as long as its page lives, whatever the next page is told. */
const PLACE: Place = (() => {
  try {
    return sessionStorage.getItem(KEY) === null ? 'own' : 'season';
  } catch {
    return 'own';
  }
})();
export const placeOfTab = (): Place => PLACE;

/** A name as it is used in a place, so that neither ever sees the other's. */
export const namedIn = (place: Place, name: string): string =>
  place === 'own' ? name : `${name}-season`;
export const named = (name: string): string => namedIn(PLACE, name);

export const databaseName = (place: Place, store: StoreName): string =>
  namedIn(place, `arm-reach-${store}`);

/** The next page of this tab shows the made-up year. */
export function goToSeason(): void {
  localStorage.removeItem(GONE);
  sessionStorage.setItem(KEY, 'yes');
}

/** The next page of this tab shows the person's own again, and deletes all of the made-up year. */
export function leaveSeason(): void {
  sessionStorage.removeItem(KEY);
  localStorage.setItem(GONE, 'yes');
}

/** Deletes what a made-up year that was left has stored here; nothing else. */
export async function deleteLeftSeason(): Promise<void> {
  if (PLACE === 'season' || localStorage.getItem(GONE) === null) return;
  await deleteSeason();
  localStorage.removeItem(GONE);
}

/** Deletes what a made-up year has stored here; nothing else. */
async function deleteSeason(): Promise<void> {
  for (const store of STORES)
    await localforage.dropInstance({ name: databaseName('season', store) });
  for (const storage of [localStorage, sessionStorage])
    for (const key of Object.keys(storage))
      if (/^arm-reach-[a-z]+-season(?::|$)/.test(key)) storage.removeItem(key);
}
