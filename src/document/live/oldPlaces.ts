import { placeOfTab } from './place';
import type { Host } from './stored';

/** Where an earlier Arm Reach kept the outings, and where it is noted that they were taken over. */
export const OLD_DATABASE = 'arm-reach';
export const OLD_KEPT = 'arm-reach-kept';
export const OLD_DONE = 'old-storage-read';

/** Whether an earlier Arm Reach has stored something here that was not taken over yet. */
export async function hasOldStorage({ stores }: Pick<Host, 'stores'>): Promise<boolean> {
  if (placeOfTab() !== 'own') return false;
  if (localStorage.getItem(OLD_KEPT) === null && !(await hasOldDatabase())) return false;
  return (await stores.records.get(OLD_DONE)) === null;
}

async function hasOldDatabase(): Promise<boolean> {
  if (typeof indexedDB === 'undefined' || !('databases' in indexedDB)) return true;
  const databases = await indexedDB.databases();
  return databases.some((db) => db.name === OLD_DATABASE);
}
