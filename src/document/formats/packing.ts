import Papa from 'papaparse';

/** A line of a packing list in words. */
export interface PackedLine {
  readonly count: number;
  readonly what: string;
  /** Empty where the plan itself asks for it. */
  readonly why: string;
  readonly isPacked: boolean;
}

export function packingCsv(lines: readonly PackedLine[]): string {
  return Papa.unparse(
    {
      fields: ['count', 'what', 'why', 'packed'],
      data: lines.map((l) => [l.count, l.what, l.why, l.isPacked ? 'yes' : 'no']),
    },
    { newline: '\n', escapeFormulae: true },
  );
}

/** Text that Markdown takes as it is. Source: CommonMark 0.31, backslash escapes. */
function escaped(text: string): string {
  return text.replace(/[\\`*_{}[\]<>#+!|~&]/g, '\\$&');
}

/** @param title the heading, with the day behind it where there is one */
export function packingMarkdown(
  title: { readonly name: string; readonly day: string | null },
  lines: readonly PackedLine[],
): string {
  const rows = lines.map(({ count, what, why, isPacked }) => {
    const many = count > 1 ? `${count} × ` : '';
    const because = why === '' ? '' : ` (${escaped(why)})`;
    return `- [${isPacked ? 'x' : ' '}] ${many}${escaped(what)}${because}`;
  });
  const day = title.day === null ? '' : `, ${title.day}`;
  return `# ${escaped(title.name)}${day}\n\n${rows.join('\n')}\n`;
}
