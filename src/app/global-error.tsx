'use client';

import '@fontsource-variable/brygada-1918/wght.css';
import '@fontsource-variable/commissioner/wght.css';
import './globals.css';
import { PageError } from '@/features/workspace';

/** What stands there when even the frame around the pages failed. */
export default function GlobalError({ error, reset }: { error: Error; reset: () => void }) {
  return (
    <html lang="en">
      <body>
        <PageError error={error} reset={reset} />
      </body>
    </html>
  );
}
