import { completeFrames } from '@/core/brief';
import { ITEM_KINDS, newMounts, type Shelf } from '@/core/gear';
import type { NextQuestion } from '@/core/next';
import type { NextSettings } from './desk';
import type { OutingFile } from './outingFile';

/** An outing as it is asked about: a picture whose distance nobody knows yet is not. */
export function whatIsAsked(file: OutingFile): OutingFile {
  return { ...file, frames: [...completeFrames(file.frames)] };
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
