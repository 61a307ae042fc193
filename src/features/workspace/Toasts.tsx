'use client';

import { useEffect } from 'react';
import { toast, Toaster } from 'sonner';
import { useStore } from 'zustand';
import { notices } from '@/ui';

/** What offers something to do is there long enough to be read, decided on and reached by keyboard. */
const TO_DECIDE_MS = 30_000;

/** On a phone the pages stand below. */
const OVER_THE_BAR = '4.5rem';

/** Says what waits to be said, in the lower right corner. */
export function Toasts() {
  const waiting = useStore(notices, (s) => s.waiting);
  // The corner below listens before this runs: effects of children come first.
  useEffect(() => {
    if (waiting.length === 0) return;
    for (const { text, stays, until, ...more } of waiting) {
      const duration = stays || until ? Infinity : more.action ? TO_DECIDE_MS : undefined;
      const shown = toast(text, { ...more, ...(duration && { duration, closeButton: true }) });
      const over = () => void toast.dismiss(shown);
      void until?.then(over, over);
    }
    notices.setState({ waiting: [] });
  }, [waiting]);
  return (
    <Toaster
      position="bottom-right"
      mobileOffset={{ bottom: OVER_THE_BAR }}
      style={{ fontFamily: 'inherit' }}
      toastOptions={{
        unstyled: true,
        className: 'border border-edge bg-sheet text-ink px-4 py-3 w-80',
        classNames: {
          title: 'font-semibold',
          description: 'text-soft',
          actionButton: 'mt-1 block underline',
          closeButton: 'absolute top-2 right-2',
        },
      }}
    />
  );
}
