import { completeFrames } from '@/core/brief';
import { ITEM_KINDS, newMounts, type Shelf } from '@/core/gear';
import type { NextQuestion } from '@/core/next';
import { type ChosenOuting, type Desk, fileOf, knownGear, type NextSettings } from './desk';
import type { OutingFile } from './outingFile';

/** An outing as it is asked about: a picture whose distance nobody knows yet is not. */
export function whatIsAsked(file: OutingFile): OutingFile {
  return { ...file, frames: [...completeFrames(file.frames)] };
}

/** Whether two outings, of which what is alike is the same object, have the same answer. */
export function asksTheSame(a: OutingFile, b: OutingFile): boolean {
  return (
    a.frames === b.frames &&
    a.shelf === b.shelf &&
    a.limits === b.limits &&
    a.stretches === b.stretches &&
    a.outing.shooters === b.outing.shooters &&
    (a.limits.maxCarriedWeightG === null || packsTheSame(a.packing, b.packing))
  );
}

/** What is packed weighs under a limit on all that is carried; a tick changes nothing of it. */
function packsTheSame(a: OutingFile['packing'], b: OutingFile['packing']): boolean {
  const keys = Object.keys(a) as (keyof OutingFile['packing'])[];
  return keys.every((key) => key === 'ticked' || a[key] === b[key]);
}

/** An outing that gear is bought for. */
export interface ForOuting {
  readonly id: string;
  readonly timesAYear: number;
  readonly file: OutingFile;
}

/** What is asked of several outings together, by the person's terms. */
export function nextQuestionOf(
  outings: readonly ForOuting[],
  shelf: Shelf,
  terms: Pick<NextSettings, 'buy' | 'resalePercent' | 'after' | 'neverSold'>,
): NextQuestion {
  return {
    outings: outings.map(({ id, timesAYear, file }) => ({
      id,
      timesAYear,
      question: {
        outing: file.outing,
        stretches: file.stretches,
        frames: completeFrames(file.frames),
        shelf: file.shelf,
        limits: file.limits,
        packing: file.packing,
      },
    })),
    shelf,
    neverSold: terms.neverSold,
    terms: { buy: terms.buy, resalePercent: terms.resalePercent },
    after: terms.after,
  };
}

/** All gear of some shelves; what two of them hold counts as in the first. */
export function allGear(shelves: readonly Shelf[]): Shelf {
  return shelves.reduce((all, more) => {
    const known = new Set<string>(ITEM_KINDS.flatMap((kind) => all[kind].map((item) => item.id)));
    const of = Object.fromEntries(
      ITEM_KINDS.map((kind) => [
        kind,
        [...all[kind], ...more[kind].filter((item) => !known.has(item.id))],
      ]),
    );
    return { mounts: [...all.mounts, ...newMounts(all.mounts, more.mounts)], ...of } as Shelf;
  });
}

/** What the chosen outings are looked up in: what is open, and what is kept beside it. */
export interface NextSources {
  readonly desk: Desk;
  /** Under which the open outing is kept. */
  readonly openKey: string;
  readonly saved: readonly { readonly key: string; readonly plan: Desk['plan'] }[];
  /** A starter with some gear; null where there is none of this name. */
  readonly starter: (key: string, shelf: Shelf) => OutingFile | null;
}

/** The chosen outings that are still there, each with its whole file, and all gear that any of them knows. */
export function chosenOutings(
  chosen: readonly ChosenOuting[],
  { desk, openKey, saved, starter }: NextSources,
): { readonly shelf: Shelf; readonly outings: readonly ForOuting[] } {
  const { plan, settings } = desk;
  const planOf = (key: string) => (key === openKey ? plan : saved.find((s) => s.key === key)?.plan);
  const isChosen = ({ key: its }: { readonly key: string }) =>
    chosen.some(({ of, key }) => of === 'saved' && key === its);
  const shelf = allGear([
    knownGear(desk),
    ...saved.filter(isChosen).map((s) => knownGear({ plan: s.plan, shelf: desk.shelf })),
  ]);
  const outings = chosen.flatMap((c): ForOuting[] => {
    const its = c.of === 'saved' ? planOf(c.key) : undefined;
    const kept = its ? fileOf({ plan: its, shelf: desk.shelf, settings }) : null;
    const file = c.of === 'starter' ? starter(c.key, shelf) : kept;
    return file ? [{ id: `${c.of} ${c.key}`, timesAYear: c.timesAYear, file }] : [];
  });
  return { shelf, outings };
}

/** The chosen outings where one comes so many times a year; null where it is not chosen any more. */
export function withTimesAYear(
  chosen: readonly ChosenOuting[],
  { of, key }: Pick<ChosenOuting, 'of' | 'key'>,
  timesAYear: number | null,
): readonly ChosenOuting[] {
  const isIt = (c: ChosenOuting) => c.of === of && c.key === key;
  if (timesAYear === null) return chosen.filter((c) => !isIt(c));
  return chosen.some(isIt)
    ? chosen.map((c) => (isIt(c) ? { ...c, timesAYear } : c))
    : [...chosen, { of, key, timesAYear }];
}
