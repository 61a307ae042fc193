import { type Remote, wrap } from 'comlink';
import type { LineupQuestion, LineupResult } from '@/core/lineup';
import { asked, type Posed } from './asked';
import type { LineupService } from './lineup.worker';

/** Why there is no answer: the time was over, or the worker failed, with what it said. */
export type AnswerProblem =
  | { readonly code: 'out-of-time'; readonly timeLimitS: number }
  | { readonly code: 'failed'; readonly message: string };

/** The answer in sight: the newest result, whether a newer one is being worked out, what failed. */
export interface Answer {
  readonly result: LineupResult | null;
  /** The question that `result` answers. */
  readonly question: LineupQuestion | null;
  readonly thinking: boolean;
  readonly error: AnswerProblem | null;
}

const TIME_LIMIT_S = 20;

/** How long a question that is no longer asked may still be worked on, ms: starting anew takes about as long. */
const PATIENCE_MS = 2500;

/**
 * Keeps an answer up to date with the newest question. One question is worked on at a time; of
 * those that come meanwhile only the newest is kept, and an answer that is no longer asked for is
 * dropped. What takes long for a question that nobody asks any more is ended with its worker.
 */
export function createLineupClient(report: (answer: Answer) => void) {
  let worker: Worker | null = null;
  let service: Remote<LineupService> | null = null;
  let waiting: Posed | null = null;
  /** Ends the work on the question in hand; null while there is none. */
  let giveUp: (() => void) | null = null;
  let impatient: ReturnType<typeof setTimeout> | undefined;
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
  const end = () => {
    worker?.terminate();
    worker = null;
    service = null;
  };
  /** The answer to one question, unless it is given up. */
  const answerTo = (question: Posed) => {
    const givenUp = new Promise<null>((resolve) => {
      giveUp = () => {
        end();
        resolve(null);
      };
    });
    return Promise.race([(service ?? start()).answer(asked(question), TIME_LIMIT_S), givenUp]);
  };
  const work = async () => {
    if (giveUp !== null) return;
    while (waiting !== null) {
      const question: Posed = waiting;
      waiting = null;
      try {
        const result = await answerTo(question);
        if (result !== null && waiting === null)
          tell({ result, question, thinking: false, error: null });
      } catch (error) {
        if (waiting === null) {
          tell({ thinking: false, error: problemOf(error) });
        }
      }
      clearTimeout(impatient);
      impatient = undefined;
    }
    giveUp = null;
  };
  return {
    /** Loads the solver before the first question is there. */
    warm() {
      void (service ?? start()).warm().catch(() => undefined);
    },
    ask(question: Posed) {
      waiting = question;
      tell({ thinking: true });
      if (giveUp !== null) impatient ??= setTimeout(() => giveUp?.(), PATIENCE_MS);
      void work();
    },
    close() {
      waiting = null;
      clearTimeout(impatient);
      end();
    },
  };
}

function problemOf(error: unknown): AnswerProblem {
  if (!(error instanceof Error)) return { code: 'failed', message: String(error) };
  return error.name === 'OutOfTime'
    ? { code: 'out-of-time', timeLimitS: TIME_LIMIT_S }
    : { code: 'failed', message: error.message };
}

export type LineupClient = ReturnType<typeof createLineupClient>;
