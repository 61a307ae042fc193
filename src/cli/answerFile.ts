import { stderr, stdout } from 'node:process';
import { plainNumber } from '@/core/number';
import { parseArgs } from 'node:util';
import { LONGEST_TIME_S, USUAL_TIME_S } from '@/application';
import { type OutingFile, whatIsAsked } from '@/document';
import { hostText } from '@/text';
import { readOuting, Refused } from './readOuting';

const t = hostText.lineup;

/** `COMMAND FILE`: prints as JSON what is answered to an outing file. Exit 1 on bad input. */
export async function answerFile(
  command: 'lineup' | 'carry',
  answerTo: (file: OutingFile, timeLimitS: number) => Promise<object>,
): Promise<number> {
  const asked = readArguments();
  if (asked === null) return refuse(t.usage(command, USUAL_TIME_S));
  const { path, timeLimitS } = asked;
  try {
    const answer = await answerTo(whatIsAsked(await readOuting(path)), timeLimitS);
    stdout.write(`${JSON.stringify(answer, null, 2)}\n`);
    return 0;
  } catch (error) {
    if (error instanceof Refused) return refuse(error.message);
    if (!(error instanceof Error && error.name === 'OutOfTime')) throw error;
    return refuse(t.sWereNotEnoughAllow(path, timeLimitS));
  }
}

function refuse(message: string): number {
  stderr.write(message);
  return 1;
}

function readArguments(): { path: string; timeLimitS: number } | null {
  try {
    const { values, positionals } = parseArgs({
      allowPositionals: true,
      options: { seconds: { type: 'string', default: String(USUAL_TIME_S) } },
    });
    const timeLimitS = plainNumber(values.seconds);
    const [path, ...more] = positionals;
    const isGood = timeLimitS > 0 && timeLimitS <= LONGEST_TIME_S;
    return path !== undefined && more.length === 0 && isGood ? { path, timeLimitS } : null;
  } catch {
    return null;
  }
}
