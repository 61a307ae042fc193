import type { LineupQuestion } from '@/core/lineup';
import { answerLineup } from '@/workers/answerLineup';
import { demoOuting, outingOf } from './outings';

/** One JSON line for each figure: medians over several runs, after warm-up runs that do not count. */

const TIME_LIMIT_S = 60;
const RUNS = 9;
const WARM_UP = 3;

function report(name: string, values: readonly number[], note: string): void {
  const sorted = [...values].sort((a, b) => a - b);
  const value = Number((sorted[Math.floor(sorted.length / 2)] ?? NaN).toFixed(1));
  console.log(JSON.stringify({ name, value, unit: 'ms', runs: values.length, note }));
}

async function measure(
  name: string,
  question: LineupQuestion,
  note: string,
  runs = RUNS,
): Promise<void> {
  const timings = [];
  for (let i = 0; i < runs + WARM_UP; i += 1) {
    const { timing, status } = await answerLineup(question, TIME_LIMIT_S);
    if (status !== 'proven') throw new Error(`${name} was not proven`);
    if (i >= WARM_UP) timings.push(timing);
  }
  report(
    name,
    timings.map((t) => t.totalMs),
    `${note}; all reasons included`,
  );
  report(
    `${name}.model`,
    timings.map((t) => t.modelMs),
    'setups and cells',
  );
  report(
    `${name}.solve`,
    timings.map((t) => t.solveMs),
    'reduction, choice by all aims, proof',
  );
}

const WARM = `solver loaded, ${WARM_UP} runs before; nothing else is kept between runs`;
await measure('replan.demo', demoOuting(), `the demo outing; ${WARM}`);
await measure('replan.typical', outingOf(40, 20), `40 lenses, 4 bodies, 20 frames; ${WARM}`);
for (const lenses of [100, 300, 1000, 3000]) {
  await measure(
    `replan.growth.${lenses}`,
    outingOf(lenses, 60),
    `${lenses} lenses, 60 frames; ${WARM}`,
    3,
  );
}
