import { DAY_MS } from '@/core/units';

/**
 * Days and times as a brief has them: yyyy-mm-dd and HH:MM by the clock on the wall. Nothing here is a
 * moment, so no time zone and no change of clocks has a part in it.
 */
const DAY_MIN = 24 * 60;

/** Minutes after midnight. */
export function minutesOf(time: string): number {
  const [hours = 0, minutes = 0] = time.split(':').map(Number);
  return 60 * hours + minutes;
}

/** The time so many minutes after midnight, of whichever day. */
export function timeOf(minutes: number): string {
  const within = ((minutes % DAY_MIN) + DAY_MIN) % DAY_MIN;
  return [Math.floor(within / 60), within % 60].map((n) => String(n).padStart(2, '0')).join(':');
}

/** Minutes from one time to the next time that it is the other. */
export function minutesBetween(fromTime: string, toTime: string): number {
  const long = minutesOf(toTime) - minutesOf(fromTime);
  return long > 0 ? long : long + DAY_MIN;
}

/** The day so many days after another. */
export function dayAfter(day: string, days: number): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);
}
