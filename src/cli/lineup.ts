import { readFile } from 'node:fs/promises';
import { stderr, stdout } from 'node:process';
import { parseArgs } from 'node:util';
import { decode } from '@/document';
import { answerInFull, LONGEST_TIME_S, USUAL_TIME_S } from '@/application';
import { fieldProblemText, hostText, refusalText } from '@/text';

const t = hostText.lineup;

const USAGE = t.usageNpmRunSilentLineup(USUAL_TIME_S);

/** `lineup FILE`: prints the best lineup of an outing file as JSON. Exit 1 on bad input. */
async function main(): Promise<number> {
  const asked = readArguments();
  if (asked === null) return refuse(USAGE);
  const { path, timeLimitS } = asked;
  let text: string;
  try {
    text = await readFile(path, 'utf8');
  } catch (error) {
    return refuse(t.cannotRead(path, error instanceof Error ? error.message : String(error)));
  }
  const file = decode(text);
  if (!file.ok) {
    const fields = file.error.issues
      .filter((i) => i.path !== '')
      .map((i) => `  ${i.path}: ${fieldProblemText(i.problem)}\n`);
    return refuse(`${path}: ${refusalText(file.error)}\n${fields.join('')}`);
  }
  try {
    const answer = await answerInFull(file.value, timeLimitS);
    stdout.write(`${JSON.stringify(answer, null, 2)}\n`);
    return 0;
  } catch (error) {
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
    const timeLimitS = Number(values.seconds);
    const [path, ...more] = positionals;
    const isGood = timeLimitS > 0 && timeLimitS <= LONGEST_TIME_S;
    return path !== undefined && more.length === 0 && isGood ? { path, timeLimitS } : null;
  } catch {
    return null;
  }
}

process.exitCode = await main();
