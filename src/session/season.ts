import { leaveSeason as leave, placeOfTab } from '@/document/live';

/** Where a page of the year, or of one's own, begins. */
const FIRST_PAGE = '/brief';

/** Another place is another session: the page is loaded anew. */
function beginAnew(): void {
  // eslint-disable-next-line @next/next/no-location-assign-relative-destination -- it must not stay in this page
  window.location.assign(FIRST_PAGE);
}

/** Whether this tab shows the made-up year. */
export const isSeason = (): boolean => placeOfTab() === 'season';

/**
 * Shows a made-up photographer's year in this tab, apart from what is the person's own.
 *
 * @throws where it can't be fetched or stored; nothing is shown otherwise than before then
 */
export async function enterSeason(): Promise<void> {
  await (await import('./prepareSeason')).prepareSeason();
  beginAnew();
}

/** Goes back to what is the person's own; all of the year is deleted by the page that comes. */
export function leaveSeason(): void {
  leave();
  beginAnew();
}
