const KEY = 'arm-reach-single-keys';

/** Whether keys pressed by themselves do something; speech input sends them unasked (WCAG 2.1.4). */
export function singleKeysOn(): boolean {
  try {
    return localStorage.getItem(KEY) !== 'off';
  } catch {
    return true;
  }
}

export function setSingleKeys(on: boolean): void {
  try {
    if (on) localStorage.removeItem(KEY);
    else localStorage.setItem(KEY, 'off');
  } catch {
    // Without storage they stay as they are for this visit.
  }
}
