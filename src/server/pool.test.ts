import { createPool, type Thread } from './pool';

/** Threads that are done when the test says so. */
function threads() {
  const started: (Thread<string, string> & {
    task: string;
    ended: boolean;
    done: (d: string | null) => void;
  })[] = [];
  const start = () => {
    const thread = {
      task: '',
      ended: false,
      done: (_: string | null) => undefined as void,
      post: (task: string) => void (thread.task = task),
      onDone: (listener: (d: string | null) => void) => void (thread.done = listener),
      end: () => void (thread.ended = true),
    };
    started.push(thread);
    return thread;
  };
  return { started, start };
}
const LONG = { endAfterMs: 60_000 };

test('works as many at once as there are threads, and refuses past the end of the queue', async () => {
  const { started, start } = threads();
  const pool = createPool({ start, size: 2, mostWaiting: 1 });
  const runs = ['a', 'b', 'c'].map((task) => pool.run(() => task, LONG));
  expect(await pool.run(() => 'd', LONG)).toMatchObject({ error: { code: 'busy' } });
  expect(started.map((t) => t.task)).toEqual(['a', 'b']);
  started[0]!.done('A');
  expect(await runs[0]).toMatchObject({ value: 'A' });
  expect(started).toHaveLength(2);
  expect(started[0]!.task).toBe('c');
  started[0]!.done('C');
  started[1]!.done(null);
  expect(await runs[2]).toMatchObject({ value: 'C' });
  expect(await runs[1]).toMatchObject({ error: { code: 'failed' } });
  expect(started[1]!.ended).toBe(true);
});

test('who goes away leaves the queue, or takes the thread along', async () => {
  const { started, start } = threads();
  const pool = createPool({ start, size: 1, mostWaiting: 5 });
  const [gone, waits] = [new AbortController(), new AbortController()];
  const first = pool.run(() => 'a', { ...LONG, signal: gone.signal });
  const second = pool.run(() => 'b', { ...LONG, signal: waits.signal });
  const third = pool.run(() => 'c', LONG);
  waits.abort();
  expect(await second).toMatchObject({ error: { code: 'cancelled' } });
  gone.abort();
  expect(await first).toMatchObject({ error: { code: 'cancelled' } });
  expect(started.map((t) => [t.task, t.ended])).toEqual([
    ['a', true],
    ['c', false],
  ]);
  started[1]!.done('C');
  expect(await third).toMatchObject({ value: 'C' });
});

test('a task that is late ends its thread, and the next one is told how long it waited', async () => {
  const { started, start } = threads();
  const pool = createPool({ start, size: 1, mostWaiting: 5 });
  const late = pool.run(() => 'a', { endAfterMs: 30 });
  const next = pool.run((waitedMs) => (waitedMs > 20 ? 'waited' : 'at once'), LONG);
  expect(await late).toMatchObject({ error: { code: 'late' } });
  expect(started.map((t) => t.task)).toEqual(['a', 'waited']);
  started[1]!.done('done');
  expect(await next).toMatchObject({ value: 'done' });
});
