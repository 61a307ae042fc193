import {
  type BuyingPath,
  buyingPath,
  type BuyOnce,
  buyOnce,
  fieldOf,
  type Missing,
  missing,
  type NextQuestion,
  type NextRun,
  type OneStep,
  oneStep,
  type PathTerms,
  type Selling,
  selling,
  type Swapping,
  swapping,
  withChanges,
} from '@/core/next';
import { deadlineIn, earlier } from '@/core/lineup';
import { loadHighsSolver } from '@/solver';

/** What may be asked over all outings. */
export type NextAsk =
  | { readonly kind: 'missing' }
  | { readonly kind: 'step' }
  | { readonly kind: 'buy'; readonly budget: number | null; readonly path: PathTerms }
  | { readonly kind: 'sell' }
  | { readonly kind: 'swap'; readonly money: number };

/** Buying at once beside one piece at a time; null where time ran out before anything was found. */
export interface Buying {
  readonly once: BuyOnce | null;
  readonly path: BuyingPath | null;
}

interface NextFound {
  /** null where time ran out before anything was found. */
  readonly missing: Missing | null;
  readonly step: OneStep;
  readonly buy: Buying;
  readonly sell: Selling;
  readonly swap: Swapping;
}
export type NextAnswer<K extends NextAsk['kind']> = NextFound[K];

/** Of the time, what buying at once may take where a path is looked for too. */
const ONCE_SHARE = 0.4;

/**
 * Answers one question over all outings with HiGHS and the real clock.
 *
 * @throws {OutOfTime} when the time is over before anything can be said
 */
export async function answerNext<K extends NextAsk['kind']>(
  question: NextQuestion,
  ask: Extract<NextAsk, { kind: K }>,
  timeLimitS: number,
  progress: (share: number) => void = () => undefined,
): Promise<NextAnswer<K>> {
  const solver = await loadHighsSolver();
  const now = () => performance.now();
  const run: NextRun = { solver, now, deadline: deadlineIn(timeLimitS, now), progress };
  return found(question, ask, run) as NextAnswer<K>;
}

function found(question: NextQuestion, ask: NextAsk, run: NextRun): NextFound[NextAsk['kind']] {
  if (ask.kind === 'missing') return missing(question, run);
  const field = fieldOf(question);
  if (ask.kind === 'step') return withChanges(field, oneStep(field, run), run);
  if (ask.kind === 'sell') return selling(field, run);
  if (ask.kind === 'swap') return swapping(field, ask.money, run);
  const first: NextRun = {
    ...run,
    deadline: earlier(run.deadline, ONCE_SHARE),
    progress: (share) => run.progress(ONCE_SHARE * share),
  };
  const once = buyOnce(field, ask.budget, first);
  const then = (share: number) => run.progress(ONCE_SHARE + (1 - ONCE_SHARE) * share);
  return { once, path: buyingPath(field, ask.path, { ...run, progress: then }) };
}
