'use client';

import { usePathname, useRouter, useSearchParams } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { OutingFile } from '@/document';
import { useFile, useSession } from '@/session';
import { Button } from '@/ui';
import { dialogText } from '@/text';

const t = dialogText.tour;

interface Now {
  readonly path: string;
  readonly frame: string | null;
  readonly file: OutingFile;
}

interface TourStep {
  readonly text: string;
  readonly href: string;
  /** Whether it is done, compared with how things stood when it began. */
  readonly done: (now: Now, before: Now) => boolean;
}

/** A way through that teaches by doing: each step goes on by itself once it is done. */
const STEPS: readonly TourStep[] = [
  {
    text: t.briefListsThePicturesYou,
    href: '/brief',
    done: (now) => now.path === '/brief' && now.frame !== null,
  },
  {
    text: t.changeSomethingHowMuchYou,
    href: '/brief',
    done: (now, before) => now.file.frames !== before.file.frames,
  },
  {
    text: t.reachShowsEveryLensBy,
    href: '/reach',
    done: (now) => now.path === '/reach' && now.frame !== null,
  },
  {
    text: t.lineupSaysWhichLensesTo,
    href: '/lineup',
    done: (now, before) => now.file.limits.lockedOut.length > before.file.limits.lockedOut.length,
  },
  {
    text: t.carrySaysWhatGoesOn,
    href: '/carry',
    done: (now) => now.path === '/carry',
  },
];

export function Tour({ onStart }: { onStart: () => void }) {
  const { state } = useSession();
  const router = useRouter();
  const path = usePathname();
  const frame = useSearchParams().get('frame');
  const file = useFile();
  const [at, setAt] = useState(0);
  const [before, setBefore] = useState<Now>({ path, frame, file });
  const step = STEPS[at];
  const done = step?.done({ path, frame, file }, before) ?? false;
  useEffect(() => {
    if (!done) return;
    const timer = setTimeout(() => {
      setBefore({ path, frame: null, file });
      setAt((n) => n + 1);
    }, 700);
    return () => clearTimeout(timer);
  }, [done, path, file]);
  const end = () => state.setState({ firstVisit: false, touring: false });
  return (
    <div
      role="region"
      aria-label={t.tour}
      className="mx-5 mt-3 flex flex-wrap items-center justify-between gap-3 border-l-4 border-ink pl-3 print:hidden"
    >
      {step ? (
        <>
          <p className="max-w-prose" aria-live="polite">
            <span className="text-soft">{t.of(at + 1, STEPS.length)}</span>{' '}
            {done ? t.done : step.text}
          </p>
          <span className="flex gap-2">
            {path !== step.href && (
              <Button onClick={() => router.push(step.href)}>{t.goThere}</Button>
            )}
            <Button look="quiet" onClick={() => setAt(at + 1)}>
              {t.next}
            </Button>
            <Button look="quiet" onClick={end}>
              {t.endTheTour}
            </Button>
          </span>
        </>
      ) : (
        <>
          <p className="max-w-prose">{t.thatsTheTourUndoPuts}</p>
          <span className="flex gap-2">
            <Button
              look="strong"
              onClick={() => {
                end();
                onStart();
              }}
            >
              {t.startFromNothing}
            </Button>
            <Button look="quiet" onClick={end}>
              {t.endTheTour}
            </Button>
          </span>
        </>
      )}
    </div>
  );
}
