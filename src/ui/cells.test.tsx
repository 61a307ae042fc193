import '@testing-library/jest-dom';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { applyUnits } from '@/text';
import { CellNumber, CellSelect, CellText } from '@/ui';

function Host({ unit, first = 12 }: { unit?: string; first?: number | null }) {
  const [value, setValue] = useState<number | null>(first);
  return (
    <>
      <CellNumber
        label="Far"
        value={value}
        placeholder="unknown"
        {...(unit === undefined ? {} : { unit })}
        take={(next) => {
          if (next !== null && next < 10) return 'must be at least 10';
          setValue(next);
          return null;
        }}
      />
      <output>{value === null ? 'nothing' : value.toFixed(3)}</output>
      <button onClick={() => setValue(20)}>undo</button>
    </>
  );
}
const cell = () => screen.getByLabelText('Far');
const held = () => screen.getByRole('status').textContent;
afterEach(() => applyUnits('metric'));

test('a figure is taken over as it is typed; what is wrong stays, with why, until it is mended', async () => {
  const user = userEvent.setup();
  render(<Host unit="m" />);
  expect(screen.getByText('m')).toBeInTheDocument();
  await user.clear(cell());
  expect(held()).toBe('nothing');
  await user.type(cell(), '15,5');
  expect(held()).toBe('15.500');
  expect(cell()).toHaveAttribute('aria-invalid', 'false');
  await user.clear(cell());
  await user.type(cell(), '7');
  expect(cell()).toHaveAccessibleDescription('must be at least 10');
  await user.tab();
  expect(cell()).toHaveValue('7');
  expect(held()).toBe('nothing');
  await user.type(cell(), '5');
  expect(held()).toBe('75.000');
  expect(cell()).toHaveAttribute('aria-invalid', 'false');
  await user.type(cell(), ' paces');
  expect(cell()).toHaveAccessibleDescription('must be a number, such as 12 or 2.5');
  expect(held()).toBe('75.000');
});

test('left in order it shows what is held, also after a change from outside', async () => {
  const user = userEvent.setup();
  render(<Host />);
  await user.clear(cell());
  await user.type(cell(), '012.50');
  expect(cell()).toHaveValue('012.50');
  await user.tab();
  expect(cell()).toHaveValue('12.5');
  await user.click(screen.getByText('undo'));
  expect(cell()).toHaveValue('20');
});

test('in feet it is shown and taken in feet, and held in metres', async () => {
  applyUnits('imperial');
  const user = userEvent.setup();
  render(<Host unit="m" first={30.48} />);
  expect(cell()).toHaveValue('100');
  expect(screen.getByText('ft')).toBeInTheDocument();
  await user.clear(cell());
  await user.type(cell(), '50');
  expect(held()).toBe('15.240');
});

test('percent and figures without a unit are the same everywhere', () => {
  applyUnits('imperial');
  render(<Host unit="%" first={null} />);
  expect(cell()).toHaveValue('');
  expect(cell()).toHaveAttribute('placeholder', 'unknown');
  expect(screen.getByText('%')).toBeInTheDocument();
});

test('words and choices are taken over at once', async () => {
  const user = userEvent.setup();
  const taken: string[] = [];
  render(
    <>
      <CellText
        label="Name"
        value="Bow"
        take={(text) => (text === '' ? 'must not be empty' : (taken.push(text), null))}
      />
      <CellSelect<'must' | 'want'>
        label="Want"
        value="must"
        options={{ must: 'must', want: 'want' }}
        take={(want) => void taken.push(want)}
      />
    </>,
  );
  await user.type(screen.getByLabelText('Name'), 's');
  await user.selectOptions(screen.getByLabelText('Want'), 'want');
  expect(taken).toEqual(['Bows', 'want']);
  await user.clear(screen.getByLabelText('Name'));
  expect(screen.getByLabelText('Name')).toHaveAccessibleDescription('must not be empty');
});
