import '@testing-library/jest-dom';
import { act, fireEvent, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { body, converter, itemsOf, lens } from '@/core/gear';
import { demoFile, held } from '../../../tests/support/render';
import { GearEditor } from './GearEditor';
import { GearTable } from './GearTable';
import { copyItem, newItem } from '@/document';
import { bodyRow, converterRow, LENS_COLUMNS, lensRow, sayingTheSame } from './rows';

const NEW = { name: 'New', mount: 'M' };

jest.mock('@/session', () => ({
  ...jest.requireActual('../../../tests/support/render').sessionStandIn,
}));

const demo = demoFile();
/** Changes a field and lets the form look itself over. */
const change = (field: HTMLElement, value: string) =>
  act(async () => void fireEvent.change(field, { target: { value } }));

beforeEach(() => Object.assign(held, { file: demo, result: null, edits: [] }));
const plain = (text: string | undefined) => (text ?? '').replaceAll('\u202F', ' ');
const context = {
  currency: 'EUR',
  limits: demo.limits,
  inLineup: new Set(['k-50']),
  shelf: demo.shelf,
  standing: new Map(itemsOf(demo.shelf).map((i) => [i.id as string, i.ownership])),
  alone: new Set<string>(),
};
const lensOf = (id: string) => held.file.shelf.lenses.find((l) => l.id === id)!;

describe('rows', () => {
  it('say ranges, f-numbers and prices as photographers read them, and mark what is estimated', async () => {
    const row = lensRow(lensOf('k-24-240'), context);
    expect(
      Object.fromEntries(Object.entries(row.cells).map(([key, cell]) => [key, plain(cell.text)])),
    ).toEqual({
      range: '24–240 mm',
      filterMm: '72 mm',
      lengthMm: '≈ 130 mm',
      grade: '',
      maxMagnification: '0.27×',
      used: '€560',
      fNumber: 'f/4–6.3',
      minFocusM: '50 cm',
      mount: 'Quillmar K',
      weight: '780 g',
      price: '€990',
      ownership: 'borrowed',
      outing: 'borrowed',
    });
    const unweighed = { ...lensOf('k-50'), weightG: null };
    const shelf = { ...demo.shelf, lenses: [unweighed] };
    const { weight } = lensRow(unweighed, { ...context, shelf }).cells;
    expect(plain(weight!.text)).toMatch(/^≈ \d{3} g$/);
  });

  it('tell what a lens reaches on the largest format of its mount', () => {
    // Quillmar K is on 36×24 mm, Tessendorn T on 23.5×15.6 mm alone: a crop of 1.53.
    expect(lensRow(lensOf('k-24-240'), context).band).toEqual({ from: 24, to: 240 });
    const { from, to } = lensRow(lensOf('t-16-55'), context).band!;
    expect([from, to].map(Math.round)).toEqual([25, 84]);
    // Whatever no camera here takes stands as it is marked.
    const odd = { ...lensOf('t-23'), mount: 'Nothing' };
    expect(lensRow(odd, context).band).toEqual({ from: 23, to: 23 });
  });

  it('tell which columns say the same in all of them, where they are not few', () => {
    const rows = demo.shelf.lenses.map((l) => lensRow({ ...l, maxMagnification: 0.2 }, context));
    const keys = ['mount', 'maxMagnification', 'weight'];
    expect(sayingTheSame(rows, keys)).toEqual(['maxMagnification']);
    expect(sayingTheSame(rows.slice(0, 4), keys)).toEqual(['mount', 'maxMagnification']);
    expect(sayingTheSame(rows.slice(0, 3), keys)).toEqual([]);
    expect(sayingTheSame([], keys)).toEqual([]);
  });

  it('tell what is in the lineup and what stays out', async () => {
    expect(['k-50', 'k-85', 'k-600'].map((id) => lensRow(lensOf(id), context).standing)).toEqual([
      'in',
      'free',
      'out',
    ]);
    expect(plain(bodyRow(demo.shelf.bodies[2]!, context).cells.sensor?.text)).toBe(
      '23.5 × 15.6 mm, crop 1.53',
    );
    expect(converterRow(demo.shelf.converters[0]!, context).cells.lenses?.text).toBe('4 lenses');
  });
});

describe('the table', () => {
  // jsdom lays nothing out; the scroller gets the height that it has on a laptop.
  beforeAll(() =>
    Object.defineProperty(HTMLElement.prototype, 'clientHeight', {
      configurable: true,
      value: 560,
    }),
  );

  const rows = demo.shelf.lenses.map((l) => lensRow(l, context));
  const names = () =>
    screen
      .getAllByRole('row')
      .slice(1)
      .map((r) => within(r).getByRole('button').textContent);

  it('sorts by any column, what is not known last', async () => {
    const user = userEvent.setup();
    const one = {
      ...rows[0]!,
      id: 'nameless',
      name: 'No weight',
      cells: { ...rows[0]!.cells, weight: { text: '', sort: undefined } },
    };
    render(
      <GearTable
        kind="lenses"
        grouped={false}
        editing={false}
        label="Lenses"
        rows={[one, ...rows.slice(0, 4)]}
        columns={LENS_COLUMNS}
        selected={null}
        onSelect={() => undefined}
      />,
    );
    await user.click(screen.getByRole('button', { name: 'Weight' }));
    const first = screen.getByRole('columnheader', { name: /Weight/ }).getAttribute('aria-sort');
    expect(['ascending', 'descending']).toContain(first);
    expect(names().at(-1)).toContain('No weight');
    await user.click(screen.getByRole('button', { name: /Weight/ }));
    expect(screen.getByRole('columnheader', { name: /Weight/ }).getAttribute('aria-sort')).not.toBe(
      first,
    );
    expect(names().at(-1)).toContain('No weight');
  });

  it('draws only the rows in sight of a thousand', async () => {
    const many = Array.from({ length: 1000 }, (_, i) => ({
      ...rows[0]!,
      id: `l${i}`,
      name: `Lens ${i}`,
    }));
    render(
      <GearTable
        kind="lenses"
        grouped={false}
        editing={false}
        label="Lenses"
        rows={many}
        columns={LENS_COLUMNS}
        selected={null}
        onSelect={() => undefined}
      />,
    );
    expect(screen.getByRole('table')).toHaveAttribute('aria-rowcount', '1001');
    const drawn = document.querySelectorAll('tbody tr').length;
    expect(drawn).toBeGreaterThan(10);
    expect(drawn).toBeLessThan(60);
  });
});

describe('new gear', () => {
  it('is valid from the start and takes the mount that is there', async () => {
    expect(lens.safeParse(newItem('lenses', demo.shelf, NEW)).success).toBe(true);
    expect(body.safeParse(newItem('bodies', demo.shelf, NEW)).success).toBe(true);
    expect(converter.safeParse(newItem('converters', demo.shelf, NEW)).success).toBe(true);
    expect(newItem('lenses', demo.shelf, NEW).mount).toBe('Quillmar K');
    expect(copyItem(demo.shelf.lenses[0]!, demo.shelf, 'Copy')).toMatchObject({
      id: 'k-14-24-2',
      name: 'Copy',
    });
  });
});

describe('the editor', () => {
  const edit = (id: string) =>
    render(<GearEditor kind="lenses" item={lensOf(id)} onSelect={() => undefined} />);

  it('stores figures, and "not known" for an empty field', async () => {
    edit('k-50');
    await change(screen.getByLabelText('Weight'), '190');
    expect(lensOf('k-50').weightG).toBe(190);
    await change(screen.getByLabelText('Weight'), '');
    expect(lensOf('k-50').weightG).toBeNull();
    await change(screen.getByLabelText('Weather sealed'), 'unknown');
    expect(lensOf('k-50').sealed).toBeNull();
  });

  it('adds a measured range beside the marked one, and takes it away', async () => {
    const user = userEvent.setup();
    edit('k-70-200');
    await user.click(screen.getByRole('button', { name: 'Add a measured range' }));
    await change(screen.getByLabelText('Measured, long'), '189');
    expect(lensOf('k-70-200').measured).toEqual({ wideMm: 70, longMm: 189 });
    await user.click(screen.getByRole('button', { name: 'Delete the measured range' }));
    expect(lensOf('k-70-200').measured).toBeNull();
  });

  it('keeps a range that runs backwards out, with the reason', async () => {
    edit('k-70-200');
    await change(screen.getByLabelText('Long end'), '60');
    expect(
      await screen.findByText('the long end must not be shorter than the wide end'),
    ).toBeVisible();
    expect(lensOf('k-70-200').focal.longMm).toBe(200);
  });

  it('locks for this outing', async () => {
    const user = userEvent.setup();
    edit('k-50');
    await user.click(screen.getByLabelText('leave out'));
    expect(held.file.limits.lockedOut).toEqual(['k-50']);
  });

  it('lets a converter be made for lenses of its mount only', async () => {
    const user = userEvent.setup();
    render(
      <GearEditor kind="converters" item={demo.shelf.converters[2]!} onSelect={() => undefined} />,
    );
    expect(
      screen.getAllByRole('checkbox').map((c) => (c.parentElement?.textContent ?? '').trim()),
    ).toHaveLength(4);
    await user.click(screen.getByRole('checkbox', { name: '12–40 mm f/2.8' }));
    expect(held.file.shelf.converters[2]!.lensIds).toContain('p-12-40');
  });
});
