import type { OutingKey } from '@/document/live';

/**
 * Which outing a tab has open, and which was opened last in any. Both only say where to look first:
 * what is stored never depends on them.
 */
const KEY = 'arm-reach-open';

export function rememberOpen(key: OutingKey): void {
  try {
    sessionStorage.setItem(KEY, key);
    localStorage.setItem(KEY, key);
  } catch {
    // Without it the outing that was saved last is opened.
  }
}

/** The keys to look under first. */
export function lastOpen(): OutingKey[] {
  try {
    const keys = [sessionStorage.getItem(KEY), localStorage.getItem(KEY)];
    return keys.filter((key): key is OutingKey => key?.startsWith('outing:') ?? false);
  } catch {
    return [];
  }
}
