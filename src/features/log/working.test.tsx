import { act, fireEvent, render, screen } from '@testing-library/react';
import { logBuilder } from '@/core/log';
import type { PhotographKeeper } from '@/session';
import { useAsked } from './useAsked';
import { Working } from './Working';

const log = logBuilder().log();

test('long work can be cancelled, which ends the worker, and asked for again', async () => {
  jest.useFakeTimers();
  const asks: ((value: string) => void)[] = [];
  const client = {
    ask: () => new Promise((resolve) => asks.push(resolve)),
    close: jest.fn(),
  };
  const keeper = { client } as unknown as PhotographKeeper;
  const question = () => Promise.resolve('');
  function View() {
    const asked = useAsked<string>(keeper, log, question);
    return asked.value === null ? <Working asked={asked} /> : <p>{asked.value}</p>;
  }
  render(<View />);
  expect(screen.queryByRole('button')).toBeNull();
  act(() => void jest.advanceTimersByTime(1100));
  fireEvent.click(screen.getByRole('button', { name: 'Cancel' }));
  expect(client.close).toHaveBeenCalledTimes(1);
  screen.getByText('Cancelled.');
  fireEvent.click(screen.getByRole('button', { name: 'Work it out' }));
  expect(asks).toHaveLength(2);
  // What was cancelled is no answer, even where it still comes.
  await act(async () => asks[0]!('old'));
  expect(screen.queryByText('old')).toBeNull();
  await act(async () => asks[1]!('new'));
  screen.getByText('new');
  jest.useRealTimers();
});
