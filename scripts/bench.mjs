import { benchAgainst } from './benchAgainst.mjs';
import { bundleBench } from './bundleBench.mjs';
import { installPackages, NO_TELEMETRY, run } from './steps.mjs';

/**
 * Without arguments everything runs; names of parts (carry, typical, large, browser…) choose.
 * `--against REF` runs another state of the code in turns with this one.
 */
const [first, ref, ...rest] = process.argv.slice(2);
await installPackages();
if (first === '--against') {
  if (!ref) {
    console.error('Usage: npm run bench -- --against REF [part…]');
    process.exit(1);
  }
  process.exit(await benchAgainst(ref, rest));
}
const parts = process.argv.slice(2);
const isWanted = (...names) => parts.length === 0 || names.some((name) => parts.includes(name));

if (isWanted('peers')) {
  const installed = await run('npm', ['install', '--no-fund', '--no-audit', '--prefix', 'bench']);
  if (installed !== 0) process.exit(installed);
}
if (isWanted('browser', 'sheet', 'log')) {
  const built = await run(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'build'],
    NO_TELEMETRY,
  );
  if (built !== 0) process.exit(built);
}
await bundleBench('.');
process.exit(await run(process.execPath, ['.bench/run.mjs', ...parts]));
