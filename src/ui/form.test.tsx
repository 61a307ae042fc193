import '@testing-library/jest-dom';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useLayoutEffect, useState } from 'react';
import * as z from 'zod';
import { EntityForm, FormNumber, FormText } from './form';

const schema = z
  .object({ name: z.string().min(1), from: z.number().min(0), to: z.number().min(0) })
  .refine((v) => v.from <= v.to, { path: ['to'], message: 'must not be nearer' });
type Value = z.infer<typeof schema>;

const sent: [Value, string][] = [];
function Host() {
  const [value, setValue] = useState<Value>({ name: 'Start', from: 5, to: 9 });
  return (
    <>
      <EntityForm
        label="Thing"
        schema={schema}
        value={value}
        onValid={(next, field) => {
          sent.push([next, field]);
          setValue(next);
        }}
      >
        <FormText name="name" label="Name" />
        <FormNumber name="from" label="From" />
        <FormNumber name="to" label="To" />
      </EntityForm>
      <button onClick={() => setValue({ name: 'Undone', from: 2, to: 4 })}>undo</button>
      <button onClick={() => setValue((v) => ({ ...v, name: 'Renamed' }))}>rename</button>
      <button onClick={() => setValue((v) => ({ ...v }))}>the same again</button>
    </>
  );
}
const field = (label: string) => screen.getByLabelText(label);
const type = async (user: ReturnType<typeof userEvent.setup>, label: string, text: string) => {
  await user.clear(field(label));
  await user.type(field(label), text);
};
beforeEach(() => {
  sent.length = 0;
});

test('what one field breaks is told at the other, and mended from either', async () => {
  const user = userEvent.setup();
  render(<Host />);
  await type(user, 'From', '12');
  expect(await screen.findByText('must not be nearer')).toBeInTheDocument();
  expect(field('To')).toHaveAttribute('aria-invalid', 'true');
  expect(sent.every(([v]) => v.from <= v.to)).toBe(true);
  await type(user, 'From', '8');
  await waitFor(() => expect(screen.queryByText('must not be nearer')).toBeNull());
  expect(sent.at(-1)).toEqual([{ name: 'Start', from: 8, to: 9 }, 'from']);
  await type(user, 'From', '30');
  expect(await screen.findByText('must not be nearer')).toBeInTheDocument();
  await type(user, 'To', '40');
  await waitFor(() => expect(screen.queryByText('must not be nearer')).toBeNull());
  expect(sent.at(-1)).toEqual([{ name: 'Start', from: 30, to: 40 }, 'to']);
});

test('while one field is wrong, others wait with it and go out together once it is right', async () => {
  const user = userEvent.setup();
  render(<Host />);
  await user.clear(field('Name'));
  const before = sent.length;
  await type(user, 'To', '20');
  expect(sent).toHaveLength(before);
  await user.type(field('Name'), 'B');
  expect(sent.at(-1)).toEqual([{ name: 'B', from: 5, to: 20 }, 'name']);
});

test('a change from outside clears what was wrong', async () => {
  const user = userEvent.setup();
  render(<Host />);
  await type(user, 'From', '12');
  expect(await screen.findByText('must not be nearer')).toBeInTheDocument();
  await user.click(screen.getByText('undo'));
  await waitFor(() => expect(field('From')).toHaveValue('2'));
  expect(screen.queryByText('must not be nearer')).toBeNull();
  await type(user, 'From', '3');
  expect(sent.at(-1)?.[0]).toEqual({ name: 'Undone', from: 3, to: 4 });
});

test('what is typed while a change comes in from outside stays in its field', async () => {
  const user = userEvent.setup();
  render(<Host />);
  await type(user, 'From', 'soon');
  await user.click(screen.getByText('the same again'));
  expect(field('From')).toHaveValue('soon');
  await user.click(screen.getByText('rename'));
  await waitFor(() => expect(field('Name')).toHaveValue('Renamed'));
  expect(field('From')).toHaveValue('soon');
  expect(field('From')).toHaveAttribute('aria-invalid', 'true');
  await type(user, 'From', '3');
  expect(sent.at(-1)).toEqual([{ name: 'Renamed', from: 3, to: 9 }, 'from']);
});

/** Types into a field as soon as it stands, before anything that waits for the page to be painted. */
function Hasty() {
  useLayoutEffect(() => {
    fireEvent.change(field('To'), { target: { value: '300' } });
  }, []);
  return null;
}

test('what is typed as soon as the field stands is sent', () => {
  render(
    <>
      <Host />
      <Hasty />
    </>,
  );
  expect(field('To')).toHaveValue('300');
  expect(sent.at(-1)).toEqual([{ name: 'Start', from: 5, to: 300 }, 'to']);
});
