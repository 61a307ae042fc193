import type { Stretch } from '@/core/brief';
import { formatWeight } from '../format';
import { counted } from './counts';
import { forbiddenTexts, WEATHERS } from './codes';
import { plainList } from '../lists';

/** What is particular about a stretch, short. */
export function stretchText({ weather, changes, allowed, hands }: Stretch): string {
  const limits = hands.flatMap((h) => [
    ...(h.bodies === null ? [] : [counted(h.bodies, 'body')]),
    ...(h.maxWeightG === null ? [] : [formatWeight(h.maxWeightG)]),
  ]);
  return plainList([
    ...weather.map((w) => WEATHERS[w]),
    ...(changes ? [] : ['no lens changes']),
    ...forbiddenTexts(allowed),
    ...(hands.length > 1 ? [`${hands.length} shooters`] : []),
    ...limits,
  ]);
}

/** From when to when a stretch is, by the clock on the wall; empty where that isn't said. */
export const timesText = ({ fromTime, toTime }: Pick<Stretch, 'fromTime' | 'toTime'>): string =>
  fromTime && toTime ? `${fromTime}–${toTime}` : '';
