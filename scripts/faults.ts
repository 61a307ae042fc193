import { spawn } from 'node:child_process';
import { setTimeout as sleep } from 'node:timers/promises';
import { crashRun } from '../e2e/crashes';

/** Long fault runs, beyond what `npm run check` has time for. Needs a production build. */

const PORT = 4197;
const kills = Number(process.argv[2] ?? 500);
const seed = Number(process.argv[3] ?? 1);

const server = spawn(process.execPath, ['scripts/serve.mjs', '-p', String(PORT + seed)], {
  stdio: 'ignore',
});
try {
  for (let i = 0; i < 60; i += 1) {
    if (await fetch(`http://localhost:${PORT + seed}/api/demo`).catch(() => null)) break;
    await sleep(500);
  }
  const figures = await crashRun(`http://localhost:${PORT + seed}`, kills, seed, {
    tell: console.log,
  });
  console.log(`${figures.kills} kills:`, figures.during, 'done in all:', figures.done);
  console.log(
    `Most that was lost of an edit: ${Math.round(figures.worstLostMs)} ms (allowed: 1000).`,
  );
  for (const fault of figures.faults) console.log(fault);
  console.log(`${figures.faults.length} faults`);
  process.exitCode = figures.faults.length === 0 ? 0 : 1;
} finally {
  server.kill();
}
