import { fork } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { portOrExit } from './port.mjs';
import { buildOnce, installPackages, NO_TELEMETRY } from './steps.mjs';

/** This machine only, unless HOST says otherwise. */
const HOST = process.env.HOST || '127.0.0.1';
const FIRST_PORT = portOrExit(process.env.PORT, 3000);

await installPackages();
const built = await buildOnce();
if (built !== 0) process.exit(built);
const server = fork(
  fileURLToPath(new URL('serve.mjs', import.meta.url)),
  ['-p', String(FIRST_PORT), '-H', HOST, '--or-next'],
  { env: { ...process.env, ...NO_TELEMETRY, NODE_ENV: 'production' } },
);
// Printed once it listens: where two start at once, each has a port of its own.
server.on('message', ({ port }) =>
  console.log(`\nArm Reach, with the demo outing: http://localhost:${port}\n`),
);
for (const signal of ['SIGTERM', 'SIGINT']) process.on(signal, () => server.kill(signal));
server.on('close', (code) => process.exit(code ?? 0));
