import type { KeyValue } from './keyValue';
import type { Host, RecordKey, StoredRecord } from './stored';

/** Versions that wait behind one that doesn't come to an end; beyond them only what must be kept waits. */
const MOST_WAITING = 20;

/** By store, what is being kept: one after another, so that each sees what the one before kept. */
const queues = new WeakMap<KeyValue, { last: Promise<unknown>; waiting: number }>();

/**
 * Keeps a state as a version if it is one, or always, after those that are being kept. No edit waits
 * for it and no lock is held over it: what it takes is loaded when first needed, and written to a
 * database of its own, and neither need ever answer.
 *
 * @returns whether what it takes was there; a version that cannot be kept is one less
 */
export function noteVersion(
  { stores, now }: Pick<Host, 'stores' | 'now'>,
  key: RecordKey,
  record: StoredRecord,
  always = false,
): Promise<boolean> {
  const queue = queues.get(stores.versions) ?? { last: Promise.resolve(), waiting: 0 };
  queues.set(stores.versions, queue);
  if (!always && queue.waiting >= MOST_WAITING) return Promise.resolve(false);
  const at = now();
  queue.waiting += 1;
  const kept = queue.last
    .then(async () => {
      const { keepVersion } = await import('./versions');
      await keepVersion(stores.versions, key, record, at, always);
      return true;
    })
    .catch(() => false)
    .finally(() => {
      queue.waiting -= 1;
    });
  queue.last = kept;
  return kept;
}

/** When all that is being kept is kept, or can't be. */
export async function versionsKept({ versions }: Pick<Host['stores'], 'versions'>): Promise<void> {
  await queues.get(versions)?.last;
}
