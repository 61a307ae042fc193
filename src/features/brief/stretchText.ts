import type { Stretch } from '@/core/brief';
import { formatCount, formatWeight } from '@/ui';

export const WEATHERS = { dry: 'dry', wet: 'wet', dust: 'dust or sand' } as const;

/** What is particular about a stretch, short. */
export function stretchText({ weather, changes, hands }: Stretch): string {
  const limits = hands.flatMap((h) => [
    ...(h.bodies === null ? [] : [formatCount(h.bodies, 'body', 'bodies')]),
    ...(h.maxWeightG === null ? [] : [formatWeight(h.maxWeightG)]),
  ]);
  return [
    ...(weather === 'dry' ? [] : [WEATHERS[weather]]),
    ...(changes ? [] : ['no change']),
    ...(hands.length > 1 ? [`${hands.length} shooters`] : []),
    ...limits,
  ].join(', ');
}
