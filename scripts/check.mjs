import { mkdirSync, rmSync } from 'node:fs';
import { installDebianPackages, installPackages, NO_TELEMETRY, readJson, run } from './steps.mjs';

/** Everything that must hold, in one go; the last line counts what passed and what failed. */
const DEBIAN = [
  { name: 'chromium', path: '/usr/bin/chromium' },
  { name: 'liblensfun-data-v1', path: '/usr/share/lensfun/version_1' },
  { name: 'libimage-exiftool-perl', path: '/usr/bin/exiftool' },
];
const node = process.execPath;
const bin = (path, ...args) => [node, [`node_modules/${path}`, ...args]];

await installPackages();
await installDebianPackages(DEBIAN);
rmSync('.check', { recursive: true, force: true });
mkdirSync('.check', { recursive: true });

/** The build need not look at the types again. */
const TYPES_DONE = { TYPES_CHECKED: 'yes', ...NO_TELEMETRY };

const steps = [
  ['format', bin('prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '.')],
  ['lint', bin('eslint/bin/eslint.js', '.', '--max-warnings', '0')],
  [
    'cycles',
    bin(
      'madge/bin/cli.js',
      '--circular',
      '--extensions',
      'ts,tsx',
      '--ts-config',
      'tsconfig.json',
      'src',
    ),
  ],
  ['types', bin('typescript/bin/tsc', '--noEmit')],
  ['types of core', bin('typescript/bin/tsc', '--noEmit', '-p', 'src/core/tsconfig.json')],
  [
    'unit and reference tests',
    bin('jest/bin/jest.js', '--maxWorkers', '2', '--json', '--outputFile', '.check/jest.json'),
  ],
  ['build', bin('next/dist/bin/next', 'build')],
  ['interface tests', bin('@playwright/test/cli.js', 'test')],
];

let passed = 0;
let failed = 0;
const broken = [];
for (const [name, [command, args]] of steps) {
  console.log(`\n== ${name}`);
  const started = Date.now();
  const code = await run(command, args, TYPES_DONE);
  console.log(
    `== ${name}: ${code === 0 ? 'ok' : 'FAILED'} in ${((Date.now() - started) / 1000).toFixed(0)} s`,
  );
  if (code !== 0) broken.push(name);
  if (name === 'unit and reference tests')
    count(readJson('.check/jest.json'), (r) => [
      r.numPassedTests,
      r.numFailedTests + r.numRuntimeErrorTestSuites,
    ]);
  else if (name === 'interface tests')
    count(readJson('.check/e2e.json'), (r) => [
      r.stats.expected + r.stats.flaky,
      r.stats.unexpected,
    ]);
  else if (code === 0) passed += 1;
  else failed += 1;
}

/** Adds a runner's counts; a runner that left none behind is one failure. */
function count(report, of) {
  const [good, bad] = report === null ? [0, 1] : of(report);
  passed += good;
  failed += bad;
}

if (broken.length > 0) {
  console.log(`\nFailed: ${broken.join(', ')}`);
  if (failed === 0) failed = broken.length;
}
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
