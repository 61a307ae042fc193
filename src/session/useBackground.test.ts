import { act, renderHook } from '@testing-library/react';
import type { LineupQuestion } from '@/core/lineup';
import type { BackgroundReport } from '@/workers/backgroundClient';
import { aQuestion, aShelf } from '../../tests/support/gear';
import { useBackground } from './useBackground';

/** Work that a test ends by hand. */
function work() {
  const run = { ended: false, report: null as BackgroundReport<string> | null };
  const start = (report: BackgroundReport<string>) => {
    run.report = report;
    return () => void (run.ended = true);
  };
  return { run, start };
}
const using = (question: LineupQuestion) =>
  renderHook((asked: LineupQuestion) => useBackground<string>(asked), { initialProps: question });

const asked = () => aQuestion({ shelf: aShelf([]), frames: [] });
const [one, other] = [asked(), asked()];

test('work is told as it goes on, and its end', () => {
  const { result } = using(one);
  const { run, start } = work();
  expect(result.current.state).toEqual({ kind: 'idle' });
  act(() => result.current.start(start));
  expect(result.current.state).toEqual({ kind: 'looking', done: 0 });
  act(() => run.report?.progress(0.5));
  expect(result.current.state).toEqual({ kind: 'looking', done: 0.5 });
  act(() => run.report?.done('found it'));
  expect(result.current.state).toEqual({ kind: 'found', found: 'found it' });
  expect(run.ended).toBe(false);
});

test('news of its going on that comes after its end changes nothing', () => {
  const { result } = using(one);
  const { run, start } = work();
  act(() => result.current.start(start));
  act(() => run.report?.done('found it'));
  act(() => run.report?.progress(0.9));
  expect(result.current.state).toEqual({ kind: 'found', found: 'found it' });
  act(() => result.current.start(start));
  act(() => run.report?.failed('no worker'));
  act(() => run.report?.progress(0.9));
  expect(result.current.state).toEqual({ kind: 'failed', message: 'no worker' });
  act(() => result.current.start(start));
  act(() => result.current.stop());
  act(() => run.report?.progress(0.9));
  expect(result.current.state).toEqual({ kind: 'idle' });
});

test('it is ended when it is stopped, when it is started again, and when it is left', () => {
  const { result, unmount } = using(one);
  const [first, second, third] = [work(), work(), work()];
  act(() => result.current.start(first.start));
  act(() => result.current.start(second.start));
  expect(first.run.ended).toBe(true);
  act(() => result.current.stop());
  expect(second.run.ended).toBe(true);
  expect(result.current.state).toEqual({ kind: 'idle' });
  act(() => result.current.start(third.start));
  unmount();
  expect(third.run.ended).toBe(true);
});

test('what failed is said, and what was found for another question is not shown', () => {
  const { result, rerender } = using(one);
  const { run, start } = work();
  act(() => result.current.start(start));
  act(() => run.report?.failed('no worker'));
  expect(result.current.state).toEqual({ kind: 'failed', message: 'no worker' });
  rerender(other);
  expect(result.current.state).toEqual({ kind: 'idle' });
});

test('a question that comes back while it was looked for can be looked for again', () => {
  const { result, rerender } = using(one);
  const { run, start } = work();
  act(() => result.current.start(start));
  rerender(other);
  expect(run.ended).toBe(true);
  rerender(one);
  expect(result.current.state).toEqual({ kind: 'idle' });
});

test('a question that comes back after it was answered has its answer again', () => {
  const { result, rerender } = using(one);
  const { run, start } = work();
  act(() => result.current.start(start));
  act(() => run.report?.done('found it'));
  rerender(other);
  rerender(one);
  expect(result.current.state).toEqual({ kind: 'found', found: 'found it' });
});
