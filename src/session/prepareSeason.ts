import {
  allOutings,
  type BrowserHost,
  changePhotographs,
  createHost,
  deleteLeftSeason,
  goToSeason,
  NO_PHOTOGRAPHS,
  type RecordKey,
  replaceRecord,
  withPhotos,
} from '@/document/live';
import { readInWorker } from '@/document/reader';
import type { Season } from '@/document/simulated';
import { rememberOpen } from './whichOuting';

const ADDRESS = '/api/season';

/**
 * Makes this tab's next page show a made-up photographer's year, kept apart from what is the person's own;
 * as it was left, where another tab still shows it.
 *
 * @throws where it can't be fetched or stored
 */
export async function prepareSeason(): Promise<void> {
  await deleteLeftSeason();
  const host = createHost('season');
  if ((await allOutings(host)).length === 0) {
    const response = await fetch(ADDRESS);
    if (!response.ok) throw new Error(String(response.status));
    await fill(host, (await response.json()) as Season);
  }
  goToSeason();
}

/** Stores the year: its outings last, since by them it is known to be whole. */
async function fill(host: BrowserHost, season: Season): Promise<void> {
  const read = await readInWorker('photoTable', [season.photographs, false]);
  if (!read.ok || read.value.code !== 'read') throw new Error(ADDRESS);
  const { photos } = read.value;
  await changePhotographs(host, NO_PHOTOGRAPHS, ({ log, marks }) => ({
    ...withPhotos(log, photos),
    marks,
  }));
  const put = (key: RecordKey, name: string, text: string, savedAt: number) =>
    replaceRecord(host, key, { name, text, savedAt, deletedAt: null });
  await put('shelf', '', season.shelf, host.now());
  await put('settings', '', season.settings, host.now());
  for (const { key, name, text, savedAt } of season.outings.toReversed())
    await put(key, name, text, savedAt);
  const [first] = season.outings;
  if (first) rememberOpen(first.key, 'season');
}
