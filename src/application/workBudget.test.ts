import { readFileSync, writeFileSync } from 'node:fs';
import { carryAnswer, fewestChanges } from '@/core/carry';
import { Course } from '@/core/carry/course';
import * as coverage from '@/core/coverage/coveredRange';
import { type LineupQuestion, type MipSolver, sessionWith, solveLineup } from '@/core/lineup';
import type { OutingFile } from '@/document';
import { outingFromStarter, STARTERS } from '@/document/starters';
import { loadHighsSolver } from '@/solver';
import { STARTER_TEXTS } from '@/text';
import { carryOuting, demoOuting, hardShifts, outingOf, stationsOuting } from '../../bench/outings';

/**
 * What an answer costs in counts that are the same on every machine. Speed that nobody counts is lost:
 * more than 5 % above a budget fails, and a change that needs more raises it in the commit that says why.
 *
 *   RAISE_BUDGETS=1 npx jest src/application/workBudget.test.ts   writes what is counted now
 */
const BUDGETS = 'src/application/workBudgets.json';
const MOST_ABOVE = 1.05;

jest.mock('@/core/coverage/coveredRange', () => {
  const actual = jest.requireActual<typeof coverage>('@/core/coverage/coveredRange');
  return {
    ...actual,
    coveredRange: jest.fn(actual.coveredRange),
    coversSomewhere: jest.fn(actual.coversSomewhere),
  };
});

interface Work {
  /** Models opened by the solver, and objectives minimised. */
  readonly sessions?: number;
  readonly minimisations?: number;
  /** Simplex steps times columns, in thousands. */
  readonly steps?: number;
  /** Pairs of setup and framing of a picture evaluated. */
  readonly pairs?: number;
  /** States of the plan of carrying for which a bound was asked. */
  readonly states?: number;
}

function counting(solver: MipSolver) {
  const count = { sessions: 0, minimisations: 0 };
  const counted: MipSolver = {
    ...solver,
    work: () => solver.work?.() ?? 0,
    open(model) {
      count.sessions += 1;
      const session = solver.open(model);
      return sessionWith(session, {
        minimise: (...args) => {
          count.minimisations += 1;
          return session.minimise(...args);
        },
      });
    },
  };
  return { count, counted };
}

const pairsEvaluated = () =>
  [coverage.coveredRange, coverage.coversSomewhere].reduce(
    (sum, each) => sum + (each as jest.Mock).mock.calls.length,
    0,
  );

async function workOf(question: LineupQuestion): Promise<Work> {
  const solver = await loadHighsSolver();
  const { count, counted } = counting(solver);
  jest.clearAllMocks();
  const before = solver.work?.() ?? 0;
  solveLineup(counted, question, { timeLimitS: 300, now: () => 0 });
  const steps = Math.round(((solver.work?.() ?? 0) - before) / 1000);
  return { ...count, steps, pairs: pairsEvaluated() };
}

/** States that a plan asks a bound of. */
function statesOf(plan: () => unknown): Work {
  const asked = jest.spyOn(Course.prototype, 'leastToCome');
  plan();
  const states = asked.mock.calls.length;
  asked.mockRestore();
  return { states };
}

const starter = (key: string): OutingFile => {
  const found = STARTERS.find((s) => s.key === key)!;
  const { shelf } = demoOuting();
  const from = { shelf, atHand: shelf, currency: 'EUR' };
  return outingFromStarter(found, STARTER_TEXTS[found.key], from);
};

const PLANS = {
  plan: async () => {
    const question = carryOuting();
    const result = solveLineup(await loadHighsSolver(), question, {
      timeLimitS: 300,
      now: () => 0,
    });
    return statesOf(() => carryAnswer(question, result));
  },
  hard: async () => statesOf(() => fewestChanges(hardShifts(), { anyOrder: new Set() })),
};

const OUTINGS: readonly (readonly [string, () => Promise<Work>])[] = [
  ['three pictures, 20 lenses', () => workOf(outingOf(20, 3, 1))],
  ['the demo', () => workOf(demoOuting())],
  ['typical: 40 lenses, 20 pictures, 4 stretches', () => workOf(outingOf(40, 20, 4))],
  ['typical, every picture from six stations', () => workOf(stationsOuting())],
  ['100 lenses, 30 pictures, 4 stretches', () => workOf(outingOf(100, 30, 4))],
  ['300 lenses, 40 pictures, 6 stretches', () => workOf(outingOf(300, 40, 6))],
  ['large: 1,000 lenses, 60 pictures, 6 stretches', () => workOf(outingOf(1000, 60, 6))],
  ...STARTERS.slice(0, 4).map(({ key }) => [`starter ${key}`, () => workOf(starter(key))] as const),
  ['the plan of six stretches with two shooters', PLANS.plan],
  ['the plan of three people, 60 pictures, in order', PLANS.hard],
];

const raised: Record<string, Work> = {};
const budgets = JSON.parse(readFileSync(BUDGETS, 'utf8')) as Readonly<Record<string, Work>>;

test.each(OUTINGS)('the work for %s keeps to its budget', async (name, count) => {
  const work = await count();
  raised[name] = work;
  if (process.env.RAISE_BUDGETS) return;
  const budget = budgets[name];
  const above = Object.entries(work).filter(
    ([what, n]: [string, number]) => n > MOST_ABOVE * (budget?.[what as keyof Work] ?? 0),
  );
  expect({ name, above, budget }).toEqual({ name, above: [], budget });
});

afterAll(() => {
  if (process.env.RAISE_BUDGETS) writeFileSync(BUDGETS, `${JSON.stringify(raised, null, 2)}\n`);
});
