import { type FrameId, type ProfileKey, withProfile } from '@/core/brief';
import {
  afterScenario,
  type CarryAnswer,
  carryAnswer,
  type CarryQuestion,
  lostTo,
  type Scenario,
  solveWithinWeight,
} from '@/core/carry';
import {
  explain,
  exploreBeside,
  type ExploreOptions,
  type LineupQuestion,
  type LineupResult,
  type LineupRivals,
  type MipSolver,
  solveChoice,
  type WorthKnowing,
  worthKnowing,
} from '@/core/lineup';
import { loadHighsSolver } from './highsSolver';

/** A question, with the packing where all that is carried is limited. */
export type Asked = LineupQuestion | CarryQuestion;

const clock = () => performance.now();

function solve(solver: MipSolver, question: Asked, timeLimitS: number) {
  const options = { timeLimitS, now: clock };
  return 'packing' in question
    ? solveWithinWeight(solver, question, options)
    : { ...solveChoice(solver, question, options), question };
}

/** Chooses the lineup with HiGHS and the real clock: for the worker, the route handler and the command line alike. */
export async function answerLineup(question: Asked, timeLimitS: number): Promise<LineupResult> {
  const solver = await loadHighsSolver();
  const { question: asked, ...solved } = solve(solver, question, timeLimitS);
  return explain(solver, asked, solved, { timeLimitS, now: clock });
}

/** What each of some profiles would take, one after another. */
export async function answerSchools(
  question: Asked,
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

/** Most lineups that are worked out to find what is worth knowing. */
const MOST_LINEUPS = 300;

/** The unknown figures that could change the lineup. */
export async function answerWorthKnowing(
  question: Asked,
  timeLimitS: number,
  progress: (done: number) => void = () => undefined,
): Promise<WorthKnowing> {
  const solver = await loadHighsSolver();
  const options = { timeLimitS, now: clock, most: MOST_LINEUPS, progress };
  return worthKnowing(solver, question, options);
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
  question: Asked,
  budgetS: number,
  progress: (done: number) => void = () => undefined,
): Promise<LineupRivals | null> {
  const solver = await loadHighsSolver();
  const { question: asked, field, choice } = solve(solver, question, budgetS);
  const until = clock() + budgetS * 1000;
  const options = { ...withinWork(solver), progress, timeLimitS: budgetS };
  const goOn = () => clock() < until && options.goOn();
  return choice && exploreBeside(solver, asked, field, choice, { ...options, goOn });
}

/** Work, in simplex steps times columns, after which no more is looked for beside the best lineup. */
const MOST_WORK = 2e9;

/** Looks around until so much work is done: the same on every machine. */
function withinWork(solver: MipSolver) {
  const start = solver.work?.() ?? 0;
  const goOn = () => (solver.work?.() ?? 0) - start < MOST_WORK;
  return { ...MOST, timeLimitS: Infinity, goOn } satisfies ExploreOptions;
}

/**
 * The best lineup with all that stands beside it, as printed and posted back. Limited by work and by no
 * clock, and without times, so that the same file gives the same bytes.
 */
export async function answerInFull(question: Asked) {
  const solver = await loadHighsSolver();
  const { question: asked, ...solved } = solve(solver, question, Infinity);
  const explained = explain(solver, asked, solved, { timeLimitS: Infinity, now: clock });
  const { field, choice } = solved;
  const rivals = choice && exploreBeside(solver, asked, field, choice, withinWork(solver));
  return { ...explained, timing: undefined, rivals };
}
