import { dayAfter, minutesBetween, minutesOf, type Stretch, timeOf } from '@/core/brief';

/** Steps of the time line, minutes. */
export const STEP_MIN = 15;
const DAY_MIN = 24 * 60;

/** A stretch with its times, minutes after midnight; one past midnight ends after 24 hours. */
export interface Timed {
  readonly stretch: Stretch;
  readonly from: number;
  readonly to: number;
  /** Place among those of the same day that overlap, 0 first. */
  readonly lane: number;
}

/** The stretches of one day along the hours that they take. */
export interface TimelineDay {
  readonly day: string | null;
  readonly from: number;
  readonly to: number;
  readonly lanes: number;
  readonly stretches: readonly Timed[];
}

/** The days in order, each with its stretches in lanes; stretches without times are left out. */
export function timelineOf(stretches: readonly Stretch[]): TimelineDay[] {
  const days = new Map<string | null, Stretch[]>();
  for (const s of stretches) {
    if (s.fromTime === null || s.toTime === null) continue;
    days.set(s.day, [...(days.get(s.day) ?? []), s]);
  }
  return [...days]
    .sort(([a], [b]) => (a ?? '').localeCompare(b ?? ''))
    .map(([day, all]) => {
      const timed = inLanes(all);
      return {
        day,
        from: Math.floor(Math.min(...timed.map((t) => t.from)) / 60) * 60 - 60,
        to: Math.ceil(Math.max(...timed.map((t) => t.to)) / 60) * 60 + 60,
        lanes: 1 + Math.max(...timed.map((t) => t.lane)),
        stretches: timed,
      };
    });
}

function inLanes(stretches: readonly Stretch[]): Timed[] {
  const placed: Timed[] = [];
  for (const stretch of stretches) {
    const { fromTime, toTime } = stretch;
    const from = minutesOf(fromTime ?? '');
    const to = from + minutesBetween(fromTime ?? '', toTime ?? '');
    const taken = new Set(placed.filter((p) => p.from < to && from < p.to).map((p) => p.lane));
    let lane = 0;
    while (taken.has(lane)) lane += 1;
    placed.push({ stretch, from, to, lane });
  }
  return placed;
}

/**
 * A stretch moved as a whole, or with its end alone, in whole steps; it keeps one step at least, and
 * past midnight it goes to the next day.
 */
export function shifted({ stretch, from, to }: Timed, by: number, endOnly: boolean): Stretch {
  const steps = Math.round(by / STEP_MIN) * STEP_MIN;
  if (endOnly) return { ...stretch, toTime: timeOf(Math.max(from + STEP_MIN, to + steps)) };
  const days = Math.floor((from + steps) / DAY_MIN);
  return {
    ...stretch,
    day: stretch.day === null || days === 0 ? stretch.day : dayAfter(stretch.day, days),
    fromTime: timeOf(from + steps),
    toTime: timeOf(to + steps),
  };
}
