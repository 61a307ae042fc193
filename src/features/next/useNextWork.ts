'use client';

import { useMemo, useState } from 'react';
import { loanDays, mapShelf, type Shelf } from '@/core/gear';
import type { NextQuestion } from '@/core/next';
import {
  type ChosenOuting,
  chosenOutings,
  type ForOuting,
  type NextSettings,
  nextQuestionOf,
  setSettings,
  withTimesAYear,
} from '@/document';
import { outingFromStarter, STARTERS } from '@/document/starters';
import { useDesk, useDeskNow, useEditDesk, useOutingKey, useSavedOutings } from '@/session';
import { STARTER_TEXTS, type YearOutings } from '@/text';

/** An outing that may be chosen. */
export interface OutingChoice extends Pick<ChosenOuting, 'of' | 'key'> {
  readonly name: string;
  readonly isOpen: boolean;
  /** null while it isn't chosen. */
  readonly timesAYear: number | null;
}

/** What the questions are asked with. */
export interface NextWork {
  readonly settings: NextSettings;
  readonly change: (change: Partial<NextSettings>, field?: string) => void;
  readonly choices: readonly OutingChoice[];
  readonly choose: (of: OutingChoice, timesAYear: number | null) => void;
  /** null until the stored outings are known. */
  readonly question: NextQuestion | null;
  /** Names of the outings asked about, in their order. */
  readonly names: readonly string[];
  /** Days of each of them by its dates; one where it has none. */
  readonly days: readonly number[];
  readonly year: YearOutings;
  readonly currency: string;
  readonly shelf: Shelf;
  /** What was found for each question, so that going from view to view asks nothing anew. */
  readonly found: WeakMap<NextQuestion, Map<string, unknown>>;
}

export function useNextWork(): NextWork {
  const desk = useDesk();
  const deskNow = useDeskNow();
  const editDesk = useEditDesk();
  const openKey = useOutingKey();
  const saved = useSavedOutings();
  const [found] = useState(() => new WeakMap<NextQuestion, Map<string, unknown>>());
  const { settings } = desk;
  const { next, currency } = settings;
  const chosen = useMemo<readonly ChosenOuting[]>(
    () => (next.outings.length > 0 ? next.outings : [{ of: 'saved', key: openKey, timesAYear: 1 }]),
    [next.outings, openKey],
  );
  const { shelf, outings } = useMemo(() => {
    const starter = (key: string, gear: Shelf) => starterFile(key, gear, currency);
    return chosenOutings(chosen, { desk, openKey, saved: saved ?? [], starter });
  }, [chosen, desk, openKey, saved, currency]);
  const { buy, resalePercent, after, neverSold } = next;
  const question = useMemo(
    () =>
      saved === null || outings.length === 0
        ? null
        : nextQuestionOf(outings, shelf, { buy, resalePercent, after, neverSold }),
    [saved, outings, shelf, buy, resalePercent, after, neverSold],
  );
  const change = (part: Partial<NextSettings>, field?: string) => {
    const now = deskNow().settings;
    editDesk(setSettings({ next: { ...now.next, ...part } }), field);
  };
  const timesOf = (of: ChosenOuting['of'], key: string) =>
    chosen.find((c) => c.of === of && c.key === key)?.timesAYear ?? null;
  const choice = (of: ChosenOuting['of'], key: string, name: string, isOpen = false) => ({
    of,
    key,
    name,
    isOpen,
    timesAYear: timesOf(of, key),
  });
  return {
    settings: next,
    change,
    choices: [
      choice('saved', openKey, desk.plan.outing.name, true),
      ...(saved ?? []).map((s) => choice('saved', s.key, s.plan.outing.name)),
      ...STARTERS.map(({ key }) => choice('starter', key, STARTER_TEXTS[key].name)),
    ],
    choose: (its, timesAYear) =>
      change(
        { outings: [...withTimesAYear(chosen, its, timesAYear)] },
        `next ${its.of} ${its.key}`,
      ),
    question,
    names: outings.map(({ file }) => file.outing.name),
    days: outings.map(
      ({ file: { outing: o } }) => loanDays({ from: o.firstDay, to: o.lastDay ?? o.firstDay }) ?? 1,
    ),
    year: yearOf(outings),
    currency,
    shelf,
    found,
  };
}

/** A starter brief with all that is owned. */
function starterFile(key: string, shelf: Shelf, currency: string) {
  const starter = STARTERS.find((s) => s.key === key);
  if (starter === undefined) return null;
  const owned = mapShelf(shelf, (items) => items.filter((i) => i.ownership === 'owned'));
  const text = STARTER_TEXTS[starter.key];
  return outingFromStarter(starter, text, { shelf: owned, currency });
}

function yearOf(outings: readonly ForOuting[]): YearOutings {
  const wanting = outings.filter(({ file }) => file.frames.some((f) => f.want === 'want'));
  const sum = (of: readonly ForOuting[]) => of.reduce((all, { timesAYear }) => all + timesAYear, 0);
  return { all: sum(outings), wanting: sum(wanting) };
}
