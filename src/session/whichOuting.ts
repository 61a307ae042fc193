import { namedIn, type OutingKey, type Place, placeOfTab } from '@/document/live';

/**
 * Which outing a tab has open, and which was opened last in any. Both only say where to look first:
 * what is stored never depends on them.
 */
const KEY = 'arm-reach-open';

export function rememberOpen(key: OutingKey, place: Place = placeOfTab()): void {
  const name = namedIn(place, KEY);
  try {
    sessionStorage.setItem(name, key);
    localStorage.setItem(name, key);
  } catch {
    // Without it the outing that was saved last is opened.
  }
}

/** The keys to look under first. */
export function lastOpen(): OutingKey[] {
  try {
    const name = namedIn(placeOfTab(), KEY);
    const keys = [sessionStorage.getItem(name), localStorage.getItem(name)];
    return keys.filter((key): key is OutingKey => key?.startsWith('outing:') ?? false);
  } catch {
    return [];
  }
}
