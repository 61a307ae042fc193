import {
  aimsOf,
  costsOf,
  alternativesOf,
  problemOf,
  type LineupQuestion,
  type MipSolver,
  modelOf,
  presolve,
  solveChoice,
  solveLineup,
} from '@/core/lineup';
import { CoverageMemory } from '@/core/coverage';
import { loadHighsSolver } from '@/solver';
import { carryAnswer, fewestChanges } from '@/core/carry';
import { benchBrowser, benchGround, benchLog, benchSheetPage } from './browser';
import { benchBands } from './ground';
import { benchHindsight } from './log';
import { benchNext } from './next';
import { carryOuting, demoOuting, hardShifts, outingOf, stationsOuting } from './outings';
import { PEERS } from './peers';

/** One JSON line for each figure: medians over several runs, after warm-up runs that do not count. */

const TIME_LIMIT_S = 60;
const WARM_UP = 30;
const WARM = 'solver loaded and code warm; nothing of an earlier answer is kept between runs';

const solver = await loadHighsSolver();
const options = { timeLimitS: TIME_LIMIT_S, now: () => performance.now() };

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? NaN;
}

function report(name: string, value: number, unit: string, runs: number, note: string): void {
  const rounded = Number(value.toPrecision(4));
  console.log(JSON.stringify({ name, value: rounded, unit, runs, note }));
}

/** Modelling and solving of one question after another, ms: what an edit has to wait for. */
function replan(
  questionOf: (run: number) => LineupQuestion,
  runs: number,
  memory?: CoverageMemory,
) {
  const warmUp = Math.min(WARM_UP, runs);
  const timings: { model: number; solve: number; whole: number }[] = [];
  for (let i = 0; i < runs + warmUp; i += 1) {
    const { choice, timing } = solveChoice(solver, questionOf(i), { ...options, memory });
    if (choice === null || choice.open !== null) throw new Error('not proven');
    if (i < warmUp) continue;
    const { modelMs: model, solveMs: solve } = timing;
    timings.push({ model, solve, whole: model + solve });
  }
  return {
    model: median(timings.map((t) => t.model)),
    solve: median(timings.map((t) => t.solve)),
    whole: median(timings.map((t) => t.whole)),
  };
}

function reportReplan(name: string, question: LineupQuestion, runs: number, what: string): void {
  const { model, solve, whole } = replan(() => question, runs);
  report(name, whole, 'ms', runs, `${what}, modelling, choice and proof; ${WARM}`);
  report(`${name}.model`, model, 'ms', runs, 'setups, cells and reduction');
  report(`${name}.solve`, solve, 'ms', runs, 'choice by all aims, and proof');
  const edited = (run: number): LineupQuestion => ({
    ...question,
    frames: question.frames.map((f, i) => (i === 0 ? { ...f, note: `edit ${run}` } : f)),
  });
  const edit = replan(edited, runs, new CoverageMemory());
  const kept =
    'one picture edited; what other pictures ask of each setup is kept, as in the worker';
  report(`${name}.edit`, edit.whole, 'ms', runs, `${what}, ${kept}`);
  report(
    `${name}.edit.model`,
    edit.model,
    'ms',
    runs,
    'setups, the edited picture, cells and reduction',
  );
}

/** The same aims on the model with every lens, by the same solver, against the reduced one. */
function againstUnreduced(question: LineupQuestion): { ratio: number; ended: boolean } {
  const problem = problemOf(question);
  const time = (keepAll: boolean) => {
    const started = performance.now();
    let ended = true;
    try {
      solveModel(solver, question, presolve(problem, { keepAll }), problem);
    } catch (error) {
      if (!(error instanceof Error) || !error.message.endsWith('time-limit')) throw error;
      ended = false;
    }
    return { ms: performance.now() - started, ended };
  };
  time(false);
  const presolved = time(false);
  const whole = time(true);
  return { ratio: whole.ms / presolved.ms, ended: whole.ended };
}

function solveModel(
  by: MipSolver,
  question: LineupQuestion,
  presolved: ReturnType<typeof presolve>,
  problem: ReturnType<typeof problemOf>,
  aims = aimsOf(question.frames, question.limits),
): number[] {
  const model = modelOf(problem, presolved);
  const session = by.open(model.mip);
  try {
    const values: number[] = [];
    for (const aim of aims) {
      const costs = costsOf(aim, model);
      if (costs.every((c) => c === 0)) continue;
      const outcome = session.minimise(costs, TIME_LIMIT_S);
      if (outcome.kind !== 'optimal') throw new Error(`${by.name}: ${outcome.kind}`);
      values.push(outcome.objective);
      session.hold({ costs, value: outcome.objective });
    }
    return values;
  } finally {
    session.close();
  }
}

/** Other packages on the same reduced model: their time over ours, and whether the optimum agrees. */
function againstPeers(question: LineupQuestion, runs: number): void {
  const problem = problemOf(question);
  const presolved = presolve(problem);
  // The aims that decide what is got with how many pieces; others lose their way among held rows.
  const aims = aimsOf(question.frames, question.limits).filter(({ name }) =>
    ['musts', 'wants', 'pieces'].includes(name),
  );
  const time = (by: MipSolver) => {
    const started = performance.now();
    const values = solveModel(by, question, presolved, problem, aims);
    return { values, ms: performance.now() - started };
  };
  for (const peer of PEERS) {
    const name = `peer.${peer.name}.ratio`;
    try {
      time(solver);
      const ratios: number[] = [];
      let agree = true;
      for (let i = 0; i < runs; i += 1) {
        const ours = time(solver);
        const theirs = time(peer);
        ratios.push(theirs.ms / ours.ms);
        agree &&= ours.values.every((v, k) => Math.abs(v - (theirs.values[k] ?? NaN)) < 1e-4);
      }
      const note = `${peer.name} over HiGHS on the same reduced model, musts, wants and pieces; optimum ${agree ? 'agrees' : 'DIFFERS'}`;
      report(name, median(ratios), '1', runs, note);
    } catch (error) {
      const why = error instanceof Error ? error.message : String(error);
      const note = `did not solve the model that HiGHS solves: ${why}`;
      console.log(JSON.stringify({ name, value: null, unit: '1', runs: 0, note }));
    }
  }
}

function explore(question: LineupQuestion, runs: number): void {
  const times: number[] = [];
  let points = 0;
  let told = 0;
  for (let i = 0; i < runs + 1; i += 1) {
    let from = 0;
    let to = 0;
    const alternatives = alternativesOf(solver, question, {
      timeLimitS: TIME_LIMIT_S,
      mostTies: 0,
      mostNext: 0,
      mostPoints: 200,
      mostOut: 0,
      progress: (done) => {
        told += 1;
        if (done < 0.405) from = performance.now();
        if (done <= 0.7) to = performance.now();
      },
    });
    points = alternatives?.tradeOff.points.length ?? 0;
    if (!alternatives?.tradeOff.complete) throw new Error('the curve is not complete');
    if (i > 0) times.push(to - from);
  }
  report(
    'tradeoff.typical',
    median(times),
    'ms',
    runs,
    `all ${points} points, each proven; ${told} progress reports; ${WARM}`,
  );
}

/** The plan of carrying for six stretches, two shooters, four bodies and ten lenses. */
function carry(runs: number): void {
  const question = carryOuting();
  const result = solveLineup(solver, question, options);
  const times: number[] = [];
  let proven = true;
  for (let i = 0; i < runs + 2; i += 1) {
    const started = performance.now();
    const { plan } = carryAnswer(question, result);
    if (i >= 2) times.push(performance.now() - started);
    proven &&= plan.proven;
  }
  const { lineup } = result;
  report(
    'carry.plan',
    median(times),
    'ms',
    runs,
    `${question.stretches.length} stretches, 2 shooters, ${question.shelf.bodies.length} bodies, ${lineup.lensIds.length} lenses; both preferences, in order and in any order; ${proven ? 'proven' : 'NOT PROVEN'}`,
  );
}

/** Three people, four cameras, 12 lenses, eight stretches, 60 pictures, 20 of them in any stretch. */
function carryHard(runs: number): void {
  const shifts = hardShifts();
  const known = fewestChanges(shifts, { anyOrder: new Set() });
  for (const isFree of [false, true]) {
    const anyOrder = new Set(isFree ? shifts.keys() : []);
    const times: number[] = [];
    let said = '';
    for (let i = 0; i < runs + 1; i += 1) {
      const started = performance.now();
      const { changes, atLeast, proven } = fewestChanges(
        shifts,
        isFree ? { anyOrder, known } : { anyOrder },
      );
      if (i > 0) times.push(performance.now() - started);
      said = proven ? `${changes} changes, proven` : `${changes} changes, at least ${atLeast}`;
    }
    const order = isFree ? 'anyOrder' : 'inOrder';
    report(`carry.hard.${order}`, median(times), 'ms', runs, said);
  }
}

const typical = () => outingOf(40, 20, 4);
const large = () => outingOf(1000, 60, 6);

function reportBands(): void {
  const runs = Array.from({ length: 5 }, benchBands);
  report(
    'ground.bands',
    median(runs.map(({ ms }) => ms)),
    'ms',
    runs.length,
    `${runs[0]!.places} places on a plan with 20 subjects and 30 obstacles, each told whether it makes a picture`,
  );
}

/** The parts of the run, in order; named on the command line, only those run. */
const PARTS: readonly (readonly [string, () => void | Promise<void>])[] = [
  ['carry', () => carry(9)],
  ['carryHard', () => carryHard(5)],
  ['demo', () => reportReplan('replan.demo', demoOuting(), 15, 'the demo outing')],
  [
    'typical',
    () =>
      reportReplan('replan.typical', typical(), 25, '40 lenses, 4 bodies, 20 frames, 4 stretches'),
  ],
  [
    'stations',
    () =>
      reportReplan(
        'replan.stations',
        stationsOuting(),
        15,
        'the typical outing, every picture from six stations',
      ),
  ],
  ['bands', reportBands],
  ['ground', () => benchGround(report, median)],
  ['large', () => reportReplan('replan.large', large(), 5, '1,000 lenses, 60 frames, 6 stretches')],
  ['peers', () => againstPeers(typical(), 3)],
  ['tradeoff', () => explore(typical(), 5)],
  ['hindsight', () => benchHindsight(report, median)],
  ['browser', () => benchBrowser(report, median)],
  ['next', () => benchNext(solver, report, median)],
  ['sheet', () => benchSheetPage(report, median)],
  ['log', () => benchLog(report, median)],
  ['growth', growth],
  ['unreduced', unreduced],
];

function growth(): void {
  for (const [lenses, runs] of [
    [100, 5],
    [300, 5],
    [1000, 3],
    [3000, 1],
  ] as const) {
    const question = outingOf(lenses, 60, 6);
    const { whole } = replan(() => question, runs);
    report(
      `replan.growth.${lenses}`,
      whole,
      'ms',
      runs,
      `${lenses} lenses, 60 frames, 6 stretches`,
    );
  }
}

function unreduced(): void {
  const { ratio, ended } = againstUnreduced(large());
  const note =
    'time of all aims on the model with every lens over that on the reduced one, reduction included';
  const atLeast = `; at least, since one aim of the model with every lens did not end within ${TIME_LIMIT_S} s`;
  report('replan.large.vsUnreduced', ratio, '1', 1, ended ? note : `${note}${atLeast}`);
}

const wanted = new Set(process.argv.slice(2));
for (const [name, part] of PARTS) if (wanted.size === 0 || wanted.has(name)) await part();
