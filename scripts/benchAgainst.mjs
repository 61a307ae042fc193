import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { bundleBench } from './bundleBench.mjs';
import { run, runQuietly } from './steps.mjs';

/** Where the other state is checked out: below the project, so that it finds the same packages. */
const THERE = '.bench/against';
const ROUNDS = 2;
/** What is compared where nothing else is said: all that needs no browser. */
const USUAL = ['demo', 'typical', 'large', 'tradeoff', 'carry', 'next', 'hindsight'];

/**
 * Runs parts of the benchmark on another state and on this one in turns, and prints their medians, the
 * ratio and the noise. A part that fails is named, and the others go on.
 *
 * @returns the exit code
 */
export async function benchAgainst(ref, named) {
  const parts = named.length > 0 ? named : USUAL;
  if (!(await checkOut(ref))) return 1;
  await bundleBench(THERE);
  await bundleBench('.');
  const figures = new Map();
  for (const part of parts)
    for (let round = 0; round < ROUNDS; round += 1)
      for (const where of ['before', 'now']) await measure(part, where, figures);
  print(figures);
  execFileSync('git', ['worktree', 'remove', '--force', THERE]);
  return 0;
}

async function checkOut(ref) {
  if (existsSync(THERE)) rmSync(THERE, { recursive: true });
  execFileSync('git', ['worktree', 'prune']);
  mkdirSync('.bench', { recursive: true });
  if ((await run('git', ['worktree', 'add', '--detach', THERE, ref])) !== 0) return false;
  const lock = (where) => readFileSync(join(where, 'package-lock.json'), 'utf8');
  if (lock(THERE) === lock('.')) return true;
  return (
    (await run('npm', ['install', '--no-save', '--no-fund', '--no-audit', '--prefix', THERE])) === 0
  );
}

async function measure(part, where, figures) {
  const cwd = where === 'before' ? THERE : '.';
  const { code, said } = await runQuietly(process.execPath, ['.bench/run.mjs', part], cwd);
  const lines = said.split('\n').filter((line) => line.startsWith('{'));
  if (code !== 0 || lines.length === 0) {
    console.log(
      `${part}: no figure ${where === 'before' ? 'of the other state' : 'of this state'}`,
    );
    return;
  }
  for (const { name, value, unit } of lines.map((line) => JSON.parse(line))) {
    const known = figures.get(name) ?? { unit, before: [], now: [] };
    known[where].push(value);
    figures.set(name, known);
  }
}

const middle = (values) => values.toSorted((a, b) => a - b)[Math.floor((values.length - 1) / 2)];
/** How far rounds of one state lie apart, as a share of their median. */
const noise = (values) => (Math.max(...values) - Math.min(...values)) / middle(values);
const digits = (value) => String(Number(value.toPrecision(3)));

function print(figures) {
  console.log('\nfigure | before | now | now / before | noise');
  for (const [name, { unit, before, now }] of figures) {
    if (before.length === 0 || now.length === 0) continue;
    const ratio = middle(now) / middle(before);
    const apart = Math.max(noise(before), noise(now));
    console.log(
      `${name}, ${unit} | ${digits(middle(before))} | ${digits(middle(now))} | ${ratio.toFixed(2)} | ± ${(100 * apart).toFixed(0)} %`,
    );
  }
}
