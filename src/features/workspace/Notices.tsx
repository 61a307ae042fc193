'use client';

import dynamic from 'next/dynamic';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { type ReactNode, useState } from 'react';
import type { KeeperNews } from '@/document/live';
import {
  download,
  downloadOuting,
  isSeason,
  leaveSeason,
  useFileNow,
  useHistory,
  useSession,
  useSessionState,
} from '@/session';
import { Button } from '@/ui';
import { asideText, listOf, seasonText, workspaceText } from '@/text';

const t = workspaceText.notices;

const FirstOuting = dynamic(() => import('./FirstOuting').then((m) => m.FirstOuting));
const ThreeWays = dynamic(() => import('./ThreeWays').then((m) => m.ThreeWays));
const Tour = dynamic(() => import('./Tour').then((m) => m.Tour));

/** Said above the pages: what the demo is, and what happened to what is stored. */
export function Notices() {
  const firstVisit = useSessionState((s) => s.firstVisit);
  const touring = useSessionState((s) => s.touring);
  const [starting, setStarting] = useState(false);
  const { canUndo } = useHistory();
  const pathname = usePathname();
  // On the page that a visit begins with, until something is done there.
  const isArriving = firstVisit && !touring && !canUndo && pathname === '/brief';
  return (
    <>
      {touring && <Tour onStart={() => setStarting(true)} />}
      {starting && <FirstOuting open onOpenChange={setStarting} />}
      {isArriving && <ThreeWays onStart={() => setStarting(true)} />}
      {isSeason() && <SeasonBar />}
      <Unsaved />
      <News />
      <SetAside />
    </>
  );
}

/** What is shown is made up, and the way back to one's own. */
function SeasonBar() {
  return (
    <p
      className="mx-5 mt-2 flex flex-wrap items-center gap-x-3 text-[13px] text-soft print:hidden"
      data-testid="season"
    >
      {seasonText.isSeason}
      <button type="button" className="min-h-6 text-ink underline" onClick={leaveSeason}>
        {seasonText.leave}
      </button>
    </p>
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
  full: t.thisBrowserHasNoRoom,
  silent: t.theStorageDoesntAnswer,
  refused: t.thisBrowserDoesntLetArm,
  newer: t.anotherTabRunsANewer,
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
        {t.exportThisOuting}
      </Button>
      {saveState === 'newer' ? (
        <Button onClick={() => window.location.reload()}>{t.reload}</Button>
      ) : (
        <Link prefetch={false} className="self-center underline" href="/storage">
          {t.backupAndStorage}
        </Link>
      )}
    </Alert>
  );
}

function newsText(news: KeeperNews): string {
  switch (news.kind) {
    case 'copied':
      return t.youChangedTheSameThing(news.name);
    case 'shelf-kept':
      return t.youChangedTheSameItem;
    case 'newer-outing':
      return t.newerOuting(listOf(news.names));
    case 'deleted-elsewhere':
      return t.thisOutingWasDeletedIn;
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
            {t.gotIt}
          </Button>
        </Alert>
      )}
      {restored && (
        <Alert text={t.whatWasStoredLastCant}>
          <Button look="quiet" onClick={() => state.setState({ restored: false })}>
            {t.gotIt}
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
      text={t.downloadItToFixIt(
        asides.length === 1 ? t.aStoredTextCantBe : t.storedTextsCantBeRead(asides.length),
        asideText(newest.reason),
      )}
    >
      <Button onClick={() => download('set-aside.armreach.json', newest.text, 'application/json')}>
        {t.downloadIt}
      </Button>
      <Link prefetch={false} className="self-center underline" href="/storage#aside">
        {t.see(asides.length === 1 ? 'it' : t.themAll)}
      </Link>
    </Alert>
  );
}
