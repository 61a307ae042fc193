import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';

/** The build tells nobody about itself. */
export const NO_TELEMETRY = { NEXT_TELEMETRY_DISABLED: '1' };

/** Runs a command to its end with its output shown; resolves to the exit code. */
export function run(command, args, env = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { stdio: 'inherit', env: { ...process.env, ...env } });
    child.on('close', (code) => resolve(code ?? 1));
    child.on('error', (error) => {
      console.error(`${command}: ${error.message}`);
      resolve(1);
    });
  });
}

const TAIL_LINES = 60;

/** Runs a command to its end with its output shown; resolves to the exit code (or the signal that
 * ended it) and the last lines of what it said. */
export function runShown(command, args, env = {}) {
  return new Promise((resolve) => {
    const colour = process.stdout.isTTY ? { FORCE_COLOR: '1' } : {};
    const child = spawn(command, args, {
      stdio: ['inherit', 'pipe', 'pipe'],
      env: { ...process.env, ...colour, ...env },
    });
    let tail = '';
    for (const [stream, shown] of [
      [child.stdout, process.stdout],
      [child.stderr, process.stderr],
    ])
      stream.on('data', (chunk) => {
        shown.write(chunk);
        tail = (tail + chunk).split('\n').slice(-TAIL_LINES).join('\n');
      });
    child.on('close', (code, signal) => resolve({ code: code ?? signal ?? 1, said: tail }));
    child.on('error', (error) => resolve({ code: 1, said: `${command}: ${error.message}` }));
  });
}

/** Runs a command to its end and keeps what it says; resolves to that and the exit code. */
export function runQuietly(command, args, cwd = '.') {
  return new Promise((resolve) => {
    const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'], cwd });
    let said = '';
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (chunk) => (said += chunk));
    child.on('close', (code) => resolve({ code: code ?? 1, said }));
    child.on('error', (error) => resolve({ code: 1, said: `${command}: ${error.message}` }));
  });
}

/** Installs the packages of the lock file unless that has been done. `npm ci` refuses lock files
 * from which a registry has dropped packages for other platforms, so the plain install is used. */
export async function installPackages() {
  const stamp = 'node_modules/.package-lock.json';
  if (existsSync(stamp) && statSync(stamp).mtimeMs >= statSync('package-lock.json').mtimeMs) return;
  console.log('Installing packages…');
  const code = await run('npm', ['install', '--no-save', '--no-fund', '--no-audit']);
  if (code !== 0) process.exit(code);
  const now = new Date();
  writeFileSync('node_modules/.installed', now.toISOString());
  if (existsSync(stamp)) {
    const { utimesSync } = await import('node:fs');
    utimesSync(stamp, now, now);
  }
}

/** What a build is made from. */
const SOURCES = [
  'src',
  'demo',
  'package-lock.json',
  'next.config.ts',
  'tsconfig.json',
  'postcss.config.mjs',
];
/** Written when a build has ended well: the build's own files stand before that. */
const BUILT = '.next/built';

/** Whether the build there is newer than all that it is made from. */
function isBuilt() {
  if (!existsSync(BUILT)) return false;
  const newest = (path) => {
    const stats = statSync(path);
    if (!stats.isDirectory()) return stats.mtimeMs;
    return Math.max(stats.mtimeMs, ...readdirSync(path).map((name) => newest(`${path}/${name}`)));
  };
  return Math.max(...SOURCES.map(newest)) <= statSync(BUILT).mtimeMs;
}

const BUILDING = 'node_modules/.building';
const LOOK_AGAIN_MS = 500;

/** Builds, unless that has been done; of two at once one waits for the other's build. */
export async function buildOnce() {
  while (!isBuilt()) {
    if (takesLock()) {
      try {
        const next = ['node_modules/next/dist/bin/next', 'build'];
        const code = await run(process.execPath, next, NO_TELEMETRY);
        if (code === 0) writeFileSync(BUILT, new Date().toISOString());
        return code;
      } finally {
        rmSync(BUILDING, { force: true });
      }
    }
    await new Promise((resolve) => setTimeout(resolve, LOOK_AGAIN_MS));
  }
  return 0;
}

/** Whether this process may build: nobody else does, or who began has ended. */
function takesLock() {
  try {
    writeFileSync(BUILDING, String(process.pid), { flag: 'wx' });
    return true;
  } catch {
    if (!isRunning(Number(readFileSync(BUILDING, { encoding: 'utf8', flag: 'a+' }))))
      rmSync(BUILDING, { force: true });
    return false;
  }
}

function isRunning(pid) {
  try {
    process.kill(pid, 0);
    return pid > 0;
  } catch {
    return false;
  }
}

/** Installs Debian packages that the tests need and that are not there yet. */
export async function installDebianPackages(wanted) {
  const missing = wanted.filter(({ path }) => !existsSync(path)).map(({ name }) => name);
  if (missing.length === 0) return;
  if (spawnSync('apt-get', ['--version']).status !== 0) {
    console.error(`Please install: ${missing.join(', ')} (this machine has no apt-get).`);
    process.exit(1);
  }
  console.log(`Installing ${missing.join(', ')}…`);
  const root = process.getuid?.() === 0;
  const apt = (args) =>
    root
      ? run('apt-get', args, { DEBIAN_FRONTEND: 'noninteractive' })
      : run('sudo', ['DEBIAN_FRONTEND=noninteractive', 'apt-get', ...args]);
  await apt(['update', '-qq']);
  const code = await apt(['install', '-y', '-qq', '--no-install-recommends', ...missing]);
  if (code !== 0) process.exit(code);
}

export function readJson(path) {
  return existsSync(path) ? JSON.parse(readFileSync(path, 'utf8')) : null;
}
