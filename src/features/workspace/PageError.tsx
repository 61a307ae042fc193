'use client';

import { useState } from 'react';
import { rescueOuting } from '@/session';
import { Button } from '@/ui';
import { isStale } from './stale';
import { pageErrorText } from '@/text';

const t = pageErrorText;

/** What stands in a page's place when it failed: the rest of the application goes on. */
export function PageError({ error, reset }: { error: Error; reset: () => void }) {
  const stale = isStale(error);
  return (
    <div role="alert" className="max-w-prose space-y-3 p-6">
      <h1 className="text-xl">{stale ? t.thereIsANewerArm : t.thisPageCantBeShown}</h1>
      <p>{stale ? t.thisPageNeedsAPart : t.somethingInItFailedYour(error.message)}</p>
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
      (saved) => setSaid(saved ? t.savedAsAFile : t.thereIsNoOutingTo),
      (error: unknown) =>
        setSaid(t.itCantBeSaved(error instanceof Error ? error.message : String(error))),
    );
  return (
    <>
      <span className="flex flex-wrap gap-2">
        <Button look="strong" onClick={save}>
          {t.saveMyOutingAsA}
        </Button>
        <Button onClick={onTryAgain ?? (() => window.location.reload())}>
          {onTryAgain ? t.tryAgain : t.reload}
        </Button>
        <Button onClick={onGoOn}>{t.goOnWithoutSaving}</Button>
      </span>
      <p role="status">{said}</p>
    </>
  );
}
