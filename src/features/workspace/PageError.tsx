'use client';

import { useState } from 'react';
import { rescueOuting } from '@/session';
import { Button } from '@/ui';
import { isStale } from './stale';

/** What stands in a page's place when it failed: the rest of the application goes on. */
export function PageError({ error, reset }: { error: Error; reset: () => void }) {
  const stale = isStale(error);
  return (
    <div role="alert" className="max-w-prose space-y-3 p-6">
      <h1 className="text-xl">
        {stale ? 'There is a newer Arm Reach' : 'This page can’t be shown'}
      </h1>
      <p>
        {stale
          ? 'This page needs a part that the server has replaced. Your edits are saved; reload to change over.'
          : `Something in it failed: ${error.message} Your outing is as it was. Save it as a file to be on the safe side, then try again.`}
      </p>
      <WaysOut onTryAgain={stale ? null : reset} />
    </div>
  );
}

/** Loads the first page anew: what failed may still be in memory, and with it the router. */
function startAnew(): void {
  // eslint-disable-next-line @next/next/no-location-assign-relative-destination
  window.location.assign('/brief');
}

/** The ways out of what has failed; none of them loses anything. */
export function WaysOut({
  onTryAgain,
  onGoOn = startAnew,
}: {
  /** null where only loading the page anew helps. */
  onTryAgain: (() => void) | null;
  onGoOn?: () => void;
}) {
  const [said, setSaid] = useState('');
  const save = () =>
    void rescueOuting().then(
      (saved) => setSaid(saved ? 'Saved as a file.' : 'There is no outing to save.'),
      (error: unknown) =>
        setSaid(`It can’t be saved: ${error instanceof Error ? error.message : String(error)}`),
    );
  return (
    <>
      <span className="flex flex-wrap gap-2">
        <Button look="strong" onClick={save}>
          Save my outing as a file
        </Button>
        <Button onClick={onTryAgain ?? (() => window.location.reload())}>
          {onTryAgain ? 'Try again' : 'Reload'}
        </Button>
        <Button onClick={onGoOn}>Go on without saving</Button>
      </span>
      <p role="status">{said}</p>
    </>
  );
}
