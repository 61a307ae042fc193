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
import { useBackground, useBegun, useFile } from '@/session';
import { Button, Looking } from '@/ui';
import { Figure } from '@/parts';
import { findAlternatives } from '@/workers/backgroundClient';
import { Answer } from './Answer';
import { CompareButton } from './CompareScores';
import { TakeButton } from './TakeButton';
import { TradeCurve } from './TradeCurve';

const t = lineupText.otherLineups;

export type AlternativesSearch = ReturnType<typeof useAlternatives>;

/** What stands beside the best lineup, for both views that tell of it. */
export function useAlternatives(question: LineupQuestion | null) {
  const { state, start, stop } = useBackground<Alternatives | null>(question);
  const begin = () => {
    if (question) start((report) => findAlternatives(question, report));
  };
  return { question, state, begin, stop };
}

interface Searched {
  readonly search: AlternativesSearch;
}

/** Equally good lineups, the next best, and what a bigger or smaller kit gets. */
export function OtherLineups({ search, result }: Searched & { readonly result: LineupResult }) {
  return (
    <Awaited search={search}>
      {(alternatives) => <Found alternatives={alternatives} result={result} />}
    </Awaited>
  );
}

/** What becomes of the outing without one of its lenses, and what would replace it. */
export function Breaks({ search }: Searched) {
  return <Awaited search={search}>{(found) => <BreaksFound alternatives={found} />}</Awaited>;
}

/** Begins looking when it is first seen, and again when the outing changes. */
function Awaited({
  search: { question, state, begin, stop },
  children,
}: Searched & { readonly children: (found: Alternatives) => ReactNode }) {
  useBegun(() => {
    if (state.kind === 'idle') begin();
  }, question);
  if (state.kind === 'idle') return <Button onClick={begin}>{t.compareAlternatives}</Button>;
  if (state.kind === 'looking')
    return <Looking label={t.comparingAlternatives} done={state.done} onStop={stop} />;
  if (state.kind === 'failed')
    return <p className="text-wrong">{t.couldntFindAlternatives(state.message)}</p>;
  return state.found === null ? <p>{t.nothingFound}</p> : children(state.found);
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
      <List
        isAnswer
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
      {!alternatives.complete && <p>{t.timeRanOutThisIs}</p>}
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

function BreaksFound({ alternatives: { ifBreaks, complete } }: { alternatives: Alternatives }) {
  const file = useFile();
  const name = namesOf(file);
  const names = (ids: readonly string[]) => plainList(lensesFirst(file.shelf, ids).map(name));
  const hurting = ifBreaks.filter((b) => b.lost.length > 0);
  const lasting = hurting.filter((b) => b.repair.length === 0 || b.lostAfterRepair.length > 0);
  return (
    <div className="space-y-3" data-testid="breaks">
      <List
        isAnswer
        title={
          hurting.length === 0
            ? t.noneBreaks
            : lasting.length === 0
              ? t.allReplaceable
              : t.notReplaceable(lasting.length, ifBreaks.length)
        }
        rows={[...ifBreaks]
          .sort((a, b) => b.lost.length - a.lost.length)
          .map((b) => ({ what: name(b.lensId), about: breakText(b, names) }))}
      />
      {!complete && <p>{t.timeRanOutThisIs}</p>}
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

function List({
  title,
  rows,
  isAnswer = false,
}: {
  title: string;
  rows: readonly Row[];
  /** Its title is what the view answers. */
  isAnswer?: boolean;
}) {
  const name = namesOf(useFile());
  return (
    <div>
      {isAnswer ? <Answer>{title}</Answer> : <h3 className="text-base">{title}</h3>}
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
              {take && (
                <span className="flex gap-2">
                  <CompareButton what={{ itemIds: take }} name={what} />
                  <TakeButton itemIds={take} name={name} />
                </span>
              )}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
