import { readFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';

/** Where outings are posted to be answered. */
const ANSWERED = /^\/api\/(lineup|carry)(\?|$)/;
/** As many as may be answered and wait (`src/server/lineupPool.ts`), with some that are still arriving. */
const MOST_AT_ONCE = Math.max(1, availableParallelism() - 1) + 16 + 4;
/** From one posted outing handed on to the next, ms: what else is asked for comes in between. */
const PAUSE_MS = 20;
const { message } = JSON.parse(
  readFileSync(new URL('../src/text/en/tooMany.json', import.meta.url), 'utf8'),
);
const REFUSAL = JSON.stringify({ error: { code: 'busy', message } });

/**
 * Stands before the application: of many outings posted at once those that can't be answered are refused
 * before anything is done about them, and the others are handed on one after another.
 *
 * @param handle the application
 */
export function doorkeeper(handle) {
  const waiting = [];
  let atOnce = 0;
  let pause = null;
  const handOn = () => {
    const next = waiting.shift();
    pause = next ? setTimeout(handOn, PAUSE_MS) : null;
    if (next && !next.response.destroyed) handle(next.request, next.response);
  };
  return (request, response) => {
    if (request.method !== 'POST' || !ANSWERED.test(request.url ?? ''))
      return handle(request, response);
    if (atOnce >= MOST_AT_ONCE) return refuse(request, response);
    atOnce += 1;
    response.once('close', () => (atOnce -= 1));
    waiting.push({ request, response });
    if (pause === null) handOn();
  };
}

function refuse(request, response) {
  response.writeHead(503, {
    'content-type': 'application/json',
    'retry-after': '5',
    connection: 'close',
  });
  response.end(REFUSAL);
  // What is still arriving is let go by, so that the answer is read before the connection ends.
  request.resume();
}
