import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import type { Result } from '@/core/result';
import { createPool, type NotDone, type Pool, type Thread } from './pool';

/** An outing's text to be answered: by its lineup, or by the plan of carrying it. */
export interface LineupTask {
  readonly ask: 'lineup' | 'carry';
  readonly text: string;
  readonly timeLimitS: number;
}

/** An answer as it is sent. */
export interface LineupReply {
  readonly status: number;
  readonly json: string;
}

/** One processor stays free for everything else that is served. */
const THREADS = Math.max(1, availableParallelism() - 1);
/** Outings that wait for a thread; more are told to come again. */
export const MOST_WAITING = 16;
/** Most memory of one thread, MB. */
const MEMORY_MB = 1500;
/** How long after its time an answer may still come before its thread is ended, ms. */
const GRACE_MS = 5000;
/** Time that must be left to begin with an outing that has waited, s. */
const LEAST_S = 1;

let pool: Pool<LineupTask, LineupReply> | null = null;

/**
 * Answers a posted outing in a thread of its own: the time that it waits for one counts.
 *
 * `timeLimitS` is for the whole answer.
 */
export function answerPosted(
  { timeLimitS, ...asked }: LineupTask,
  signal: AbortSignal,
): Promise<Result<LineupReply, NotDone>> {
  pool ??= createPool({
    start: startThread,
    size: THREADS,
    mostWaiting: MOST_WAITING,
  });
  return pool.run(
    (waitedMs) => ({ ...asked, timeLimitS: Math.max(LEAST_S, timeLimitS - waitedMs / 1000) }),
    { endAfterMs: timeLimitS * 1000 + GRACE_MS, signal },
  );
}

function startThread(): Thread<LineupTask, LineupReply> {
  const worker = new Worker(new URL('./lineup.thread.ts', import.meta.url), {
    resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB },
  });
  worker.unref();
  let listener: (done: LineupReply | null) => void = () => undefined;
  worker.on('message', (reply: LineupReply) => listener(reply));
  worker.on('error', () => listener(null));
  worker.on('exit', () => listener(null));
  return {
    post: (task) => worker.postMessage(task),
    onDone: (next) => {
      listener = next;
    },
    end: () => void worker.terminate(),
  };
}
