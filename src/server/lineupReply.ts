import { decode, type Refusal, whatIsAsked } from '@/document';
import { answerDay, answerInFull } from '@/application';
import type { LineupReply, LineupTask } from './lineupPool';
import { fieldProblemText, hostText, refusalText } from '@/text';

const t = hostText.lineupReply;

/** Fields that a refusal names; it tells how many there are besides. */
const MOST_FIELDS = 100;
/** Longest text of one field in a refusal. */
const LONGEST_TEXT = 300;

/** What is answered to a posted outing. */
export async function replyTo({ ask, text, timeLimitS }: LineupTask): Promise<LineupReply> {
  const file = decode(text);
  if (!file.ok) return { status: 422, json: JSON.stringify({ error: shortened(file.error) }) };
  try {
    const answerTo = ask === 'carry' ? answerDay : answerInFull;
    return {
      status: 200,
      json: JSON.stringify(await answerTo(whatIsAsked(file.value), timeLimitS)),
    };
  } catch (error) {
    if (!(error instanceof Error && error.name === 'OutOfTime')) throw error;
    const message = t.sWereNotEnoughTo(timeLimitS.toFixed(0));
    return { status: 503, json: JSON.stringify({ error: { code: 'out-of-time', message } }) };
  }
}

function shortened(refusal: Refusal) {
  const { code, issues, count } = refusal;
  const short = (text: string) =>
    text.length > LONGEST_TEXT ? `${text.slice(0, LONGEST_TEXT)}…` : text;
  return {
    code,
    message: short(refusalText(refusal)),
    count,
    issues: issues.slice(0, MOST_FIELDS).map((issue) => ({
      path: short(issue.path),
      message: short(fieldProblemText(issue.problem)),
    })),
  };
}
