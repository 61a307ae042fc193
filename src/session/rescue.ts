import {
  allOutings,
  createHost,
  ending,
  NoAnswerError,
  recordAt,
  type StoredRecord,
} from '@/document/live';
import { download, downloadOuting } from './download';
import { currentSession } from './earlySession';
import { sessionText } from '@/text';

const t = sessionText.rescue;

/** How long is waited for the storage, ms. */
const LONGEST_MS = 3000;

/**
 * Saves the open outing as a file, whatever else has failed: as it is in this tab, else as it was
 * stored last.
 *
 * @returns false where there is nothing to save
 */
export async function rescueOuting(): Promise<boolean> {
  const file = currentSession()?.document.store.getState().file;
  if (file) {
    downloadOuting(file);
    return true;
  }
  const record = await ending(LONGEST_MS, newestRecord()).catch((error: unknown) => {
    throw error instanceof NoAnswerError ? new Error(t.theStorageDoesntAnswer) : error;
  });
  if (record === null) return false;
  download('stored-outing.json', record.text, 'application/json');
  return true;
}

/** The outing that was stored last. */
async function newestRecord(): Promise<StoredRecord | null> {
  const host = createHost();
  const [newest] = await allOutings(host);
  return newest ? recordAt(host.stores, newest.key) : null;
}
