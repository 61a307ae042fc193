'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import dynamic from 'next/dynamic';
import type { ReactNode } from 'react';
import { useAnswer, useOnceAnswered, useSession } from '@/session';
import { Button } from '@/ui';
import { seasonText, threeWaysText } from '@/text';
import { newOuting } from './newOuting';
import { openSeason } from './openSeason';
import { useOpening } from './useOpening';

const t = threeWaysText;

const Choosing = () => <span className="text-soft">{t.choosing}</span>;

/** The score is drawn once the answer itself has been seen, ms. */
const DRAWN_AFTER_MS = 100;

// There is nothing to draw before the answer.
const DemoAnswer = dynamic(() => import('./DemoAnswer').then((m) => m.DemoAnswer), {
  loading: Choosing,
});

/** The first screen of a first visit: the demo's answer to look at, and the two ways to one's own. */
export function ThreeWays({ onStart }: { onStart: () => void }) {
  const { state } = useSession();
  const { result } = useAnswer();
  const isDue = useOnceAnswered(DRAWN_AFTER_MS);
  const router = useRouter();
  const { start } = useOpening();
  // The demo's gear is not the person's own: photographs are read beside nothing of it.
  const startFromPhotographs = () =>
    start(newOuting(), t.startedForPhotographs, false).then(() => router.push('/log'));
  return (
    <section
      aria-label={t.waysIn}
      className="mx-5 mt-3 grid gap-x-8 gap-y-3 border-b border-ink pb-3 sm:grid-cols-3 print:hidden"
      data-testid="three-ways"
    >
      <Way picture={result && isDue ? <DemoAnswer result={result} /> : <Choosing />}>
        <Link prefetch={false} className="font-semibold underline" href="/lineup">
          {t.lookAtTheDemo}
        </Link>
        <span className="flex flex-wrap gap-2">
          <Button onClick={() => state.setState({ touring: true })}>{t.showMeAround}</Button>
          <Button onClick={() => void openSeason()}>{seasonText.enter}</Button>
          <Button look="quiet" onClick={() => state.setState({ firstVisit: false })}>
            {t.gotIt}
          </Button>
        </span>
      </Way>
      <Way picture={<Folder />}>
        <Button onClick={() => void startFromPhotographs()}>{t.startFromPhotographs}</Button>
        <span className="text-[13px] text-soft">{t.readsHow}</span>
      </Way>
      <Way picture={<TypedLenses />}>
        <Button onClick={onStart}>{t.startFromNothing}</Button>
        <span className="text-[13px] text-soft">{t.typeThem}</span>
      </Way>
    </section>
  );
}

function Way({ picture, children }: { picture: ReactNode; children: ReactNode }) {
  return (
    <div className="flex min-w-0 items-center gap-4 sm:flex-col sm:items-start sm:gap-2">
      <div className="flex h-28 w-full max-w-72 items-center max-sm:h-20 max-sm:w-32 max-sm:shrink-0">
        {picture}
      </div>
      <div className="flex min-w-0 flex-wrap items-center gap-x-3 gap-y-1">{children}</div>
    </div>
  );
}

const STACK = [
  [14, 34, -8],
  [34, 24, 4],
  [58, 30, -2],
] as const;

/** A folder with pictures in it. */
function Folder() {
  return (
    <svg viewBox="0 0 150 110" aria-hidden className="h-full">
      <path
        d="M6 22h40l10 12h88v70H6z"
        fill="var(--tone-2)"
        stroke="var(--ink)"
        strokeWidth={1.5}
      />
      {STACK.map(([x, y, turn]) => (
        <g key={x} transform={`translate(${x} ${y - 18}) rotate(${turn} 36 24)`}>
          <rect width={72} height={48} fill="var(--tone-0)" stroke="var(--ink)" strokeWidth={1.2} />
          <path d="M4 38l14-14 9 8 12-16 16 18 6-6 7 8v6H4z" fill="var(--tone-3)" />
          <circle cx={56} cy={13} r={5} fill="var(--tone-2)" />
        </g>
      ))}
      <path d="M6 60h138l-8 44H14z" fill="var(--tone-1)" stroke="var(--ink)" strokeWidth={1.5} />
    </svg>
  );
}

const TYPED = ['24-70 2.8', '70-200 4', '50 1.8'];

/** Lines as they are typed, each beside the lens that it makes. */
function TypedLenses() {
  return (
    <svg viewBox="0 0 190 110" aria-hidden className="h-full">
      {TYPED.map((line, i) => (
        <g key={line} transform={`translate(0 ${8 + 34 * i})`}>
          <rect width={84} height={24} fill="var(--sheet)" stroke="var(--edge)" />
          <text x={7} y={17} fontSize={13} fill="var(--ink)">
            {line}
          </text>
          <path d="M92 12h14M101 8l5 4-5 4" fill="none" stroke="var(--ink)" strokeWidth={1.3} />
          <path
            d={`M116 3h${[26, 48, 16][i]}v18h-${[26, 48, 16][i]}zM${116 + [26, 48, 16][i]!} 0h8v24h-8z`}
            fill="var(--ink-soft)"
          />
          <path d="M122 3v18M130 3v18" stroke="var(--paper)" strokeWidth={1.5} />
        </g>
      ))}
    </svg>
  );
}
