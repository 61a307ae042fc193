import { addDays, parseISO } from 'date-fns';
import type { DateTime, EventAttributes } from 'ics';
import { minutesOf } from '@/core/brief';
import type { OutingFile } from '../outingFile';

/** The stretches as a calendar (iCalendar, RFC 5545); those without a day are left out and named. */
export async function calendarOf({
  stretches,
  outing,
}: OutingFile): Promise<{ text: string; left: string[] }> {
  const { createEvents } = await import('ics');
  const left: string[] = [];
  const events = stretches.flatMap((s): EventAttributes[] => {
    if (s.day === null) {
      left.push(s.name);
      return [];
    }
    const day = parseISO(s.day);
    const endsNextDay =
      s.toTime === null || (s.fromTime !== null && s.toTime !== null && s.toTime <= s.fromTime);
    return [
      {
        uid: `${outing.id}.${s.id}@arm-reach`,
        title: s.name,
        location: s.place,
        description: s.note,
        start: momentOf(day, s.fromTime),
        end: momentOf(endsNextDay ? addDays(day, 1) : day, s.toTime),
        startOutputType: 'local',
        endOutputType: 'local',
      },
    ];
  });
  const { error, value } = createEvents(events, { productId: 'arm-reach', calName: outing.name });
  if (error) throw error;
  return { text: value ?? '', left };
}

function momentOf(day: Date, time: string | null): DateTime {
  const date: [number, number, number] = [day.getFullYear(), day.getMonth() + 1, day.getDate()];
  if (time === null) return date;
  const minutes = minutesOf(time);
  return [...date, Math.floor(minutes / 60), minutes % 60];
}
