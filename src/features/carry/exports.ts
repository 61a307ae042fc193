import { addDays, format, parseISO } from 'date-fns';
import { createEvents, type DateTime, type EventAttributes } from 'ics';
import Papa from 'papaparse';
import type { PackingLine } from '@/core/carry';
import { carryText, lineWords, namesOf, plainList } from '@/text';
import { type OutingFile } from '@/document';
import { download } from '@/session';
import { notify } from '@/ui';

const t = carryText.exports;

/** The stretches as a calendar; those without a day are left out. */
export function calendarOf({ stretches, outing }: OutingFile): { text: string; left: string[] } {
  const left: string[] = [];
  const events = stretches.flatMap((s): EventAttributes[] => {
    if (s.day === null) {
      left.push(s.name);
      return [];
    }
    const day = parseISO(s.day);
    const over = s.fromTime !== null && s.toTime !== null && s.toTime <= s.fromTime;
    return [
      {
        uid: `${outing.id}.${s.id}@arm-reach`,
        title: s.name,
        location: s.place,
        description: s.note,
        start: momentOf(day, s.fromTime),
        end: momentOf(over ? addDays(day, 1) : s.toTime === null ? addDays(day, 1) : day, s.toTime),
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
  const [hours = 0, minutes = 0] = time.split(':').map(Number);
  return [...date, hours, minutes];
}

export function exportCalendar(file: OutingFile): void {
  const { text, left } = calendarOf(file);
  download(`${file.outing.id}.ics`, text, 'text/calendar');
  if (left.length > 0) notify(t.notInTheCalendarBecause(plainList(left)));
}

export function packingCsv(file: OutingFile, lines: readonly PackingLine[]): string {
  const name = namesOf(file);
  const ticked = new Set(file.packing.ticked);
  return Papa.unparse(
    {
      fields: ['count', 'what', 'why', 'packed'],
      data: lines.map((line) => {
        const { what, why } = lineWords(line, name);
        return [line.count, what, why, ticked.has(line.id) ? 'yes' : 'no'];
      }),
    },
    { newline: '\n', escapeFormulae: true },
  );
}

export function exportCsv(file: OutingFile, lines: readonly PackingLine[]): void {
  download(`${file.outing.id}-packing.csv`, packingCsv(file, lines), 'text/csv');
}

/** Text that Markdown takes as it is. Source: CommonMark 0.31, backslash escapes. */
function escaped(text: string): string {
  return text.replace(/[\\`*_{}[\]<>#+!|~&]/g, '\\$&');
}

export function packingMarkdown(file: OutingFile, lines: readonly PackingLine[]): string {
  const name = namesOf(file);
  const ticked = new Set(file.packing.ticked);
  const rows = lines.map((line) => {
    const { what, why } = lineWords(line, name);
    const many = line.count > 1 ? `${line.count} × ` : '';
    return `- [${ticked.has(line.id) ? 'x' : ' '}] ${many}${escaped(what)} (${escaped(why)})`;
  });
  const day = file.outing.firstDay
    ? `, ${format(parseISO(file.outing.firstDay), 'd MMMM yyyy')}`
    : '';
  return `# ${escaped(file.outing.name)}${day}\n\n${rows.join('\n')}\n`;
}

export function exportMarkdown(file: OutingFile, lines: readonly PackingLine[]): void {
  download(`${file.outing.id}-packing.md`, packingMarkdown(file, lines), 'text/markdown');
}
