import { join } from 'node:path';
import { build } from 'esbuild';

/** Bundles an entry of a state of the code for Node; packages stay where they are. */
export async function bundle(entry, outfile, root = '.') {
  await build({
    absWorkingDir: join(process.cwd(), root),
    entryPoints: [entry],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    alias: { '@': './src' },
  });
}
