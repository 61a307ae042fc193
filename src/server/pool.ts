import { err, ok, type Result } from '@/core/result';

/** A thread that does one task at a time. */
export interface Thread<Task, Done> {
  readonly post: (task: Task) => void;
  /** Called once for each task, with what it gives, or null where the thread has ended over it. */
  readonly onDone: (listener: (done: Done | null) => void) => void;
  readonly end: () => void;
}

export interface PoolOptions<Task, Done> {
  readonly start: () => Thread<Task, Done>;
  /** Threads that work at once. */
  readonly size: number;
  /** Tasks that wait for a thread; one more is refused. */
  readonly mostWaiting: number;
}

export interface RunOptions {
  /** When the thread is ended over its task, ms from now. */
  readonly endAfterMs: number;
  /** Ends the task, waiting or not, when nobody wants it any more. */
  readonly signal?: AbortSignal;
}

export interface NotDone {
  readonly code: 'busy' | 'late' | 'cancelled' | 'failed';
}

/** Given the time that a task has waited, ms. */
type TaskAfter<Task> = (waitedMs: number) => Task;

interface Waiting<Task, Done> {
  readonly task: TaskAfter<Task>;
  readonly since: number;
  readonly settle: (result: Result<Done, NotDone>) => void;
}

/**
 * Threads with a queue of a stated length. A task that is cancelled or late takes its thread with it,
 * since nothing else stops a search; the next task starts a new one.
 */
export function createPool<Task, Done>({ start, size, mostWaiting }: PoolOptions<Task, Done>) {
  const idle: Thread<Task, Done>[] = [];
  const queue: Waiting<Task, Done>[] = [];
  let working = 0;

  const workOn = (
    { task, since, settle }: Waiting<Task, Done>,
    onEnd: (end: () => void) => void,
  ) => {
    const thread = idle.pop() ?? start();
    working += 1;
    let over = false;
    const finish = (result: Result<Done, NotDone>, keep: boolean) => {
      if (over) return;
      over = true;
      working -= 1;
      if (keep) idle.push(thread);
      else thread.end();
      settle(result);
      next();
    };
    thread.onDone((done) =>
      done === null ? finish(err({ code: 'failed' }), false) : finish(ok(done), true),
    );
    onEnd(() => finish(err({ code: 'cancelled' }), false));
    thread.post(task(performance.now() - since));
  };
  const ends = new WeakMap<Waiting<Task, Done>, () => void>();
  const next = () => {
    const waiting = working < size ? queue.shift() : undefined;
    if (waiting) workOn(waiting, (end) => ends.set(waiting, end));
  };
  return {
    /** Tasks that wait for a thread. */
    waiting: () => queue.length,
    run(task: TaskAfter<Task>, { endAfterMs, signal }: RunOptions): Promise<Result<Done, NotDone>> {
      if (working >= size && queue.length >= mostWaiting)
        return Promise.resolve(err({ code: 'busy' }));
      if (signal?.aborted) return Promise.resolve(err({ code: 'cancelled' }));
      return new Promise((resolve) => {
        const leave = (code: NotDone['code']) => {
          const at = queue.indexOf(waiting);
          if (at >= 0) queue.splice(at, 1);
          settle(err({ code }));
          ends.get(waiting)?.();
        };
        const late = setTimeout(() => leave('late'), endAfterMs);
        const gone = () => leave('cancelled');
        signal?.addEventListener('abort', gone, { once: true });
        const settle = (result: Result<Done, NotDone>) => {
          clearTimeout(late);
          signal?.removeEventListener('abort', gone);
          resolve(result);
        };
        const waiting: Waiting<Task, Done> = { task, since: performance.now(), settle };
        queue.push(waiting);
        next();
      });
    },
    /** Ends all threads that are idle; for tests. */
    close: () => idle.splice(0).forEach((thread) => thread.end()),
  };
}
export type Pool<Task, Done> = ReturnType<typeof createPool<Task, Done>>;
