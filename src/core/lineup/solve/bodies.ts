import { withPieces } from '@/core/gear';
import { type Choice, choose } from './choose';
import { fieldOf, type Field } from '../problem/problem';
import type { MipSolver } from './mipSolver';
import { aimsOf, BODY_AIMS } from '../problem/aims';
import type { LineupQuestion } from '../problem/question';
import { reduce } from '../presolve/presolve';

/**
 * The bodies that come along with a chosen lineup: all that it gets is got as well as before, and then
 * as many as save a change, of these the fewest and lightest. Where the weight of bodies counts they
 * were chosen together with the lenses.
 */
export function withBodies(
  solver: MipSolver,
  question: LineupQuestion,
  field: Field,
  choice: Choice,
  timeLimitS: number,
): Choice {
  if (choice.along !== null) return choice;
  const taken = new Set(choice.taken);
  const tied = fieldOf(
    { ...question, shelf: withPieces(question.shelf, ({ id }) => taken.has(id)) },
    true,
  );
  const reduced = reduce(tied, { forced: taken, keepAll: true });
  const aims = [...aimsOf(tied.frames, tied.limits), ...BODY_AIMS];
  const found = choose(solver, tied, reduced, timeLimitS, aims);
  const isAsGood = found !== null && [...choice.got].every((id) => found.got.has(id));
  if (!isAsGood) {
    const open = choice.open ?? found?.open ?? null;
    return { ...choice, along: field.choice.bodies.map((b) => b.id), open };
  }
  return { ...choice, uses: found.uses, along: found.along ?? [], open: choice.open ?? found.open };
}
