import { withItems } from '@/core/gear';
import { type Choice, choose, lessGot, type Open } from './choose';
import { problemOf, type Problem } from '../problem/problem';
import type { MipSolver } from './mipSolver';
import { aimsOf, BODY_AIMS, LEAST_CROPPED } from '../problem/aims';
import type { LineupQuestion } from '../problem/question';
import { presolve } from '../presolve/presolve';

/**
 * The bodies that come along with a chosen lineup: all that it gets is got as well as before, and then
 * as many as save a change, of these the fewest and lightest. Where the weight of bodies counts they
 * were chosen together with the lenses. Where setups stay on their bodies for a stretch, of those as good
 * hang there by which fewest pictures have to be cropped.
 */
export function withBodies(
  solver: MipSolver,
  question: LineupQuestion,
  problem: Problem,
  choice: Choice,
  timeLimitS: number,
): Choice {
  if (choice.along !== null) return choice;
  const taken = new Set(choice.taken);
  const tied = problemOf(
    { ...question, shelf: withItems(question.shelf, ({ id }) => taken.has(id)) },
    { tied: true, memory: problem.memory, leastCropped: true },
  );
  const presolved = presolve(tied, { forced: taken, keepAll: true });
  const { frames, limits } = tied;
  const last = limits.order.includes('crop') ? [] : LEAST_CROPPED;
  const aims = [...aimsOf(frames, limits), ...BODY_AIMS, ...last];
  // What is got is settled; only where bodies in hand can't get it all is it looked for again.
  const found =
    choose(solver, tied, presolved, timeLimitS, aims, choice) ??
    choose(solver, tied, presolved, timeLimitS, aims);
  const isAsGood = found !== null && lessGot(choice, found).length === 0;
  if (!isAsGood) {
    // A search that was cut before it found anything leaves all of them, and none ruled out.
    const along = problem.choice.bodies.map((b) => b.id);
    const cut: Open = { aim: 'bodies', value: along.length, bound: 0 };
    const open = choice.open ?? (found?.open && along.length > 0 ? cut : null);
    return { ...choice, along, open };
  }
  return { ...choice, uses: found.uses, along: found.along ?? [], open: choice.open ?? found.open };
}
