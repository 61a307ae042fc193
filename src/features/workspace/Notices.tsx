'use client';

import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useState } from 'react';
import { download, useSession, useSessionState } from '@/session';
import { Button } from '@/ui';

const FirstOuting = dynamic(() => import('./FirstOuting').then((m) => m.FirstOuting));
const Tour = dynamic(() => import('./Tour').then((m) => m.Tour));

/** Said once above the places: what the demo is, or that a stored outing was set aside. */
export function Notices() {
  const { state, storage } = useSession();
  const firstVisit = useSessionState((s) => s.firstVisit);
  const touring = useSessionState((s) => s.touring);
  const [starting, setStarting] = useState(false);
  const aside = useSessionState((s) => s.aside);
  return (
    <>
      {touring && <Tour onStart={() => setStarting(true)} />}
      {starting && <FirstOuting open onOpenChange={setStarting} />}
      {firstVisit && !touring && (
        <div className="mx-5 mt-3 flex flex-wrap items-center justify-between gap-3 border-l-2 border-ink pl-3 print:hidden">
          <p className="max-w-prose">
            This is a made-up outing to look around in. Its lineup is already worked out: see{' '}
            <Link prefetch={false} className="underline" href="/lineup">
              which lenses and why
            </Link>
            , or how they lie on the{' '}
            <Link prefetch={false} className="underline" href="/reach">
              reach chart
            </Link>
            . Change anything; the line above answers at once.
          </p>
          <span className="flex flex-wrap gap-2">
            <Button onClick={() => state.setState({ touring: true })}>Show me around</Button>
            <Button onClick={() => setStarting(true)}>Start from nothing</Button>
            <Button look="quiet" onClick={() => state.setState({ firstVisit: false })}>
              Understood
            </Button>
          </span>
        </div>
      )}
      {aside && (
        <div
          role="alert"
          className="mx-5 mt-3 flex flex-wrap items-center justify-between gap-3 border-l-2 border-wrong pl-3"
        >
          <p>
            A stored outing could not be read and was set aside: {aside.reason} Download it to mend
            it, then open the file again.
          </p>
          <span className="flex flex-wrap gap-2">
            <Button
              onClick={() => download('set-aside.armreach.json', aside.text, 'application/json')}
            >
              Download it
            </Button>
            <Button
              look="quiet"
              onClick={() => {
                void storage.dropAside();
                state.setState({ aside: null });
              }}
            >
              Let it go
            </Button>
          </span>
        </div>
      )}
    </>
  );
}
