'use client';

import { Button } from '@/ui';
import { isStale } from './stale';

/** What stands in a page's place when it failed: the rest of the application goes on. */
export function PageError({ error, reset }: { error: Error; reset: () => void }) {
  const stale = isStale(error);
  return (
    <div role="alert" className="max-w-prose space-y-3 pt-6">
      <h1 className="text-xl">
        {stale ? 'There is a newer Arm Reach' : 'This page could not be shown'}
      </h1>
      <p>
        {stale
          ? 'This page needs a part that the server has replaced. Your edits are saved; reload to change over.'
          : `Something in it failed: ${error.message} Your outing is as it was.`}
      </p>
      <span className="flex gap-2">
        <Button look="strong" onClick={() => window.location.reload()}>
          Reload
        </Button>
        {!stale && <Button onClick={reset}>Try again</Button>}
      </span>
    </div>
  );
}
