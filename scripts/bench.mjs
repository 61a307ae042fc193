import { mkdirSync } from 'node:fs';
import { build } from 'esbuild';
import { installPackages, NO_TELEMETRY, run } from './steps.mjs';

/**
 * Bundles the benchmarks as the application is bundled, so that no loader slows what is measured.
 * Without arguments everything runs; names of parts (carry, typical, large, browser…) choose.
 */
const OUT = '.bench/run.mjs';
const parts = process.argv.slice(2);

await installPackages();
if (parts.length === 0 || parts.includes('peers')) {
  const installed = await run('npm', ['install', '--no-fund', '--no-audit', '--prefix', 'bench']);
  if (installed !== 0) process.exit(installed);
}
if (
  parts.length === 0 ||
  parts.includes('browser') ||
  parts.includes('sheet') ||
  parts.includes('log')
) {
  const built = await run(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'build'],
    NO_TELEMETRY,
  );
  if (built !== 0) process.exit(built);
}
mkdirSync('.bench', { recursive: true });
await build({
  entryPoints: ['bench/run.ts'],
  outfile: OUT,
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  alias: { '@': './src' },
});
process.exit(await run(process.execPath, [OUT, ...parts]));
