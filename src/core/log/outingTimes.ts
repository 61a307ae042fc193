import { minutesOf, type Outing, type Stretch } from '@/core/brief';
import type { Seen } from './seen';
import { DAY_MS, MINUTE_MS } from '@/core/units';

/** How far outside a stretch a photograph may be taken and still belong to it, minutes. */
const NEAR_STRETCH_MIN = 20;

/** When a stretch is, local times as milliseconds; null where its day or one of its times isn't known. */
export interface StretchTime {
  readonly stretch: Stretch;
  readonly fromMs: number;
  readonly toMs: number;
}

export function stretchTimes(stretches: readonly Stretch[]): StretchTime[] {
  return stretches.flatMap((stretch) => {
    const { day, fromTime, toTime } = stretch;
    if (day === null || fromTime === null || toTime === null) return [];
    const fromMs = Date.parse(`${day}T${fromTime}:00Z`);
    const end = Date.parse(`${day}T${toTime}:00Z`);
    return [{ stretch, fromMs, toMs: end < fromMs ? end + DAY_MS : end }];
  });
}

/** The stretch that a moment lies in, or the nearest within a few minutes; null for none. */
export function stretchAt(times: readonly StretchTime[], ms: number): StretchTime | null {
  let best: StretchTime | null = null;
  let nearest = NEAR_STRETCH_MIN * MINUTE_MS;
  for (const time of times) {
    const off = Math.max(0, time.fromMs - ms, ms - time.toMs);
    if (off < nearest || (off === 0 && best === null)) {
      best = time;
      nearest = off;
    }
  }
  return best;
}

/** First and last moment of an outing: its days, the small hours after the last one included. */
export function outingSpan(
  { firstDay, lastDay }: Pick<Outing, 'firstDay' | 'lastDay'>,
  stretches: readonly Stretch[],
): readonly [number, number] | null {
  const days = [firstDay, lastDay, ...stretches.map((s) => s.day)].filter((d) => d !== null).sort();
  const [first, last] = [days[0], days.at(-1)];
  if (first === undefined || last === undefined) return null;
  return [Date.parse(first), Date.parse(last) + DAY_MS + AFTER_MIDNIGHT_MS];
}

/** When an outing begins: with the first stretch of its first day, or with that day where no time is said. */
export function outingBeginMs(
  { firstDay, lastDay }: Pick<Outing, 'firstDay' | 'lastDay'>,
  stretches: readonly Stretch[],
): number | null {
  const span = outingSpan({ firstDay, lastDay }, stretches);
  if (span === null) return null;
  const times = stretches.flatMap(({ day, fromTime }) =>
    day === null || Date.parse(day) !== span[0] ? [] : [fromTime],
  );
  const timed = times.filter((time) => time !== null).sort();
  const [first] = timed;
  if (first === undefined || timed.length < times.length) return span[0];
  return span[0] + minutesOf(first) * MINUTE_MS;
}
const AFTER_MIDNIGHT_MS = 5 * 60 * MINUTE_MS;

/** Whether a photograph was taken in a span of time. */
export function takenWithin({ takenMs }: Pick<Seen, 'takenMs'>, span: readonly [number, number]) {
  return (i: number): boolean => {
    const ms = takenMs[i] ?? NaN;
    return ms >= span[0] && ms < span[1];
  };
}
