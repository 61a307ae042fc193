'use client';

import Link from 'next/link';
import { useEffect, useState } from 'react';
import type { LineupResult } from '@/core/lineup';
import type { OutingFile } from '@/document';
import { useAnswer, useFile } from '@/session';
import {
  behindText,
  buySteps,
  formatCount,
  formatMoney,
  formatPercent,
  formatWeight,
  idsIn,
  priceSteps,
  shortfallText,
  wantsSteps,
  weightSteps,
} from '@/text';
import { Figure, StateMark } from '@/parts';

/** Shown as thinking only past this, so that quick answers do not flicker. */
const THINKING_AFTER_MS = 150;

/** The answer in one slim line, live while anything is edited. */
export function StandingLine() {
  const file = useFile();
  const { result, thinking, error } = useAnswer();
  return (
    <div
      aria-label="Standing line"
      role="region"
      className="mx-5 mt-2 print:hidden flex min-h-9 flex-wrap items-center gap-x-6 gap-y-1 border-y border-ink py-1.5"
    >
      {error && <span className="text-wrong">The lineup could not be worked out: {error}</span>}
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
  return (
    <>
      <Link
        prefetch={false}
        href="/lineup"
        className="text-base font-semibold hover:underline"
        data-testid="answer"
      >
        {result.status === 'impossible'
          ? 'No lineup keeps to the limits'
          : formatCount(totals.lenses, 'lens', 'lenses')}
        {behindText(result.lineup)}
      </Link>
      <span>{STATUS[result.status]}</span>
      <Got label="musts" {...totals.musts} />
      <span>
        <Got label="wants" {...totals.wants} />
        {totals.wants.of > 0 && (
          <>
            ,{' '}
            <Figure label="Share of the wanted pictures" steps={() => wantsSteps(file, result)}>
              {formatPercent(totals.wants.sharePercent)} of those pictures
            </Figure>
          </>
        )}
      </span>
      <Figure
        label="Weight of the lineup"
        steps={() => weightSteps(file, idsIn(result), result.bodies)}
      >
        {formatWeight(totals.weightG)}
        {totals.weightUnknown.length > 0 && ` + ${totals.weightUnknown.length} of unknown weight`}
        {result.carried && `, ${formatWeight(result.carried.weightG)} carried in all`}
      </Figure>
      <span>
        <Figure label="Price of the lineup" steps={() => priceSteps(file, idsIn(result))}>
          {formatMoney(totals.price, file.outing.currency)}
        </Figure>
        {totals.toBuy > 0 && (
          <>
            ,{' '}
            <Figure
              label="What there is to buy or rent"
              steps={() => buySteps(file, idsIn(result))}
            >
              {formatMoney(totals.toBuy, file.outing.currency)} to spend
            </Figure>
          </>
        )}
      </span>
      {worst && <span className="min-w-0 text-wrong">{worst}</span>}
    </>
  );
}

const STATUS = {
  proven: 'fewest possible (proven)',
  'best-found': 'best found so far',
  impossible: 'limits conflict',
  unverified: 'not sure: some weights are unknown, or what is carried is over its limit',
} as const;

function Got({ label, got, of }: { label: string; got: number; of: number }) {
  if (of === 0) return <span className="text-soft">no {label}</span>;
  return (
    <span>
      <StateMark state={got === of ? 'clear' : 'lost'} /> {got} of {of} {label}
    </span>
  );
}

/** The worst thing wrong, if anything is: a lost must before a lost want. */
function worstOf(result: LineupResult, file: OutingFile): string | null {
  const lost = result.frames.filter((f) => f.state === 'lost' && f.want !== 'bonus');
  const worst = lost.find((f) => f.want === 'must') ?? lost[0];
  if (!worst) return null;
  const name = file.frames.find((f) => f.id === worst.frameId)?.name ?? worst.frameId;
  if (worst.nearest?.shortfall) return `${name}: ${shortfallText(worst.nearest.shortfall)}`;
  return worst.impossible.length > 0
    ? `${name}: no lens on the shelf can make it`
    : `${name}: kept out by the limits`;
}

/** Appears only once thinking has lasted a while; it is mounted anew for each thought. */
function Thinking({ isOld }: { isOld: boolean }) {
  const [late, setLate] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLate(true), THINKING_AFTER_MS);
    return () => clearTimeout(timer);
  }, []);
  if (!late) return null;
  return isOld ? 'Thinking… until then this is the answer from before your change' : 'Thinking…';
}
