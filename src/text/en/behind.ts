import type { LineupResult } from '@/core/lineup';
import { listOf } from '../lists';
import { counted } from './counts';

/** What a lineup consists of: 4 lenses and 1 tube. */
export function itemsText(lineup: Omit<LineupResult['lineup'], 'lensIds'>, lenses: number): string {
  const counts = [
    counted(lenses, 'lens'),
    ...(lineup.converterIds.length > 0 ? [counted(lineup.converterIds.length, 'converter')] : []),
    ...(lineup.tubeIds.length > 0 ? [counted(lineup.tubeIds.length, 'tube')] : []),
    ...(lineup.adapterIds.length > 0 ? [counted(lineup.adapterIds.length, 'adapter')] : []),
  ];
  return listOf(counts);
}
