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

/** Loaded anew, since what failed may still be in memory. */
const FIRST_PAGE = '/brief';

/** The ways out of what has failed; none of them loses anything. */
export function WaysOut({
  onTryAgain,
  onGoOn = () => window.location.assign(FIRST_PAGE),
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
