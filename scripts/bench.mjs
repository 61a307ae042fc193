import { mkdirSync } from 'node:fs';
import { build } from 'esbuild';
import { installPackages, run } from './steps.mjs';

/** Bundles the benchmarks as the application is bundled, so that no loader slows what is measured. */
const OUT = '.bench/run.mjs';

await installPackages();
mkdirSync('.bench', { recursive: true });
await build({
  entryPoints: [process.argv[2] ?? 'bench/run.ts'],
  outfile: OUT,
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  alias: { '@': './src' },
});
process.exit(await run(process.execPath, [OUT]));
