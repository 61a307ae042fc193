import { format, parseISO } from 'date-fns';
import type { PackingLine } from '@/core/carry';
import type { OutingFile } from '@/document';
import { calendarOf, type PackedLine, packingCsv, packingMarkdown } from '@/document/formats';
import { download } from '@/session';
import { carryText, lineWords, namesOf, plainList } from '@/text';
import { notify } from '@/ui';

const t = carryText.exports;

export async function exportCalendar(file: OutingFile): Promise<void> {
  const { text, left } = await calendarOf(file);
  download(`${file.outing.id}.ics`, text, 'text/calendar');
  if (left.length > 0) notify(t.notInTheCalendarBecause(plainList(left)));
}

/** The lines of a packing list as they are exported. */
export function packedLines(file: OutingFile, lines: readonly PackingLine[]): PackedLine[] {
  const name = namesOf(file);
  const ticked = new Set(file.packing.ticked);
  return lines.map((line) => ({
    ...lineWords(line, name),
    count: line.count,
    isPacked: ticked.has(line.id),
  }));
}

/** The heading of an exported list. */
export function titleOf({ outing: { name, firstDay } }: OutingFile) {
  return { name, day: firstDay === null ? null : format(parseISO(firstDay), 'd MMMM yyyy') };
}

export function exportCsv(file: OutingFile, lines: readonly PackingLine[]): void {
  download(`${file.outing.id}-packing.csv`, packingCsv(packedLines(file, lines)), 'text/csv');
}

export function exportMarkdown(file: OutingFile, lines: readonly PackingLine[]): void {
  const text = packingMarkdown(titleOf(file), packedLines(file, lines));
  download(`${file.outing.id}-packing.md`, text, 'text/markdown');
}
