import { type FrameId, hasReserve, NO_RESERVE, type ProfileKey, withProfile } from '@/core/brief';
import {
  afterScenario,
  type CarryAnswer,
  carryAnswer,
  type CarryQuestion,
  lostTo,
  packingList,
  type Scenario,
  solveWithinWeight,
} from '@/core/carry';
import { CoverageMemory } from '@/core/coverage';
import {
  type Choice,
  type Deadline,
  deadlineIn,
  explain,
  exploreAlternatives,
  type ExploreOptions,
  type Fragile,
  howWrong,
  type HowWrongAll,
  mostFragile,
  type Problem,
  finishingBy,
  type LineupQuestion,
  type LineupResult,
  type Alternatives,
  type MipSolver,
  solveChoice,
  type WorthKnowing,
  worthKnowing,
} from '@/core/lineup';
import { loadHighsSolver } from '@/solver';

/** A question, with the packing where all that is carried is limited. */
export type AnyQuestion = LineupQuestion | CarryQuestion;

const clock = () => performance.now();

/** How long an answer may take, by one deadline for all its steps. */
const timed = (timeLimitS: number) => ({
  timeLimitS,
  now: clock,
  deadline: deadlineIn(timeLimitS, clock),
});

function solve(solver: MipSolver, question: AnyQuestion, options: ReturnType<typeof timed>) {
  return 'packing' in question
    ? solveWithinWeight(solver, question, options)
    : { ...solveChoice(solver, question, options), question };
}

/**
 * Chooses the lineup with HiGHS and the real clock.
 *
 * @param memory of earlier questions about the same gear, see `rememberingGear`
 * @throws {OutOfTime} when the outing is too large for anything to be chosen in this time
 */
export async function answerLineup(
  question: AnyQuestion,
  timeLimitS: number,
  memory?: CoverageMemory,
): Promise<LineupResult> {
  const solver = await loadHighsSolver();
  const options = { ...timed(timeLimitS), memory };
  const { question: asked, ...solved } = solve(solver, question, options);
  return explain(solver, asked, solved, options);
}

/**
 * Answers one question after another; as long as the gear and the limits stay as they are, an edit only
 * costs the pictures that it touches.
 */
export function rememberingGear(): (
  question: AnyQuestion,
  timeLimitS: number,
) => Promise<LineupResult> {
  let known = { of: '', memory: new CoverageMemory() };
  return (question, timeLimitS) => {
    const of = JSON.stringify([question.shelf, { ...question.limits, order: [] }]);
    if (of !== known.of) known = { of, memory: new CoverageMemory() };
    return answerLineup(question, timeLimitS, known.memory);
  };
}

/** What each of some profiles would take, one after another. */
export async function answerProfiles(
  question: AnyQuestion,
  keys: readonly ProfileKey[],
  timeLimitS: number,
  progress: (done: number) => void = () => undefined,
): Promise<ProfileAnswer[]> {
  const answers: ProfileAnswer[] = [];
  for (const key of keys) {
    const limits = withProfile(question.limits, key);
    const result = await answerLineup({ ...question, limits }, timeLimitS);
    answers.push({ key, result });
    progress(answers.length / keys.length);
  }
  return answers;
}

export interface ProfileAnswer {
  readonly key: ProfileKey;
  readonly result: LineupResult;
}

/** Most lineups that are worked out to find what is worth knowing. */
const MOST_LINEUPS = 300;

/** The unknown figures that could change the lineup. */
export async function answerWorthKnowing(
  question: AnyQuestion,
  timeLimitS: number,
  progress: (done: number) => void = () => undefined,
): Promise<WorthKnowing> {
  const solver = await loadHighsSolver();
  const options = { timeLimitS, now: clock, most: MOST_LINEUPS, progress };
  return worthKnowing(solver, question, options);
}

/** Most pictures that are named as lost first. */
const MOST_FRAGILE = 3;

/** How wrong the pictures of a lineup may be, and what it would be with nothing in reserve. */
export async function answerRoom(
  question: AnyQuestion,
  result: LineupResult,
  timeLimitS: number,
): Promise<RoomAnswer> {
  const { limits } = question;
  const { leftS } = deadlineIn(timeLimitS, clock);
  const all = howWrong(question, result, () => leftS() > 0);
  const fragile = mostFragile(question, result, all, MOST_FRAGILE);
  if (!hasReserve(limits.reserve)) return { all, fragile, without: null };
  const plain = { ...question, limits: { ...limits, reserve: NO_RESERVE } };
  return { all, fragile, without: await answerLineup(plain, timeLimitS) };
}

export interface RoomAnswer {
  readonly all: HowWrongAll;
  readonly fragile: readonly Fragile[];
  /** The lineup with nothing in reserve; null where nothing is. */
  readonly without: LineupResult | null;
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
export async function answerAlternatives(
  question: AnyQuestion,
  budgetS: number,
  progress: (done: number) => void = () => undefined,
): Promise<Alternatives | null> {
  const solver = await loadHighsSolver();
  const options = timed(budgetS);
  const { question: asked, problem, choice } = solve(solver, question, options);
  return choice && lookForAlternatives(solver, asked, problem, choice, options.deadline, progress);
}

/** Work, in simplex steps times columns, after which no more is looked for beside the best lineup. */
const MOST_WORK = 2e9;

/** Looks around until so much work is done, which is the same on every machine, or the time is over. */
function lookForAlternatives(
  solver: MipSolver,
  asked: LineupQuestion,
  problem: Problem,
  choice: Choice,
  deadline: Deadline,
  progress?: (done: number) => void,
): Alternatives {
  const start = solver.work?.() ?? 0;
  const goOn = () => deadline.leftS() > 0 && (solver.work?.() ?? 0) - start < MOST_WORK;
  const options: ExploreOptions = {
    ...MOST,
    timeLimitS: Infinity,
    goOn,
    ...(progress ? { progress } : {}),
  };
  return exploreAlternatives(finishingBy(deadline, solver), asked, problem, choice, options);
}

/** How long an answer that is printed or posted back may take where nothing else is said, s. */
export const USUAL_TIME_S = 20;
/** The longest that may be asked for, s. */
export const LONGEST_TIME_S = 300;

/**
 * The best lineup with all that stands beside it, as printed and posted back: for the route handler
 * and the command line alike. Limited by work, and without times, so that the same file gives the same
 * bytes; where the time runs out first the answer says so.
 *
 * @throws {OutOfTime} when the outing is too large for anything to be chosen in this time
 */
export async function answerInFull(question: AnyQuestion, timeLimitS: number) {
  const solver = await loadHighsSolver();
  const options = timed(timeLimitS);
  const { question: asked, ...solved } = solve(solver, question, options);
  const explained = explain(solver, asked, solved, options);
  const { problem, choice } = solved;
  const alternatives =
    choice && lookForAlternatives(solver, asked, problem, choice, options.deadline);
  return { ...explained, timing: undefined, rivals: alternatives };
}

/**
 * The lineup with the plan of carrying it and its packing list, as printed and posted back. `atLeast`
 * is the number of changes that no plan can do without: the same as `changes` where it is proven.
 *
 * @throws {OutOfTime} when the outing is too large for anything to be chosen in this time
 */
export async function answerDay(question: CarryQuestion, timeLimitS: number) {
  const result = await answerLineup(question, timeLimitS);
  const { plan, changesInOrder, changesAnyOrder } = carryAnswer(question, result);
  const { status, lineup, bodies } = result;
  return {
    format: 'armreach-carry',
    version: 1,
    ...{ status, lineup, bodies },
    ...plan,
    ...{ changesInOrder, changesAnyOrder },
    packing: packingList(question, plan),
  };
}
