import type { AimName, Difference } from '@/core/lineup';
import type { OutingFile } from '@/document';
import { formatMoney, formatPercent, formatWeight } from '../format';
import { counted } from './counts';
import { exactWeight, priceSteps, weightSteps } from './steps/lineupSteps';
import { exact } from './steps/exact';
import { type Step } from './steps/step';

const AIM_TEXTS: Readonly<Record<AimName, string>> = {
  musts: 'the musts',
  once: 'what is covered twice',
  wants: 'the wants',
  pieces: 'the number of items',
  usualFocus: 'how near lenses usually focus',
  weight: 'the weight',
  price: 'the price',
  priceUnknown: 'unknown prices',
  speed: 'spare light',
  changes: 'lens changes',
  crop: 'cropping',
  own: 'owned gear',
  grade: 'the grade of lenses',
  bonus: 'the bonus pictures',
  order: 'the order of names',
  bodyChanges: 'lens changes that a camera saves',
  bodies: 'the number of cameras',
  bodyWeight: 'the weight of the cameras',
  bodyOrder: 'the order of names',
};

/** What an aim looks at, in words. */
export function aimText(aim: AimName): string {
  return AIM_TEXTS[aim];
}

/** How much an aim comes to, with its unit. */
export function amountText(aim: AimName, amount: number, currency: string): string {
  switch (aim) {
    case 'musts':
      return counted(amount, 'mustLost');
    case 'once':
      return counted(amount, 'mustCoveredOnce');
    case 'wants':
      return `${formatPercent(amount)} of the wanted pictures`;
    case 'pieces':
      return counted(amount, 'item');
    case 'usualFocus':
      return counted(amount, 'pictureNearerThanUsual');
    case 'weight':
      return formatWeight(amount);
    case 'price':
      return formatMoney(amount, currency);
    case 'priceUnknown':
      return counted(amount, 'unknownPrice');
    case 'speed':
      return counted(amount, 'pictureWithAStopLessToSpare');
    case 'changes':
      return counted(amount, 'lensChange');
    case 'crop':
      return counted(amount, 'pictureCropped');
    case 'own':
      return counted(amount, 'itemNotOwned');
    case 'grade':
      return counted(amount, 'pictureWithABetterLens');
    case 'bodyChanges':
      return counted(amount, 'lensChange');
    case 'bodies':
      return counted(amount, 'camera');
    case 'bodyWeight':
      return formatWeight(amount);
    case 'bonus':
      return counted(amount, 'bonusLost');
    case 'order':
    case 'bodyOrder':
      return 'nothing but the order of names';
  }
}

/** What another lineup costs or saves compared with the best one: €160 dearer. */
export function worseText({ aim, by }: Difference, currency: string): string {
  const amount = amountText(aim, Math.abs(by), currency);
  const isMore = by > 0;
  switch (aim) {
    case 'musts':
    case 'bonus':
      return isMore ? amount : `${counted(-by, aim)} more`;
    case 'wants':
      return `${formatPercent(Math.abs(by))} ${isMore ? 'less' : 'more'} of the wanted pictures`;
    case 'weight':
    case 'bodyWeight':
      return `${amount} ${isMore ? 'heavier' : 'lighter'}`;
    case 'price':
      return `${amount} ${isMore ? 'dearer' : 'cheaper'}`;
    default:
      return `${amount} ${isMore ? 'more' : 'fewer'}`;
  }
}

/** What would have to be otherwise for a lens to come in. */
export function bringInText({ aim, by }: Difference, currency: string): string {
  const amount = amountText(aim, Math.abs(by), currency);
  if (by < 0) return `would save ${amount} if it were allowed`;
  if (aim === 'wants')
    return `would be chosen if it covered ${formatPercent(by)} more of the wanted pictures`;
  if (aim === 'weight') return `would be as good if it were ${amount} lighter`;
  if (aim === 'price') return `would be as good if it were ${amount} cheaper`;
  return `would take ${amount} more`;
}

/**
 * How a difference comes about: what the aim comes to in the best lineup and in the other one.
 *
 * @param bestIds everything in the best lineup
 * @param otherIds everything in the other one
 */
export function differenceSteps(
  file: OutingFile,
  { aim, by, best, other }: Difference,
  bestIds: readonly string[],
  otherIds: readonly string[],
): Step[] {
  const { currency } = file.outing;
  const amount = (value: number) =>
    aim === 'weight'
      ? exactWeight(value)
      : aim === 'wants'
        ? `${exact(value)} %`
        : amountText(aim, value, currency);
  // Bodies come along with either, so they are counted with neither.
  const bodiless = { ...file, limits: { ...file.limits, countBodies: false } };
  const sums = (ids: readonly string[]) =>
    aim === 'weight'
      ? weightSteps(bodiless, ids)
      : aim === 'price'
        ? priceSteps(bodiless, ids)
        : [];
  const whose = (side: string, steps: readonly Step[]) =>
    steps.map((step) => ({ ...step, name: `${step.name}, ${side}` }));
  return [
    ...whose('the best lineup', sums(bestIds)),
    ...whose('this one', sums(otherIds)),
    {
      name: by > 0 ? 'Worse by' : 'Better by',
      result: amount(Math.abs(by)),
      formula:
        by > 0
          ? `this one − the best lineup = ${amount(other)} − ${amount(best)}`
          : `the best lineup − this one = ${amount(best)} − ${amount(other)}`,
      source:
        aim === 'wants'
          ? `Percent of the wanted pictures lost, and ${exact(file.limits.wantRatePercent)} % for each item.`
          : 'The first aim, in their order, in which the two differ.',
    },
  ];
}
