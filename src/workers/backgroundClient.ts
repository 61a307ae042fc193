import { proxy, type Remote, wrap } from 'comlink';
import type { Compartment, ProfileKey } from '@/core/brief';
import type { BagAnswer, BagItem, CarryAnswer, CarryQuestion, Scenario } from '@/core/carry';
import type { LineupResult, Alternatives, WorthKnowing } from '@/core/lineup';
import type { NextQuestion } from '@/core/next';
import type {
  Buying,
  NextAnswer,
  NextAsk,
  ProfileAnswer,
  RoomAnswer,
  ScenarioAnswer,
} from '@/application';
import { asked, type Posed } from './asked';
import type { LineupService } from './lineup.worker';

export type { Buying, NextAnswer, NextAsk, ProfileAnswer, RoomAnswer, ScenarioAnswer };

const BUDGET_S = 30;
const ONE_ANSWER_BUDGET_S = 10;
const NEXT_BUDGET_S = 60;

/** What is told of work in the background. */
export interface BackgroundReport<T> {
  readonly progress: (done: number) => void;
  readonly done: (found: T) => void;
  readonly failed: (message: string) => void;
}

/** Looks for the lineups beside the best one; returns the way to end the work at once. */
export function findAlternatives(
  question: Posed,
  report: BackgroundReport<Alternatives | null>,
): () => void {
  return inBackground(report, (service, progress) =>
    service.rivals(asked(question), BUDGET_S, progress),
  );
}

/** Works out what each of some profiles would take; returns the way to end the work at once. */
export function compareProfiles(
  question: Posed,
  keys: readonly ProfileKey[],
  report: BackgroundReport<readonly ProfileAnswer[]>,
): () => void {
  return inBackground(report, (service, progress) =>
    service.profiles(asked(question), keys, ONE_ANSWER_BUDGET_S, progress),
  );
}

/** Looks for the unknown figures that could change the lineup; returns the way to end the work at once. */
export function findWorthKnowing(
  question: Posed,
  report: BackgroundReport<WorthKnowing>,
): () => void {
  return inBackground(report, (service, progress) =>
    service.worthKnowing(asked(question), ONE_ANSWER_BUDGET_S, progress),
  );
}

/** How wrong the pictures of a lineup may be; returns the way to end the work at once. */
export function findRoom(
  question: Posed,
  result: LineupResult,
  report: BackgroundReport<RoomAnswer>,
): () => void {
  return inBackground(report, (service) =>
    service.room(asked(question), result, ONE_ANSWER_BUDGET_S),
  );
}

/** Plans the carrying of a lineup; returns the way to end the work at once. */
export function planCarrying(
  question: CarryQuestion,
  result: LineupResult,
  report: BackgroundReport<CarryAnswer>,
): () => void {
  return inBackground(report, (service) => service.carry(question, result));
}

/** Whether blocks go into a bag; returns the way to end the search at once. */
export function searchBag(
  compartments: readonly Compartment[],
  items: readonly BagItem[],
  report: BackgroundReport<BagAnswer>,
): () => void {
  return inBackground(report, (service) => service.bag(compartments, items));
}

/** What is left of a plan when something goes wrong; returns the way to end the work at once. */
export function playScenario(
  question: CarryQuestion,
  result: LineupResult,
  scenario: Scenario,
  report: BackgroundReport<ScenarioAnswer>,
): () => void {
  return inBackground(report, (service) =>
    service.scenario(question, result, scenario, ONE_ANSWER_BUDGET_S),
  );
}

/** Asks over all outings what to buy, sell or exchange; returns the way to end the work at once. */
export function findNext<K extends NextAsk['kind']>(
  question: NextQuestion,
  ask: Extract<NextAsk, { kind: K }>,
  report: BackgroundReport<NextAnswer<K>>,
): () => void {
  return inBackground(report, async (service, progress) => {
    const found = await service.next(question, ask, NEXT_BUDGET_S, progress);
    return found as NextAnswer<K>;
  });
}

/** A worker of its own, so that the answer in sight never waits for it. */
function inBackground<T>(
  report: BackgroundReport<T>,
  work: (service: Remote<LineupService>, progress: (done: number) => void) => Promise<T>,
): () => void {
  const worker = new Worker(new URL('./lineup.worker.ts', import.meta.url), { type: 'module' });
  work(wrap<LineupService>(worker), proxy(report.progress))
    .then(report.done, (error: unknown) =>
      report.failed(error instanceof Error ? error.message : String(error)),
    )
    .finally(() => worker.terminate());
  return () => worker.terminate();
}
