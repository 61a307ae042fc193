import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';

/** Bundles the benchmarks of a state as the application is bundled, so that no loader slows what is measured. */
export async function bundleBench(root) {
  mkdirSync(join(root, '.bench'), { recursive: true });
  await build({
    absWorkingDir: join(process.cwd(), root),
    entryPoints: ['bench/run.ts'],
    outfile: '.bench/run.mjs',
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    alias: { '@': './src' },
  });
}
