'use client';

import Link from 'next/link';
import { useEffect, useState } from 'react';
import { completeFrames } from '@/core/brief';
import type { EstimatedFigure, LineupResult, Note } from '@/core/lineup';
import type { OutingFile } from '@/document';
import { useAnswer, useFile } from '@/session';
import {
  itemsText,
  moneyWithin,
  formatPercent,
  aboutWeight,
  weightWithin,
  shortfallText,
  workspaceText,
} from '@/text';
import { Figure, StateMark } from '@/parts';

const t = workspaceText.standingLine;

// Loaded when the first figure is questioned.
const steps = () => import('./standingSteps');

/** Shown as thinking only past this, so that quick answers do not flicker. */
const THINKING_AFTER_MS = 150;

/** The answer in one slim line, live while anything is edited. */
export function StandingLine() {
  const file = useFile();
  const { result, thinking, error } = useAnswer();
  return (
    <div
      aria-label={t.currentResult}
      role="region"
      className="mx-5 mt-2 print:hidden flex min-h-9 pointer-coarse:min-h-[44px] flex-wrap items-center gap-x-6 gap-y-1 border-y border-ink py-1.5 max-sm:gap-x-3 max-sm:gap-y-0 max-sm:text-[13px]"
    >
      {error && (
        <span className="text-wrong">
          {error.code === 'out-of-time'
            ? t.sWerentEnoughToCompare(error.timeLimitS)
            : t.couldntWorkOutTheLineup(error.message)}
        </span>
      )}
      {!error && result && <Summary result={result} file={file} />}
      <span role="status" className="ml-auto text-soft">
        {thinking && <Thinking isOld={result !== null} />}
      </span>
    </div>
  );
}

function Summary({ result, file }: { result: LineupResult; file: OutingFile }) {
  const { totals } = result;
  const worst = worstOf(result, file);
  const open = file.frames.length - completeFrames(file.frames).length;
  return (
    <>
      <Link
        prefetch={false}
        href="/lineup"
        className="text-base font-semibold hover:underline"
        data-testid="answer"
      >
        {result.status === 'impossible'
          ? t.noLineupMeetsTheLimits
          : itemsText(result.lineup, totals.lenses)}
      </Link>
      {totals.lenses > 0 && (
        <span>{result.carried?.agrees === false ? t.loadOverItsLimit : statusText(result)}</span>
      )}
      <Got label={t.musts} {...totals.musts} />
      <span>
        <Got label={t.wants} {...totals.wants} />
        {totals.wants.of > 0 && (
          <>
            ,{' '}
            <Figure
              label={t.shareOfTheWantedPictures}
              steps={() => steps().then((s) => s.wants(file, result))}
            >
              {t.ofThosePictures(formatPercent(totals.wants.sharePercent))}
            </Figure>
          </>
        )}
      </span>
      <Figure label={t.weightOfTheLineup} steps={() => steps().then((s) => s.weight(file, result))}>
        {t.weight(
          weightWithin(totals.weightG, totals.weightErrorG),
          result.carried && aboutWeight(result.carried.weightG, result.carried.unknown.length > 0),
        )}
      </Figure>
      <span>
        <Figure label={t.priceOfTheLineup} steps={() => steps().then((s) => s.price(file, result))}>
          {totals.price === 0 && totals.priceUnknown.length > 0
            ? t.priceUnknown
            : moneyWithin(totals.price, totals.priceError, file.outing.currency)}
        </Figure>
        {totals.toBuy > 0 && (
          <>
            ,{' '}
            <Figure
              label={t.whatThereIsToBuy}
              steps={() => steps().then((s) => s.buy(file, result))}
            >
              {t.toSpend(moneyWithin(totals.toBuy, totals.toBuyError, file.outing.currency))}
            </Figure>
          </>
        )}
      </span>
      {open > 0 && <span className="min-w-0 text-wrong">{t.needADistance(open)}</span>}
      {worst && <span className="min-w-0 text-wrong">{worst}</span>}
    </>
  );
}

const STATUS = {
  proven: t.fewestPossibleProven,
  'best-found': t.bestFoundSoFar,
  impossible: t.limitsConflict,
} as const;

const ESTIMATED_BY: Readonly<Partial<Record<Note['code'], EstimatedFigure>>> = {
  'weight-unknown': 'weight',
  'price-estimated': 'price',
  'diameter-estimated': 'diameter',
};

/** How sure the answer is, with the estimates that it rests on. */
function statusText({ status, notes }: LineupResult): string {
  if (status !== 'unverified') return STATUS[status];
  const figures = new Set(
    notes.flatMap((note) => {
      const figure = note.code === 'unknown-decides' ? note.figure : ESTIMATED_BY[note.code];
      return figure === undefined ? [] : [figure];
    }),
  );
  const [only = 'weight', more] = figures;
  return more === undefined ? t.fewestByEstimated[only] : t.fewestByEstimatedFigures;
}

function Got({ label, got, once, of }: { label: string; got: number; once: number; of: number }) {
  if (of === 0) return <span className="text-soft">{t.no(label)}</span>;
  return (
    <span>
      <StateMark state={got === of ? 'clear' : got + once === of ? 'once' : 'lost'} />{' '}
      {t.of(got, of, label, once)}
    </span>
  );
}

/** The worst thing wrong, if anything is: a lost must before a lost want. */
function worstOf(result: LineupResult, file: OutingFile): string | null {
  const lost = result.frames.filter((f) => f.state === 'lost' && f.want !== 'bonus');
  const worst = lost.find((f) => f.want === 'must') ?? lost[0];
  if (!worst) return null;
  const name = file.frames.find((f) => f.id === worst.frameId)?.name ?? worst.frameId;
  if (worst.noStation !== null) return t.noStation[worst.noStation](name);
  if (worst.nearest?.shortfall) return `${name}: ${shortfallText(worst.nearest.shortfall)}`;
  return worst.impossible.length > 0 ? t.noLensOnYourShelf(name) : t.excludedByYourLimits(name);
}

/** Appears only once thinking has lasted a while; it is mounted anew for each thought. */
function Thinking({ isOld }: { isOld: boolean }) {
  const [late, setLate] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLate(true), THINKING_AFTER_MS);
    return () => clearTimeout(timer);
  }, []);
  if (!late) return null;
  return isOld ? t.thinkingThisIsStillThe : t.thinking;
}
