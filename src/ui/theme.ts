export type Theme = 'light' | 'night' | 'system';

const KEY = 'arm-reach-theme';

/** Runs before the first paint, so that the page never flashes in the other theme. */
export const THEME_SCRIPT = `(function(){var t='system';try{t=localStorage.getItem('${KEY}')||t}catch(e){}if(t==='night'||(t==='system'&&matchMedia('(prefers-color-scheme: dark)').matches))document.documentElement.dataset.theme='night'})();`;

export function applyTheme(theme: Theme): void {
  const dark = matchMedia('(prefers-color-scheme: dark)').matches;
  if (theme === 'night' || (theme === 'system' && dark))
    document.documentElement.dataset.theme = 'night';
  else delete document.documentElement.dataset.theme;
  try {
    localStorage.setItem(KEY, theme);
  } catch {
    // Without storage the theme holds for this visit.
  }
}

/** The theme that was chosen; the one in force may follow the system. */
export function themeChosen(): Theme {
  try {
    const stored = localStorage.getItem(KEY);
    return stored === 'light' || stored === 'night' ? stored : 'system';
  } catch {
    return 'system';
  }
}

/** Tells when the theme in force changes; returns the way to stop. */
export function watchTheme(changed: () => void): () => void {
  const watcher = new MutationObserver(changed);
  watcher.observe(document.documentElement, { attributeFilter: ['data-theme'] });
  return () => watcher.disconnect();
}

export function isNight(): boolean {
  return document.documentElement.dataset.theme === 'night';
}

/** A colour of the theme as it is now, for what can't follow it: a canvas, a saved file. @param name such as `--ink` */
export function colourNow(name: string): string {
  return getComputedStyle(document.documentElement).getPropertyValue(name).trim();
}
