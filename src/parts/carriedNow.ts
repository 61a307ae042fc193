import { format } from 'date-fns';
import type { Carried } from '@/core/brief';
import { takenItems } from '@/core/carry';
import type { LineupResult } from '@/core/lineup';

/**
 * A lineup as what was carried.
 *
 * @param changes lens changes of its plan; null where there is none yet
 * @param now by the clock of this machine
 */
export const carriedNow = (result: LineupResult, changes: number | null, now: Date): Carried => ({
  day: format(now, 'yyyy-MM-dd'),
  itemIds: takenItems(result),
  changes,
});
