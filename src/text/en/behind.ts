import type { LineupResult } from '@/core/lineup';
import { formatCount } from '../format';

/** What comes along besides lenses, as ", 1 converter and 2 tubes"; empty when nothing does. */
export function behindText(lineup: LineupResult['lineup']): string {
  const counts = [
    [lineup.converterIds.length, 'converter', 'converters'],
    [lineup.tubeIds.length, 'tube', 'tubes'],
    [lineup.adapterIds.length, 'adapter', 'adapters'],
  ] as const;
  const texts = counts.filter(([n]) => n > 0).map(([n, one, many]) => formatCount(n, one, many));
  const last = texts.pop();
  if (last === undefined) return '';
  return texts.length > 0 ? `, ${texts.join(', ')} and ${last}` : ` and ${last}`;
}
