import { named } from './place';
import type { RecordKey } from './stored';
import type { Write } from './records';

/**
 * A page that is left has no time for a write that takes a moment. What it has not written yet it
 * leaves in the page's small storage, which is done at once; the next page takes it from there.
 */
const PREFIX = `${named('arm-reach-left')}:`;

export function leaveBehind<T>({ key, name, seen, stateId, text, value }: Write<T>): void {
  try {
    const left = { key, name, revision: seen.revision, stateId, text: text.write(value) };
    localStorage.setItem(`${PREFIX}${key}:${stateId}`, JSON.stringify(left));
  } catch {
    // Too large for it: the write under way is all that can be done.
  }
}

/** Forgets what was left behind of a state that has been written since. */
export function forget(key: RecordKey, stateId: string): void {
  try {
    localStorage.removeItem(`${PREFIX}${key}:${stateId}`);
  } catch {
    // Without this storage nothing was left in it.
  }
}

/** Whether earlier pages left anything. */
export function hasLeftBehind(): boolean {
  return leftPlaces().length > 0;
}

/** Where in the small storage something was left. */
export function leftPlaces(): string[] {
  try {
    return Object.keys(localStorage).filter((key) => key.startsWith(PREFIX));
  } catch {
    return [];
  }
}
