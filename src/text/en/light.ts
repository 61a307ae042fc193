import { ev100OfSource, type Frame } from '@/core/brief';
import { formatEv, formatShutter } from '../format';

/** The light of a picture; apart, since the sun's place takes the tables of the sky. */
export function lightText(light: Frame['light']): string {
  const ev100 = ev100OfSource(light.source);
  if (ev100 === null) return 'in any light';
  const time = light.longestTimeS === null ? '' : `, ${formatShutter(light.longestTimeS)}`;
  return `${formatEv(ev100)}${time}${light.support === 'hand' ? ', hand-held' : ', on support'}`;
}
