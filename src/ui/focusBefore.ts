import { useEffect, useRef } from 'react';

/** What comes and goes by itself: focus is not given back to what was in it. */
const PASSING =
  '[role="menu"], [role="dialog"], [role="listbox"], [data-radix-popper-content-wrapper]';

/** The last things that had the focus and stay on the page, the newest last. */
const stable: HTMLElement[] = [];
const MOST_KEPT = 8;

if (typeof document !== 'undefined')
  document.addEventListener('focusin', ({ target }) => {
    if (!(target instanceof HTMLElement) || target.closest(PASSING) || target.tabIndex < 0) return;
    stable.push(target);
    if (stable.length > MOST_KEPT) stable.shift();
  });

/**
 * Gives the focus back to where it was before something opened, also where that was opened from a menu
 * or the palette, which are gone by then; else to the page itself.
 */
export function useFocusBefore(open: boolean): () => void {
  const before = useRef<readonly HTMLElement[]>([]);
  useEffect(() => {
    if (open) before.current = [...stable].reverse();
  }, [open]);
  return () => {
    const seen = before.current.find((element) => element.isConnected && isSeen(element));
    (seen ?? document.getElementById('content'))?.focus();
  };
}

/** Has nothing behind an open dialog take the focus: what is hidden from readers is so from the keyboard. */
export function useInertBehind(open: boolean): void {
  useEffect(() => {
    if (!open) return;
    let behind: Element[] = [];
    // The dialog hides what is behind it in an effect of its own.
    const timer = setTimeout(() => {
      behind = [...document.querySelectorAll('[data-aria-hidden="true"]:not([inert])')];
      for (const element of behind) element.setAttribute('inert', '');
    });
    return () => {
      clearTimeout(timer);
      for (const element of behind) element.removeAttribute('inert');
    };
  }, [open]);
}

function isSeen(element: HTMLElement): boolean {
  return element.getClientRects().length > 0 || typeof element.checkVisibility !== 'function';
}
