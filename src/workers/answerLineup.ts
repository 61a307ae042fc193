import { type LineupQuestion, type LineupResult, solveLineup } from '@/core/lineup';
import { loadHighsSolver } from './highsSolver';

/** Chooses the lineup with HiGHS and the real clock: for the worker, the route handler and the command line alike. */
export async function answerLineup(
  question: LineupQuestion,
  timeLimitS: number,
): Promise<LineupResult> {
  const solver = await loadHighsSolver();
  return solveLineup(solver, question, { timeLimitS, now: () => performance.now() });
}
