import fc from 'fast-check';
import { anyLens } from '../../../tests/support/arbitraries';
import { aLens } from '../../../tests/support/gear';
import { LENS_COLUMNS, LENS_CSV_TEMPLATE, readLensCsv, writeLensCsv } from './lensCsv';
import { csvProblemText } from '@/text';

const NOBODY = new Set<string>();

describe('a table of lenses', () => {
  it('gives back every lens that it was made from', () => {
    fc.assert(
      fc.property(
        fc
          .integer({ min: 1, max: 6 })
          .chain((n) => fc.tuple(...Array.from({ length: n }, (_, i) => anyLens(`lens${i}`)))),
        (lenses) => {
          const back = readLensCsv(writeLensCsv(lenses), NOBODY);
          expect(back.issues).toEqual([]);
          expect(back.lenses).toEqual(lenses);
        },
      ),
      { seed: 91, numRuns: 200 },
    );
  });

  it('keeps names that would break a table, or that a spreadsheet would run', () => {
    const names = ['a, b; c', 'say "so"', '=SUM(A1)', '+1', '-2', '@home', 'two\nlines', 'ünïcode'];
    const lenses = names.map((name, i) => aLens(`l${i}`, 24, 70, 4, { name, maker: name }));
    const text = writeLensCsv(lenses);
    expect(text).not.toMatch(/(^|,)=/m);
    expect(readLensCsv(text, NOBODY).lenses.map((l) => l.name)).toEqual(
      names.map((n) => n.replace('\n', ' ').trim()),
    );
  });

  it.each([[';'], ['\t'], [',']])('may be separated by %j', (separator) => {
    const header = ['Name', 'MOUNT', 'wide_mm', 'f_numbers'].join(separator);
    const { lenses, issues } = readLensCsv(
      [header, ['Fifty', 'K', '50', '1.8'].join(separator)].join('\r\n'),
      NOBODY,
    );
    expect(issues).toEqual([]);
    expect(lenses).toHaveLength(1);
    expect(lenses[0]).toMatchObject({ name: 'Fifty', mount: 'K', weightG: null, sealed: null });
    expect(lenses[0]?.focal).toEqual({ wideMm: 50, longMm: 50 });
  });

  it('names the line, the column and the mend of every bad cell, and takes the other rows', () => {
    const { lenses, issues } = readLensCsv(
      [
        'name,mount,wide_mm,long_mm,f_numbers,weight_g,sealed',
        'Good,K,24,70,4,500,yes',
        'Backwards,K,70,24,4,500,yes',
        'Heavy,K,24,70,4,much,no',
        ',K,24,70,4,500,no',
        'Unsure,K,24,70,4,500,perhaps',
        'Last,K,85,,1.4,,',
      ].join('\n'),
      NOBODY,
    );
    expect(lenses.map((l) => l.name)).toEqual(['Good', 'Last']);
    expect([...new Set(issues.map((i) => i.line))]).toEqual([3, 4, 5, 6]);
    expect(issues.find((i) => i.line === 4)?.column).toBe('weight_g');
    expect(issues.find((i) => i.line === 5)?.column).toBe('name');
    expect(issues.find((i) => i.line === 6)?.column).toBe('sealed');
    for (const { problem } of issues) expect(csvProblemText(problem)).not.toBe('');
  });

  it('says which column is missing, and reads its own template', () => {
    const { issues } = readLensCsv('name,mount\nA,K', NOBODY);
    expect(issues.map((i) => i.column)).toEqual(['wide_mm', 'f_numbers']);
    const template = readLensCsv(LENS_CSV_TEMPLATE, NOBODY);
    expect(template.issues).toEqual([]);
    expect(template.lenses).toHaveLength(1);
    expect(LENS_CSV_TEMPLATE.split(/\r?\n/)[0]).toBe(LENS_COLUMNS.join(','));
    expect(readLensCsv('', NOBODY).lenses).toEqual([]);
  });

  it('gives rows without an id one that nothing has yet', () => {
    const rows = 'name,mount,wide_mm,f_numbers\nFifty,K,50,1.8\nFifty,K,50,1.8';
    const { lenses } = readLensCsv(rows, new Set(['fifty']));
    expect(new Set(lenses.map((l) => l.id)).size).toBe(2);
    for (const { id } of lenses) expect(id).not.toBe('fifty');
  });
});
