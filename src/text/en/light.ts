import type { Frame } from '@/core/brief';
import { formatEv, formatShutter } from '../format';

/** The light of a picture, in words. @param ev100 the light's strength, EV at ISO 100; null where light sets no demand */
export function lightText(light: Frame['light'], ev100: number | null): string {
  if (ev100 === null) return 'in any light';
  const time = light.longestTimeS === null ? '' : `, ${formatShutter(light.longestTimeS)}`;
  return `${formatEv(ev100)}${time}${light.support === 'hand' ? ', hand-held' : ', on support'}`;
}
