import type { YearWorth } from '@/core/next';
import { formatPercent, nextText } from '@/text';
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

/** What is covered in a year, in words. */
export function coversText(work: NextWork, worth: YearWorth): string {
  const wants = formatPercent(wantsPercent(work, worth));
  return nextText.worth.got(worth.year.musts, mustsOf(work), wants);
}
