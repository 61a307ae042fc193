import { spawn, spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { setTimeout as sleep } from 'node:timers/promises';
import { chromium } from '@playwright/test';
import { CHROMIUM_ARGS, CHROMIUM_PATH } from '../e2e/chromium';
import { crashRun } from '../e2e/crashes';
import { hangRun } from '../e2e/hangs';
import { playHands } from '../e2e/hands';

/**
 * Long fault runs, beyond what `npm run check` has time for: `npm run faults -- [KILLS] [SEED]
 * [MINUTES of random hands]`. Needs a production build. Kills, what never comes, random hands, and then
 * every test that asks an oracle, as often as it has cases.
 */

/** The tests that ask their oracle, or their damage, more often in a long run. */
const oracles = () =>
  readdirSync('src', { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.test.ts'))
    .map((name) => `src/${name}`)
    .filter((name) => readFileSync(name, 'utf8').includes('runsOf('));

const PORT = 4197;
const kills = Number(process.argv[2] ?? 500);
const seed = Number(process.argv[3] ?? 1);
const base = `http://localhost:${PORT + seed}`;
const minutes = Number(process.argv[4] ?? 30);

const server = spawn(process.execPath, ['scripts/serve.mjs', '-p', String(PORT + seed)], {
  stdio: 'ignore',
});
try {
  for (let i = 0; i < 60; i += 1) {
    if (await fetch(`${base}/api/demo`).catch(() => null)) break;
    await sleep(500);
  }
  const figures = await crashRun(base, kills, seed, {
    tell: console.log,
  });
  console.log(`${figures.kills} kills:`, figures.during, 'done in all:', figures.done);
  console.log(
    `Most that was lost of an edit: ${Math.round(figures.worstLostMs)} ms (allowed: 1000).`,
  );
  for (const fault of figures.faults) console.log(fault);
  const faults = [...figures.faults];
  const browser = await chromium.launch({ executablePath: CHROMIUM_PATH, args: CHROMIUM_ARGS });
  const hangs = await hangRun(browser, base);
  console.log(`Edits beside what never comes: stored within ${hangs.slowestMs} ms.`);
  for (const fault of hangs.faults) console.log(fault);
  faults.push(...hangs.faults);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const hands = await playHands(page, base, seed, minutes * 60_000);
  await browser.close();
  console.log(`${hands.actions} actions of random hands, looked at ${hands.looks} times.`);
  for (const fault of hands.faults) console.log(fault);
  faults.push(...hands.faults);
  const { status } = spawnSync('npx', ['jest', ...oracles()], {
    env: { ...process.env, LONG_RUN: '1' },
    stdio: 'inherit',
  });
  if (status !== 0) faults.push('an oracle disagrees, or something damaged came in in silence');
  console.log(`${faults.length} faults`);
  process.exitCode = faults.length === 0 ? 0 : 1;
} finally {
  server.kill();
}
