import { createHost, type StoredRecord } from '@/document/live';
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
  const records = await Promise.race([
    createHost().stores.records.entries<StoredRecord>(),
    new Promise<never>((_, reject) =>
      setTimeout(() => reject(new Error(t.theStorageDoesntAnswer)), LONGEST_MS),
    ),
  ]);
  const [newest] = records
    .filter(([key]) => key.startsWith('outing:'))
    .map(([, record]) => record)
    .sort((a, b) => b.savedAt - a.savedAt);
  if (!newest) return false;
  download('stored-outing.json', newest.text, 'application/json');
  return true;
}
