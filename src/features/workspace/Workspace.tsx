'use client';

import dynamic from 'next/dynamic';
import { type ReactNode, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import * as z from 'zod';
import { useStore } from 'zustand';
import {
  applyUnits,
  fieldPathText,
  fieldProblemText,
  unitsNow,
  watchUnits,
  workspaceText,
} from '@/text';
import { DAY_MS } from '@/core/units';
import { PlacesContext } from '@/parts';
import { notices, notify } from '@/ui';
import {
  SessionProvider,
  useDesk,
  useFilePart,
  useHistory,
  useSession,
  useSessionState,
} from '@/session';
import { Header } from './Header';
import { Notices } from './Notices';
import { Offline } from './Offline';
import { isStale } from './stale';
import { WaysOut } from './PageError';
import { StandingLine } from './StandingLine';

const t = workspaceText.workspace;

// Loaded when there is first something to say.
const Toasts = dynamic(() => import('./Toasts').then((m) => m.Toasts), { ssr: false });

// Only on the days of an outing.
const FirstDay = dynamic(() => import('./FirstDay').then((m) => m.FirstDay), { ssr: false });

z.config({ jitless: true });

export function Workspace({ children }: { children: ReactNode }) {
  return (
    <SessionProvider>
      <Frame>{children}</Frame>
      <Offline />
    </SessionProvider>
  );
}

function Frame({ children }: { children: ReactNode }) {
  const phase = useSessionState((s) => s.phase);
  const said = useStore(notices, (s) => s.any);
  const units = useSyncExternalStore(watchUnits, unitsNow, () => 'metric' as const);
  return (
    <div key={units} className="flex min-h-screen flex-col">
      <a
        href="#content"
        className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-sheet focus:p-2"
      >
        {t.skipToContent}
      </a>
      {phase === 'open' ? (
        <>
          <UndoKeys />
          <OwnUnits />
          <OnItsDays />
          <Stale />
          <Refused />
          <Header />
          <StandingLine />
          <Notices />
          <main
            id="content"
            tabIndex={-1}
            className="min-w-0 flex-1 px-5 pb-10 outline-none max-sm:pb-24"
          >
            <OwnPlaces>{children}</OwnPlaces>
          </main>
        </>
      ) : (
        <main id="content" className="grid flex-1 place-items-center p-8">
          <Opening />
        </main>
      )}
      {said && <Toasts />}
    </div>
  );
}

/** Where pictures are made, for the drawings of them. */
function OwnPlaces({ children }: { children: ReactNode }) {
  const outing = useFilePart((file) => file.outing.place);
  const stretches = useFilePart((file) => file.stretches);
  const places = useMemo(() => ({ outing, stretches }), [outing, stretches]);
  return <PlacesContext value={places}>{children}</PlacesContext>;
}

/** Until an outing is open: what is waited for, what failed, and the ways out. */
function Opening() {
  const { goOnWithoutSaving } = useSession();
  const phase = useSessionState((s) => s.phase);
  const isSlow = useSessionState((s) => s.isSlow);
  const problem = useSessionState((s) => s.problem);
  const failed = phase === 'failed';
  const text = failed
    ? t.theOutingCantBeOpened(problem ?? '')
    : isSlow
      ? t.thisBrowsersStorageHasntAnswered
      : t.openingTheOuting;
  return (
    <div className="max-w-prose space-y-3">
      <p role="status" className={failed ? 'text-wrong' : 'text-soft'}>
        {text}
      </p>
      {(failed || isSlow) && (
        <WaysOut
          onTryAgain={() => window.location.reload()}
          onGoOn={() => void goOnWithoutSaving()}
        />
      )}
    </div>
  );
}

/** The person's units, as their settings have them, also where another tab has changed them. */
function OwnUnits() {
  const { units } = useDesk().settings;
  useEffect(() => {
    if (unitsNow() !== units) applyUnits(units);
  }, [units]);
  return null;
}

/** What is only looked at when an outing's first day comes, also where the page is open by then. */
function OnItsDays() {
  const { firstDay } = useFilePart(({ outing }) => outing);
  const stretches = useFilePart((file) => file.stretches);
  const [day] = [firstDay, ...stretches.map((s) => s.day)].filter((d) => d !== null).sort();
  const [openedMs] = useState(() => Date.now());
  return day !== undefined && Date.parse(day) < openedMs + 2 * DAY_MS && <FirstDay />;
}

/** Says why an edit was not made, with the field and the fix. */
function Refused() {
  const refused = useSessionState((s) => s.refused);
  useEffect(() => {
    if (refused === null) return;
    const [first, ...others] = refused.issues;
    if (!first) return;
    notify(
      t.notChanged(fieldPathText(first.path, refused.would), fieldProblemText(first.problem)),
      {
        ...(others.length > 0 ? { description: t.moreFieldsAreWrongAs(others.length) } : {}),
      },
    );
  }, [refused]);
  return null;
}

/** Says when something cannot be loaded because the server has a newer application. */
function Stale() {
  useEffect(() => {
    const failed = ({ reason }: PromiseRejectionEvent) => {
      if (!isStale(reason)) return;
      notify(t.thereIsANewerArm, {
        description: t.yourEditsAreSavedReload,
        stays: true,
        action: { label: t.reload, onClick: () => window.location.reload() },
      });
    };
    window.addEventListener('unhandledrejection', failed);
    return () => window.removeEventListener('unhandledrejection', failed);
  }, []);
  return null;
}

/** Something that is typed into: it has an undo of its own. */
function isTextField(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target.isContentEditable || target instanceof HTMLTextAreaElement) return true;
  return (
    target instanceof HTMLInputElement &&
    !['checkbox', 'radio', 'range', 'button', 'file'].includes(target.type)
  );
}

/** Ctrl or ⌘ with Z undoes, with Shift Z or Y redoes; a text being typed keeps its own undo. */
function UndoKeys() {
  const { undo, redo } = useHistory();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
      const key = event.key.toLowerCase();
      const isUndo = key === 'z' && !event.shiftKey;
      const isRedo = key === 'y' || (key === 'z' && event.shiftKey);
      if ((!isUndo && !isRedo) || isTextField(event.target)) return;
      event.preventDefault();
      if (isUndo) undo();
      else redo();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [undo, redo]);
  return null;
}
