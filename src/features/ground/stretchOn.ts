import { dayAfter, minutesBetween, minutesOf, type Stretch } from '@/core/brief';

const DAY_MIN = 24 * 60;

/**
 * The stretch that is on at a time by the clock on the wall; null for none.
 *
 * @param day yyyy-mm-dd
 * @param minutes after midnight
 */
export function stretchOn(
  stretches: readonly Stretch[],
  day: string,
  minutes: number,
): Stretch | null {
  const isOn = (of: Stretch) => {
    if (of.day === null || of.fromTime === null || of.toTime === null) return false;
    const since = minutes - minutesOf(of.fromTime);
    const after = of.day === day ? since : dayAfter(of.day, 1) === day ? since + DAY_MIN : -1;
    return after >= 0 && after < minutesBetween(of.fromTime, of.toTime);
  };
  return stretches.find(isOn) ?? null;
}

/** The same now, by the clock of this machine. */
export function stretchNow(stretches: readonly Stretch[], now: Date): Stretch | null {
  const two = (n: number) => String(n).padStart(2, '0');
  const day = `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
  return stretchOn(stretches, day, 60 * now.getHours() + now.getMinutes());
}
