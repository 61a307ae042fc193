import type { Stretch } from '@/core/brief';
import { formatCount, formatWeight } from '../format';
import { barredTexts, WEATHERS } from './words';

/** What is particular about a stretch, short. */
export function stretchText({ weather, changes, allowed, hands }: Stretch): string {
  const limits = hands.flatMap((h) => [
    ...(h.bodies === null ? [] : [formatCount(h.bodies, 'body', 'bodies')]),
    ...(h.maxWeightG === null ? [] : [formatWeight(h.maxWeightG)]),
  ]);
  return [
    ...weather.map((w) => WEATHERS[w]),
    ...(changes ? [] : ['no change']),
    ...barredTexts(allowed),
    ...(hands.length > 1 ? [`${hands.length} shooters`] : []),
    ...limits,
  ].join(', ');
}
