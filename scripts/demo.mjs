import { createServer } from 'node:net';
import { installPackages, NO_TELEMETRY, run } from './steps.mjs';

/** This machine only, unless HOST says otherwise. */
const HOST = process.env.HOST ?? '127.0.0.1';
const FIRST_PORT = Number(process.env.PORT ?? 3000);

/** The first free port from FIRST_PORT on. */
async function freePort(port = FIRST_PORT) {
  const free = await new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(false));
    server.once('listening', () => server.close(() => resolve(true)));
    server.listen(port, HOST);
  });
  return free ? port : freePort(port + 1);
}

await installPackages();
const next = ['node_modules/next/dist/bin/next'];
const built = await run(process.execPath, [...next, 'build'], NO_TELEMETRY);
if (built !== 0) process.exit(built);
const port = await freePort();
const SERVED = { ...NO_TELEMETRY, NODE_ENV: 'production' };
console.log(`\nArm Reach, with the demo outing: http://localhost:${port}\n`);
process.exit(
  await run(process.execPath, ['scripts/serve.mjs', '-p', String(port), '-H', HOST], SERVED),
);
