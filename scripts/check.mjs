import { mkdirSync, rmSync } from 'node:fs';
import {
  installDebianPackages,
  installPackages,
  NO_TELEMETRY,
  readJson,
  runQuietly,
  runShown,
} from './steps.mjs';

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

/** What only reads the code: two at a time. */
const readings = [
  ['types', bin('typescript/bin/tsc', '--noEmit')],
  ['lint', bin('eslint/bin/eslint.js', '.', '--max-warnings', '0')],
  ['format', bin('prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '.')],
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
  ['types of core', bin('typescript/bin/tsc', '--noEmit', '-p', 'src/core/tsconfig.json')],
];

/** What takes the whole machine, one after another; the last is what the runner's own report counts. */
const steps = [
  [
    'unit and reference tests',
    bin('jest/bin/jest.js', '--maxWorkers', '2', '--json', '--outputFile', '.check/jest.json'),
    () => [
      readJson('.check/jest.json'),
      (r) => [r.numPassedTests, r.numFailedTests + r.numRuntimeErrorTestSuites],
    ],
  ],
  ['build', bin('next/dist/bin/next', 'build')],
  [
    'interface tests',
    bin('@playwright/test/cli.js', 'test'),
    () => [
      readJson('.check/e2e.json'),
      (r) => [r.stats.expected + r.stats.flaky, r.stats.unexpected],
    ],
  ],
];

let passed = 0;
let failed = 0;
/** What went wrong, with the last lines that it said: told again at the end, where it's looked for. */
const broken = [];
const secondsSince = (started) => ((Date.now() - started) / 1000).toFixed(0);

/** Notes how a step ended; `report` is a runner's own, with how it is counted. */
function ended(name, { code, said }, started, report = null) {
  const how = code === 0 ? 'ok' : `FAILED (${code})`;
  console.log(`== ${name}: ${how} in ${secondsSince(started)} s`);
  if (code !== 0) broken.push({ name, said });
  if (report) count(...report);
  else if (code === 0) passed += 1;
  else failed += 1;
}

const waiting = [...readings];
async function read() {
  for (let next = waiting.shift(); next; next = waiting.shift()) {
    const [name, [command, args]] = next;
    const started = Date.now();
    const done = await runQuietly(command, args);
    console.log(`\n== ${name}\n${done.said}`);
    ended(name, done, started);
  }
}
await Promise.all([read(), read()]);

for (const [name, [command, args], report] of steps) {
  console.log(`\n== ${name}`);
  const started = Date.now();
  let done = await runShown(command, args, TYPES_DONE);
  let counts = report?.() ?? null;
  if (counts !== null && counts[0] === null) {
    console.log(`== ${name}: ended (${done.code}) without a report; once more`);
    done = await runShown(command, args, TYPES_DONE);
    counts = report();
  }
  ended(name, done, started, counts);
}

/** Adds a runner's counts; a runner that left none behind is one failure. */
function count(report, of) {
  const [good, bad] = report === null ? [0, 1] : of(report);
  passed += good;
  failed += bad;
}

if (broken.length > 0) {
  for (const { name, said } of broken) console.log(`\n== ${name}, its last lines\n${said}`);
  console.log(`\nFailed: ${broken.map(({ name }) => name).join(', ')}`);
  if (failed === 0) failed = broken.length;
}
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
