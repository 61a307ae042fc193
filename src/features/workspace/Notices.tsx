'use client';

import dynamic from 'next/dynamic';
import Link from 'next/link';
import { type ReactNode, useState } from 'react';
import type { KeeperNews } from '@/document/live';
import { download, downloadOuting, useFileNow, useSession, useSessionState } from '@/session';
import { Button } from '@/ui';

const FirstOuting = dynamic(() => import('./FirstOuting').then((m) => m.FirstOuting));
const Tour = dynamic(() => import('./Tour').then((m) => m.Tour));

/** Said above the pages: what the demo is, and what happened to what is stored. */
export function Notices() {
  const { state } = useSession();
  const firstVisit = useSessionState((s) => s.firstVisit);
  const touring = useSessionState((s) => s.touring);
  const [starting, setStarting] = useState(false);
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
            , or compare them on the{' '}
            <Link prefetch={false} className="underline" href="/reach">
              reach chart
            </Link>
            . Change anything; the line above answers at once.
          </p>
          <span className="flex flex-wrap gap-2">
            <Button onClick={() => state.setState({ touring: true })}>Show me around</Button>
            <Button onClick={() => setStarting(true)}>Start from nothing</Button>
            <Button look="quiet" onClick={() => state.setState({ firstVisit: false })}>
              Got it
            </Button>
          </span>
        </div>
      )}
      <Unsaved />
      <News />
      <SetAside />
    </>
  );
}

/** Something wrong, with what can be done about it. */
function Alert({ text, children }: { text: string; children: ReactNode }) {
  return (
    <div
      role="alert"
      className="mx-5 mt-3 flex flex-wrap items-center justify-between gap-3 border-l-2 border-wrong pl-3 print:hidden"
    >
      <p className="max-w-prose">{text}</p>
      <span className="flex flex-wrap gap-2">{children}</span>
    </div>
  );
}

const UNSAVED = {
  full: 'This browser has no room left, so your edits aren’t being saved. You can go on working: they stay in this tab. Export the outing, or make room under Backup and storage.',
  refused:
    'This browser doesn’t let Arm Reach store anything, so your edits aren’t being saved. You can go on working: they stay in this tab. Export the outing before you close it.',
  newer:
    'Another tab runs a newer Arm Reach, so this tab no longer saves. Export the outing if it has edits you need, then reload.',
} as const;

function Unsaved() {
  const saveState = useSessionState((s) => s.saveState);
  const fileNow = useFileNow();
  if (saveState === 'saved' || saveState === 'saving') return null;
  const save = () => {
    downloadOuting(fileNow());
  };
  return (
    <Alert text={UNSAVED[saveState]}>
      <Button look="strong" onClick={save}>
        Export this outing
      </Button>
      {saveState === 'newer' ? (
        <Button onClick={() => window.location.reload()}>Reload</Button>
      ) : (
        <Link prefetch={false} className="self-center underline" href="/storage">
          Backup and storage
        </Link>
      )}
    </Alert>
  );
}

function newsText(news: KeeperNews): string {
  switch (news.kind) {
    case 'copied':
      return `You changed the same thing here and in another tab. What was saved first stays; this tab’s outing is kept as “${news.name}” under Outings.`;
    case 'shelf-kept':
      return 'You changed the same item of your shelf here and in another tab. What was saved first stays; this tab’s shelf is kept under Earlier versions.';
    case 'deleted-elsewhere':
      return 'This outing was deleted in another tab. It is in the bin; your next edit brings it back.';
  }
}

/** What another tab has done that is not simply shown. */
function News() {
  const { state } = useSession();
  const news = useSessionState((s) => s.news);
  const restored = useSessionState((s) => s.restored);
  return (
    <>
      {news && (
        <Alert text={newsText(news)}>
          <Button look="quiet" onClick={() => state.setState({ news: null })}>
            Got it
          </Button>
        </Alert>
      )}
      {restored && (
        <Alert text="What was stored last can’t be read as a whole. What can be read of it is open, or its newest version. The whole text is kept under Backup and storage.">
          <Button look="quiet" onClick={() => state.setState({ restored: false })}>
            Got it
          </Button>
        </Alert>
      )}
    </>
  );
}

/** Texts that could not be read: each is kept until it is discarded under Backup and storage. */
function SetAside() {
  const asides = useSessionState((s) => s.asides);
  const [newest] = [...asides].reverse();
  if (!newest) return null;
  return (
    <Alert
      text={`${asides.length === 1 ? 'A stored text can’t be read and is set aside' : `${asides.length} stored texts can’t be read and are set aside`}: ${newest.reason} Download it to fix it, then open the file again.`}
    >
      <Button onClick={() => download('set-aside.armreach.json', newest.text, 'application/json')}>
        Download it
      </Button>
      <Link prefetch={false} className="self-center underline" href="/storage#aside">
        See {asides.length === 1 ? 'it' : 'them all'}
      </Link>
    </Alert>
  );
}
