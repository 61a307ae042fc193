import { LONGEST_TIME_S, USUAL_TIME_S } from '@/application';
import { answerPosted as answerInThread } from './lineupPool';
import type { NotDone } from './pool';
import { readBody } from './readBody';

/** What the door answers where it gives no lineup. */
const REFUSALS = {
  'foreign-origin': [403, 'Requests from pages of other origins are refused.'],
  'not-json': [415, 'Post the outing as application/json.'],
  encoding: [415, 'Send the outing as it is, or as gzip.'],
  'too-large': [413, 'The outing is larger than 8 MB.'],
  damaged: [400, 'The gzip of the outing is damaged.'],
  'bad-time': [
    400,
    `seconds must be a number above 0 and at most ${LONGEST_TIME_S}, such as ?seconds=${USUAL_TIME_S}.`,
  ],
  busy: [503, 'Too many outings are being worked out. Try again in a moment.'],
  late: [503, 'The answer was not ready in time. Allow more time, or leave gear out.'],
  failed: [500, 'The answer could not be worked out; it may need more memory than there is.'],
  cancelled: [499, 'The request was cancelled.'],
} as const satisfies Record<string, readonly [number, string]>;

function refuse(code: keyof typeof REFUSALS): Response {
  const [status, message] = REFUSALS[code];
  const headers: Record<string, string> = status === 503 ? { 'retry-after': '5' } : {};
  return Response.json({ error: { code, message } }, { status, headers });
}

/** Answers a posted outing; `answer` does so in a thread unless another way is given. */
export async function lineupPost(
  request: Request,
  answer: typeof answerInThread = answerInThread,
): Promise<Response> {
  if (isForeign(request.headers)) return refuse('foreign-origin');
  const type = (request.headers.get('content-type') ?? '').split(';')[0]!.trim().toLowerCase();
  if (type !== 'application/json') return refuse('not-json');
  const timeLimitS = timeOf(new URL(request.url).searchParams.get('seconds'));
  if (timeLimitS === null) return refuse('bad-time');
  const text = await readBody(request);
  if (!text.ok) return refuse(text.error.code);
  const reply = await answer(text.value, timeLimitS, request.signal);
  if (!reply.ok) return refuse(reply.error.code satisfies NotDone['code']);
  return new Response(reply.value.json, {
    status: reply.value.status,
    headers: { 'content-type': 'application/json', 'cache-control': 'no-store' },
  });
}

/** Whether a page of another origin asks: browsers say so, other programs send neither header. */
function isForeign(headers: Headers): boolean {
  const origin = headers.get('origin');
  if (headers.get('sec-fetch-site') === 'cross-site') return true;
  if (origin === null) return false;
  const host = headers.get('host');
  return !URL.canParse(origin) || host === null || new URL(origin).host !== host;
}

function timeOf(asked: string | null): number | null {
  if (asked === null) return USUAL_TIME_S;
  const seconds = asked.trim() === '' ? NaN : Number(asked);
  return seconds > 0 && seconds <= LONGEST_TIME_S ? seconds : null;
}
