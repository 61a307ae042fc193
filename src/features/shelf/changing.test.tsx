import '@testing-library/jest-dom';
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { demoFile, held } from '../../../tests/support/render';
import { Fits } from './Fits';
import { GearList } from './GearList';
import { Mounts } from './Mounts';
import { LENS_COLUMNS } from './rows';

jest.mock('@/session', () => ({
  ...jest.requireActual('../../../tests/support/render').sessionStandIn,
}));
beforeAll(() =>
  // The simulated browser lays nothing out; rows are drawn for a list this high.
  Object.defineProperty(HTMLElement.prototype, 'clientHeight', { configurable: true, value: 1200 }),
);
beforeEach(() => Object.assign(held, { file: demoFile(), result: null, edits: [] }));

const list = () =>
  render(
    <GearList
      kind="lenses"
      label="Lenses"
      columns={LENS_COLUMNS}
      selected={null}
      onSelect={() => undefined}
    />,
  );
const weightOf = (id: string) => held.file.shelf.lenses.find((l) => l.id === id)?.weightG;

test('a figure is changed in its cell; what cannot be used stays there, marked', async () => {
  const user = userEvent.setup();
  list();
  await user.click(screen.getByRole('button', { name: 'Edit here' }));
  const cell = screen.getByLabelText('Weight, 50 mm f/1.8');
  await user.clear(cell);
  await user.type(cell, '201');
  expect(weightOf('k-50')).toBe(201);
  await user.clear(cell);
  await user.type(cell, '-3');
  expect(cell).toHaveAttribute('aria-invalid', 'true');
  expect(cell).toHaveValue('-3');
  expect(weightOf('k-50')).not.toBe(-3);
  await user.selectOptions(screen.getByLabelText('Ownership, 50 mm f/1.8'), 'borrowed');
  expect(held.file.shelf.lenses.find((l) => l.id === 'k-50')?.ownership).toBe('borrowed');
});

test('lenses are narrowed by what they reach, their speed, weight and owner', async () => {
  const user = userEvent.setup();
  list();
  await user.type(screen.getByLabelText('covers focal length, mm'), '400');
  await user.type(screen.getByLabelText('f/ at most'), '2.8');
  expect(screen.getByText(/^1 shown/)).toBeVisible();
  expect(screen.getByRole('button', { name: /400 mm f\/2.8/ })).toBeVisible();
  await user.type(screen.getByLabelText('g at most'), '2000');
  expect(screen.getByText(/^0 shown/)).toBeVisible();
});

test('columns are chosen, and rows stand under their mounts', async () => {
  const user = userEvent.setup();
  list();
  expect(screen.queryByRole('columnheader', { name: 'Filter thread' })).toBeNull();
  await user.click(screen.getByRole('button', { name: 'Columns' }));
  await user.click(screen.getByLabelText('Filter thread'));
  await user.keyboard('{Escape}');
  expect(screen.getByRole('columnheader', { name: 'Filter thread' })).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'By mount' }));
  const table = screen.getByRole('table');
  expect(within(table).getByRole('columnheader', { name: 'Brindlewick P' })).toBeVisible();
});

test('a column that says the same in every row is left out until it is asked for', async () => {
  const user = userEvent.setup();
  const { shelf } = demoFile();
  const sealed = shelf.lenses.map((l) => ({ ...l, mount: 'Quillmar K' }));
  held.file = { ...demoFile(), shelf: { ...shelf, lenses: sealed } };
  list();
  expect(screen.queryByRole('columnheader', { name: 'Mount' })).toBeNull();
  expect(screen.getByRole('columnheader', { name: 'Weight' })).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Columns' }));
  await user.click(screen.getByLabelText('Mount', { selector: '[type=checkbox]' }));
  await user.click(screen.getByLabelText('Weight', { selector: '[type=checkbox]' }));
  await user.keyboard('{Escape}');
  expect(screen.getByRole('columnheader', { name: 'Mount' })).toBeVisible();
  expect(screen.queryByRole('columnheader', { name: 'Weight' })).toBeNull();
});

test('what fits what is said and drawn, straight and by an adapter', () => {
  const { rerender } = render(<Fits kind="lenses" id="k-50" />);
  expect(document.body).toHaveTextContent('Fits K1, K2 R.');
  const [lens] = held.file.shelf.lenses;
  held.file = {
    ...held.file,
    shelf: { ...held.file.shelf, lenses: [{ ...lens!, id: 'odd' as never, mount: 'Nothing' }] },
  };
  rerender(<Fits kind="lenses" id="odd" />);
  expect(document.body).toHaveTextContent('Fits no camera on your shelf.');
  held.file = demoFile();
  rerender(<Mounts open onClose={() => undefined} />);
  expect(screen.getByRole('img').getAttribute('aria-label')).toContain('Quillmar K on K1');
});
