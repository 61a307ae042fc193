import { type LineupQuestion, type LineupResult, type MipSolver, solveLineup } from '@/core/lineup';

/** Solves with time enough and no clock. */
export const solveWith = (solver: MipSolver, question: LineupQuestion): LineupResult =>
  solveLineup(solver, question, { timeLimitS: 30, now: () => 0 });

/** The ids of everything in the lineup. */
export const takenOf = ({ lineup }: LineupResult): ReadonlySet<string> =>
  new Set(Object.values(lineup).flatMap((ids) => [...ids]));
