import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';

/**
 * Runs a command of `src/cli` from a bundle that is built once, and again when any source is newer: a
 * compiler for every run took ten times as long as the answer.
 */
const [command, ...args] = process.argv.slice(2);
const OUT = `.cli/${command}.mjs`;

const newestIn = (folder) =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .reduce((newest, { parentPath, name }) => {
      return Math.max(newest, statSync(join(parentPath, name)).mtimeMs);
    }, 0);

const isBuilt =
  existsSync(OUT) &&
  statSync(OUT).mtimeMs > Math.max(newestIn('src'), statSync('package-lock.json').mtimeMs);
if (!isBuilt) {
  const { bundle } = await import('./bundle.mjs');
  await bundle(`src/cli/${command}.ts`, OUT);
}
process.argv = [process.argv[0], OUT, ...args];
await import(pathToFileURL(OUT).href);
