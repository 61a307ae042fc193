import { type Remote, wrap } from 'comlink';
import type { LogAnswers } from '@/application';
import type { Log } from '@/core/log';

export type {
  HindsightAsked,
  LogOuting,
  LogScope,
  LogView,
  OutingAnswer,
  UsedBesides,
} from '@/application';

/** Asks questions of a log in a worker of its own; the log is only sent when it is another one. */
export function createLogClient() {
  let worker: Worker | null = null;
  let service: Remote<LogAnswers> | null = null;
  let given: Log | null = null;
  const start = () => {
    if (service === null) {
      worker = new Worker(new URL('./log.worker.ts', import.meta.url), { type: 'module' });
      service = wrap<LogAnswers>(worker);
    }
    return service;
  };
  return {
    /** Starts the worker before the first question. */
    warm: () => void start(),
    /** A question on a log; questions are answered in the order in which they are asked. */
    async ask<T>(log: Log, question: (of: Remote<LogAnswers>) => Promise<T>): Promise<T> {
      const asked = start();
      if (given !== log) {
        given = log;
        await asked.give(log);
      }
      return question(asked);
    },
    /** Ends the work at once; the next question starts anew. */
    close() {
      worker?.terminate();
      worker = null;
      service = null;
      given = null;
    },
  };
}
export type LogClient = ReturnType<typeof createLogClient>;
