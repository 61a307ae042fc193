import { LONGEST_TIME_S, USUAL_TIME_S } from '@/application';
import { plainNumber } from '@/core/number';
import { answerPosted as answerInThread, type LineupTask } from './lineupPool';
import type { NotDone } from './pool';
import { readBody } from './readBody';
import { hostText } from '@/text';

const t = hostText.lineupPost;

/** What the door answers where it gives no answer to the outing. */
const REFUSALS = {
  'foreign-origin': [403, t.requestsFromPagesOfOther],
  'not-json': [415, t.postTheOutingAsApplication],
  encoding: [415, t.sendTheOutingAsIt],
  'too-large': [413, t.theOutingIsLargerThan],
  damaged: [400, t.theGzipOfTheOuting],
  'bad-time': [400, t.secondsMustBeANumber(LONGEST_TIME_S, USUAL_TIME_S)],
  busy: [503, t.tooManyOutingsAreBeing],
  late: [503, t.theAnswerWasNotReady],
  failed: [500, t.theAnswerCouldNotBe],
  cancelled: [499, t.theRequestWasCancelled],
} as const satisfies Record<string, readonly [number, string]>;

function refuse(code: keyof typeof REFUSALS): Response {
  const [status, message] = REFUSALS[code];
  const headers: Record<string, string> = status === 503 ? { 'retry-after': '5' } : {};
  return Response.json({ error: { code, message } }, { status, headers });
}

/** Answers a posted outing; `answer` does so in a thread unless another way is given. */
export async function outingPost(
  request: Request,
  ask: LineupTask['ask'],
  answer: typeof answerInThread = answerInThread,
): Promise<Response> {
  if (isForeign(request.headers)) return refuse('foreign-origin');
  const type = (request.headers.get('content-type') ?? '').split(';')[0]!.trim().toLowerCase();
  if (type !== 'application/json') return refuse('not-json');
  const timeLimitS = timeOf(new URL(request.url).searchParams.get('seconds'));
  if (timeLimitS === null) return refuse('bad-time');
  const text = await readBody(request);
  if (!text.ok) return refuse(text.error.code);
  const reply = await answer({ ask, text: text.value, timeLimitS }, request.signal);
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
  const seconds = plainNumber(asked);
  return seconds > 0 && seconds <= LONGEST_TIME_S ? seconds : null;
}
