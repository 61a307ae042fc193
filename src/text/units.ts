import { G_PER_OUNCE, M_PER_FOOT } from '@/core/units';

export type Units = 'metric' | 'imperial';

const KEY = 'arm-reach-units';

/** Runs before the first paint, so that no figure changes under the reader's eyes. */
export const UNITS_SCRIPT = `(function(){try{var u=localStorage.getItem('${KEY}');if(u==='imperial')document.documentElement.dataset.units=u}catch(e){}})();`;

/** The person's units; they stand on the page itself, as the theme does. */
export function unitsNow(): Units {
  return typeof document !== 'undefined' && document.documentElement.dataset.units === 'imperial'
    ? 'imperial'
    : 'metric';
}

export function applyUnits(units: Units): void {
  if (units === 'imperial') document.documentElement.dataset.units = units;
  else delete document.documentElement.dataset.units;
  try {
    localStorage.setItem(KEY, units);
  } catch {
    // Without storage the units hold for this visit.
  }
}

/** Tells when the units change; returns the way to stop. */
export function watchUnits(changed: () => void): () => void {
  const watcher = new MutationObserver(changed);
  watcher.observe(document.documentElement, { attributeFilter: ['data-units'] });
  return () => watcher.disconnect();
}

/** How many of the person's units one of ours is, and its name; null where both use ours. */
export function inOwnUnits(unit: string | undefined): { factor: number; unit: string } | null {
  if (unitsNow() === 'metric') return null;
  if (unit === 'm') return { factor: 1 / M_PER_FOOT, unit: 'ft' };
  return unit === 'g' ? { factor: 1 / G_PER_OUNCE, unit: 'oz' } : null;
}
