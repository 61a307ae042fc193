import type { Carried } from '@/core/brief';
import { takenItems } from '@/core/carry';
import type { LineupResult } from '@/core/lineup';

/**
 * A lineup as what was carried.
 *
 * @param changes lens changes of its plan; null where there is none yet
 * @param now by the clock of this machine
 */
export function carriedNow(result: LineupResult, changes: number | null, now: Date): Carried {
  const two = (n: number) => String(n).padStart(2, '0');
  return {
    day: `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`,
    itemIds: takenItems(result),
    changes,
  };
}
