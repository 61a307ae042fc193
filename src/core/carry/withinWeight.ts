import {
  type Carried,
  draftOf,
  explain,
  type LineupQuestion,
  type LineupResult,
  type MipSolver,
  solveChoice,
  type SolveOptions,
} from '@/core/lineup';
import { type CarriedWeight, carriedWeight, loadsOf, packedAnyhowG } from './packedWeight';
import { packingList } from './packingList';
import { type CarryQuestion, preferredPlan } from './plan';
import type { Planned } from './tasks';

/** Times that the choice is made again before it is said that weight and plan do not agree. */
const MOST_ROUNDS = 8;

/**
 * The lineup within the limit on all that is carried. What is packed whatever is chosen counts at once,
 * and what a picture asks for (support, headlamp, flash) with the picture, so that giving it up is tried;
 * what follows from the plan (batteries, cards, filters) is weighed, and the choice made again
 * with it until both agree. Only an answer that agrees at once is proven: a later one left out lineups
 * that might have packed less.
 */
export function solveWithinWeight(
  solver: MipSolver,
  question: CarryQuestion,
  options: SolveOptions,
): ReturnType<typeof solveChoice> & { readonly question: LineupQuestion } {
  const limitG = question.limits.maxCarriedWeightG;
  if (limitG === null) return { ...solveChoice(solver, question, options), question };
  const loads = loadsOf(question);
  let packedG = packedAnyhowG(question);
  for (let round = 1; ; round += 1) {
    const asked = { ...question, packedG, loads };
    const solved = solveChoice(solver, asked, options);
    const weighed =
      solved.choice && weigh(question, draftOf(question, solved.problem, solved.choice));
    const carried = weighed && carriedOf(weighed, limitG, round);
    if (carried === null || carried.agrees || round === MOST_ROUNDS)
      return { ...solved, carried, question: asked };
    const got = solved.choice?.got ?? new Set();
    const asking = loads.filter(({ frameIds }) => frameIds.some((id) => got.has(id)));
    const loadG = asking.reduce((sum, load) => sum + load.weightG, 0);
    packedG = Math.max(packedG, carried.packedG - loadG);
  }
}

function weigh(question: CarryQuestion, draft: Planned): CarriedWeight {
  return carriedWeight(question, packingList(question, preferredPlan(question, draft)));
}

function carriedOf(
  { weightG, packedG, unknown }: CarriedWeight,
  limitG: number,
  rounds: number,
): Carried {
  return { limitG, weightG, packedG, unknown, rounds, agrees: weightG <= limitG };
}

/** The whole answer of a question with its packing. */
export function solveCarried(
  solver: MipSolver,
  question: CarryQuestion,
  options: SolveOptions,
): LineupResult {
  const { question: asked, ...solved } = solveWithinWeight(solver, question, options);
  return explain(solver, asked, solved, options);
}
