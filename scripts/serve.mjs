import { createServer } from 'node:http';
import { availableParallelism } from 'node:os';
import next from 'next';
import { busy } from '../src/text/en/busy.mjs';
import { portOrExit } from './port.mjs';

/**
 * Serves the built application: `node scripts/serve.mjs [-p PORT] [-H HOST] [--or-next]`; with --or-next
 * the next free port is taken where another program has it.
 *
 * A server of our own around Next's, since some things must hold for every response, those that Next
 * sends before any of our code included: the security headers, methods that are not served, bodies that
 * come too slowly, and more outings at once than can wait.
 */
process.env.NODE_ENV ??= 'production';
const option = (name, otherwise) => {
  const at = process.argv.indexOf(name);
  return at < 0 ? otherwise : process.argv[at + 1];
};
const port = portOrExit(option('-p', process.env.PORT), 3000);
const hostname = option('-H', process.env.HOST || '127.0.0.1');
const takesNext = process.argv.includes('--or-next');

/** Longest that a whole request may take to arrive, ms. */
const SLOWEST_REQUEST_MS = 10_000;
const SERVED = new Set(['GET', 'HEAD', 'POST', 'OPTIONS']);
/** Said for TLS only, where the host says that it is behind it: see docs/hosting.md. */
const BEHIND_TLS = process.env.BEHIND_TLS === 'yes';

/** Outings that are posted for an answer. */
const POSTED = /^\/api\/(lineup|carry)\b/;
/** Of them at once, as many as have a thread or may wait for one (see lineupPool.ts): the others aren't begun. */
const MOST_POSTED = Math.max(1, availableParallelism() - 1) + 16;
const BUSY = JSON.stringify({ error: busy });

/** On every response; pages have a policy of their own with a nonce in its place. */
const HEADERS = {
  'content-security-policy':
    "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self'; img-src 'self' data:; font-src 'self'; connect-src 'self'; worker-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'",
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'no-referrer',
  'permissions-policy': 'camera=(), microphone=(), geolocation=()',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  ...(BEHIND_TLS ? { 'strict-transport-security': 'max-age=31536000' } : {}),
};

const app = next({ dev: false, hostname, port });
await app.prepare();
const handle = app.getRequestHandler();

const server = createServer(
  {
    requestTimeout: SLOWEST_REQUEST_MS,
    headersTimeout: SLOWEST_REQUEST_MS,
    connectionsCheckingInterval: 1000,
  },
  (request, response) => {
    for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value);
    if (!SERVED.has(request.method ?? '')) {
      response.writeHead(405, { allow: [...SERVED].join(', '), connection: 'close' });
      response.end();
      return;
    }
    if (request.url?.startsWith('/serwist/')) keepFresh(response);
    if (request.method === 'POST' && POSTED.test(request.url ?? '') && !takesIn(response)) {
      response.writeHead(503, { 'content-type': 'application/json', 'retry-after': '5' });
      response.end(BUSY);
      // What is still to come is read, or whoever sends it would not hear the answer.
      request.resume();
      return;
    }
    void handle(request, response);
  },
);

let posted = 0;
/** Counts an outing as posted until it is answered or given up; false where there are too many. */
function takesIn(response) {
  if (posted >= MOST_POSTED) return false;
  posted += 1;
  response.once('close', () => (posted -= 1));
  return true;
}

/** The service worker must never come from a cache on the way, or a page keeps an old one. */
function keepFresh(response) {
  response.setHeader('cache-control', 'private, no-cache');
  const set = response.setHeader.bind(response);
  response.setHeader = (name, value) =>
    name.toLowerCase() === 'cache-control' ? response : set(name, value);
}

const STATUS_OF = {
  ERR_HTTP_REQUEST_TIMEOUT: '408 Request Timeout',
  HPE_HEADER_OVERFLOW: '431 Request Header Fields Too Large',
};
server.on('clientError', (error, socket) => {
  if (!socket.writable) return socket.destroy();
  const headers = Object.entries(HEADERS).map(([name, value]) => `${name}: ${value}\r\n`);
  const status = STATUS_OF[error.code] ?? '400 Bad Request';
  socket.end(`HTTP/1.1 ${status}\r\n${headers.join('')}connection: close\r\n\r\n`);
});

/** Asked in turn: whether a port is free can only be told by listening on it. */
function listen(at) {
  server.once('error', (error) => {
    if (error.code === 'EADDRINUSE' && takesNext && at < 65_535) return listen(at + 1);
    console.error(
      error.code === 'EADDRINUSE'
        ? `Port ${at} is in use by another program. Choose another one, such as PORT=${at + 1}.`
        : error.code === 'EACCES'
          ? `Port ${at} needs more rights than this user has. Choose one from 1024 on, such as PORT=3000.`
          : `Can't listen on ${hostname}, port ${at}: ${error.message}`,
    );
    process.exit(1);
  });
  server.listen(at, hostname, () => {
    server.removeAllListeners('error');
    const shown = hostname === '127.0.0.1' ? 'localhost' : hostname;
    console.log(`Listening on http://${shown}:${at}`);
    process.send?.({ port: at });
  });
}
listen(port);

for (const signal of ['SIGTERM', 'SIGINT']) process.on(signal, () => process.exit(0));
