'use client';

import type { ReactNode } from 'react';
import { lensesFirst } from '@/core/gear';
import type {
  Difference,
  IfBreaks,
  LineupQuestion,
  LineupResult,
  Alternatives,
} from '@/core/lineup';
import {
  bringInText,
  counted,
  differenceSteps,
  lineupText,
  namesOf,
  plainList,
  worseText,
} from '@/text';
import { useFile, useBackground } from '@/session';
import { Button, Looking } from '@/ui';
import { Figure } from '@/parts';
import { findAlternatives } from '@/workers/backgroundClient';
import { TakeButton } from './TakeButton';
import { TradeCurve } from './TradeCurve';

const t = lineupText.otherLineups;

/** What stands beside the best lineup; looked for when asked, and again when the outing changes. */
export function OtherLineups({
  question,
  result,
}: {
  question: LineupQuestion;
  result: LineupResult;
}) {
  const { state, start, stop } = useBackground<Alternatives | null>(question);
  return (
    <section aria-labelledby="rivals">
      <h2 id="rivals" className="mb-1 text-lg">
        {t.otherLineups}
      </h2>
      {state.kind === 'idle' && (
        <p className="flex flex-wrap items-center gap-3">
          {t.equallyGoodLineupsOtherKinds}
          <Button onClick={() => start((report) => findAlternatives(question, report))}>
            {t.compareAlternatives}
          </Button>
        </p>
      )}
      {state.kind === 'looking' && (
        <Looking label={t.comparingAlternatives} done={state.done} onStop={stop} />
      )}
      {state.kind === 'failed' && (
        <p className="text-wrong">{t.couldntFindAlternatives(state.message)}</p>
      )}
      {state.kind === 'found' && state.found && (
        <Found alternatives={state.found} result={result} />
      )}
    </section>
  );
}

function Found({ alternatives, result }: { alternatives: Alternatives; result: LineupResult }) {
  const { totals } = result;
  const proposed = {
    weightG: totals.weightG,
    wantsPercent: totals.wants.of > 0 ? totals.wants.sharePercent : 0,
    items: totals.pieces,
    pieceIds: alternatives.bestIds,
  };
  const file = useFile();
  const name = namesOf(file);
  const { currency } = file.outing;
  const figure = (
    what: string,
    difference: Difference,
    otherIds: readonly string[],
    text: (difference: Difference, currency: string) => string,
  ) => {
    const about = text(difference, currency);
    return (
      <Figure
        label={`${what}: ${about}`}
        steps={() => differenceSteps(file, difference, alternatives.bestIds, otherIds)}
      >
        {about}
      </Figure>
    );
  };
  const names = (ids: readonly string[]) =>
    plainList(lensesFirst(file.shelf, ids).map(name)) || t.nothing;
  return (
    <div className="space-y-5" data-testid="rivals">
      {!alternatives.complete && <p>{t.timeRanOutThisIs}</p>}
      <List
        title={
          alternatives.ties.length === 0
            ? t.noOtherLineupIsAs
            : t.asGood(
                counted(alternatives.ties.length, 'otherIs'),
                alternatives.tiesComplete ? '' : t.andThereAreMore,
              )
        }
        rows={alternatives.ties.map((r) => ({ what: names(r.pieceIds), take: r.pieceIds }))}
      />
      <List
        title={t.nextBestOfAnotherKind}
        rows={alternatives.next.map(({ pieceIds: itemIds, worse }) => {
          const what = names(itemIds);
          const about = worse === null ? t.equallyGood : figure(what, worse, itemIds, worseText);
          return { what, about, take: itemIds };
        })}
      />
      <TradeCurve
        points={alternatives.tradeOff.points}
        proposed={proposed}
        name={name}
        currency={currency}
      />
      <List
        title={t.ifItBreaks}
        rows={alternatives.ifBreaks.map((b) => ({
          what: name(b.lensId),
          about: breakText(b, names),
        }))}
      />
      <List
        title={t.whatItWouldTakeFor}
        rows={alternatives.lensesOut.flatMap(({ lensId, difference, withIt }) => {
          const what = name(lensId);
          if (difference === null) return [];
          return [{ what, about: figure(what, difference, withIt, bringInText), take: withIt }];
        })}
      />
    </div>
  );
}

function breakText(b: IfBreaks, names: (ids: readonly string[]) => string): string {
  if (b.lost.length === 0) return t.theOthersStillCoverEverything;
  return t.loses(names(b.lost), repairText(b, names));
}

function repairText(b: IfBreaks, names: (ids: readonly string[]) => string): string {
  if (b.repair.length === 0) return t.nothingOnYourShelfCan;
  return b.lostAfterRepair.length > 0
    ? t.takeAndStillLose(names(b.repair), names(b.lostAfterRepair))
    : t.takeInstead(names(b.repair));
}

interface Row {
  readonly what: string;
  readonly about?: ReactNode;
  /** Pieces of a lineup that can be taken as it is. */
  readonly take?: readonly string[];
}

function List({ title, rows }: { title: string; rows: readonly Row[] }) {
  const name = namesOf(useFile());
  return (
    <div>
      <h3 className="text-base">{title}</h3>
      {rows.length > 0 && (
        <ul>
          {rows.map(({ what, about, take }) => (
            <li
              key={what}
              className="flex items-start justify-between gap-4 border-b border-hair py-1"
            >
              <span>
                {what}
                {about && <span className="block text-[13px] text-soft">{about}</span>}
              </span>
              {take && <TakeButton itemIds={take} name={name} />}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
