import { type Remote, wrap } from 'comlink';
import type { LineupQuestion, LineupResult } from '@/core/lineup';
import type { LineupService } from './lineup.worker';

/** The answer in sight: the newest result, whether a newer one is being worked out, what failed. */
export interface Answer {
  readonly result: LineupResult | null;
  /** The question that `result` answers. */
  readonly question: LineupQuestion | null;
  readonly thinking: boolean;
  readonly error: string | null;
}

const TIME_LIMIT_S = 20;

/**
 * Keeps an answer up to date with the newest question. One question is worked on at a time; of
 * those that come meanwhile only the newest is kept, and an answer that is no longer asked for is
 * dropped.
 */
export function createLineupClient(report: (answer: Answer) => void) {
  let worker: Worker | null = null;
  let service: Remote<LineupService> | null = null;
  let waiting: LineupQuestion | null = null;
  let busy = false;
  let answer: Answer = { result: null, question: null, thinking: false, error: null };

  const tell = (change: Partial<Answer>) => {
    answer = { ...answer, ...change };
    report(answer);
  };
  const start = () => {
    worker = new Worker(new URL('./lineup.worker.ts', import.meta.url), { type: 'module' });
    service = wrap<LineupService>(worker);
    return service;
  };
  const work = async () => {
    if (busy) return;
    busy = true;
    while (waiting !== null) {
      const question: LineupQuestion = waiting;
      waiting = null;
      try {
        const { outing, stretches, frames, shelf, limits } = question;
        const asked = { outing, stretches, frames, shelf, limits };
        const result = await (service ?? start()).answer(asked, TIME_LIMIT_S);
        if (waiting === null) tell({ result, question, thinking: false, error: null });
      } catch (error) {
        if (waiting === null) {
          tell({ thinking: false, error: error instanceof Error ? error.message : String(error) });
        }
      }
    }
    busy = false;
  };
  return {
    /** Loads the solver before the first question is there. */
    warm() {
      void (service ?? start()).warm().catch(() => undefined);
    },
    ask(question: LineupQuestion) {
      waiting = question;
      tell({ thinking: true });
      void work();
    },
    close() {
      waiting = null;
      worker?.terminate();
    },
  };
}

export type LineupClient = ReturnType<typeof createLineupClient>;
