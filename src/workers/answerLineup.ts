import { type FrameId, type ProfileKey, withProfile } from '@/core/brief';
import {
  afterScenario,
  type CarryAnswer,
  carryAnswer,
  type CarryQuestion,
  lostTo,
  type Scenario,
} from '@/core/carry';
import {
  explain,
  exploreBeside,
  exploreLineup,
  type ExploreOptions,
  type LineupQuestion,
  type LineupResult,
  type LineupRivals,
  solveChoice,
  solveLineup,
} from '@/core/lineup';
import { loadHighsSolver } from './highsSolver';

/** Chooses the lineup with HiGHS and the real clock: for the worker, the route handler and the command line alike. */
export async function answerLineup(
  question: LineupQuestion,
  timeLimitS: number,
): Promise<LineupResult> {
  const solver = await loadHighsSolver();
  return solveLineup(solver, question, { timeLimitS, now: () => performance.now() });
}

/** What each of some profiles would take, one after another. */
export async function answerSchools(
  question: LineupQuestion,
  keys: readonly ProfileKey[],
  timeLimitS: number,
  progress: (done: number) => void = () => undefined,
): Promise<SchoolAnswer[]> {
  const answers: SchoolAnswer[] = [];
  for (const key of keys) {
    const limits = withProfile(question.limits, key);
    const result = await answerLineup({ ...question, limits }, timeLimitS);
    answers.push({ key, result });
    progress(answers.length / keys.length);
  }
  return answers;
}

export interface SchoolAnswer {
  readonly key: ProfileKey;
  readonly result: LineupResult;
}

/** The plan that is left when something goes wrong, and what is lost. */
export async function answerScenario(
  question: CarryQuestion,
  result: LineupResult,
  scenario: Scenario,
  timeLimitS: number,
): Promise<ScenarioAnswer> {
  const left = afterScenario(question, result, scenario);
  const after = await answerLineup(left, timeLimitS);
  return { lost: lostTo(result, after), answer: carryAnswer(left, after) };
}

export interface ScenarioAnswer {
  readonly lost: readonly FrameId[];
  readonly answer: CarryAnswer;
}

/** How much is looked at beside the best lineup. */
const MOST = { mostTies: 12, mostNext: 3, mostPoints: 60, mostOut: 40 } as const;

/** The other lineups, for as long as `budgetS` lasts; what is found by then is given. */
export async function answerRivals(
  question: LineupQuestion,
  budgetS: number,
  progress: (done: number) => void = () => undefined,
): Promise<LineupRivals | null> {
  const solver = await loadHighsSolver();
  return exploreLineup(solver, question, { ...lookingAround(budgetS), progress });
}

/** The best lineup with all that stands beside it, as printed and posted back. */
export async function answerInFull(question: LineupQuestion, timeLimitS: number) {
  const solver = await loadHighsSolver();
  const options = { timeLimitS, now: () => performance.now() };
  const solved = solveChoice(solver, question, options);
  const result = explain(solver, question, solved, options);
  const { field, choice } = solved;
  const rivals =
    choice && exploreBeside(solver, question, field, choice, lookingAround(timeLimitS));
  return { ...result, rivals };
}

/** Looks around for so many seconds. */
function lookingAround(budgetS: number): ExploreOptions {
  const until = performance.now() + budgetS * 1000;
  return { ...MOST, timeLimitS: budgetS, goOn: () => performance.now() < until };
}
