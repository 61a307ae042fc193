import type { YearWorth } from '@/core/next';
import { counted, formatPercent, formatWeight, nextText } from '@/text';
import type { NextWork } from './useNextWork';

/** Musts of a year, each outing as often as it happens. */
export function mustsOf({ question }: Pick<NextWork, 'question'>): number {
  return (question?.outings ?? []).reduce(
    (sum, o) => sum + o.timesAYear * o.question.frames.filter((f) => f.want === 'must').length,
    0,
  );
}

/** Percent of the wanted pictures, the mean over the outings that have any. */
export function wantsPercent({ year: of }: Pick<NextWork, 'year'>, { year }: YearWorth): number {
  return year.sharePercent / Math.max(1, of.wanting);
}

/** What is covered in a year, in words, with what decides after the pictures. */
export function coversText(work: NextWork, worth: YearWorth): string {
  const { got, carrying, weighing } = nextText.worth;
  const wants = formatPercent(wantsPercent(work, worth));
  const { musts, once, items, weightG } = worth.year;
  const said = {
    money: [],
    items: [carrying(counted(items / work.year.all, 'item'))],
    weight: [weighing(formatWeight(weightG / work.year.all))],
  }[work.settings.after];
  return [got(musts, mustsOf(work), once, wants), ...said].join('; ');
}

/** Whether every picture of the year is got, so that nothing that is bought could add one. */
export function coversAll(work: NextWork, worth: YearWorth): boolean {
  const isAll = worth.year.musts >= mustsOf(work) - 1e-6 && worth.year.once < 1e-6;
  return isAll && (work.year.wanting === 0 || wantsPercent(work, worth) > 100 - 1e-6);
}
