import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, statSync, writeFileSync } from 'node:fs';

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

/** Runs a command to its end and keeps what it says; resolves to that and the exit code. */
export function runQuietly(command, args) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'] });
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
