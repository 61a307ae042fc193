import { format } from 'date-fns';
import type { Stretch } from '@/core/brief';
import { stretchTimes } from '@/core/log';

/** The stretch that is on, by the clock of this machine as it stands on the wall; null for none. */
export function stretchNow(stretches: readonly Stretch[], now: Date): Stretch | null {
  const nowMs = Date.parse(format(now, "yyyy-MM-dd'T'HH:mm:ss'Z'"));
  const on = stretchTimes(stretches).find(({ fromMs, toMs }) => fromMs <= nowMs && nowMs < toMs);
  return on?.stretch ?? null;
}
