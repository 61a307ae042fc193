import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { carryAnswer } from '@/core/carry';
import { decode, EMPTY_OUTING, encode, type OutingFile } from '@/document';
import { STARTER_TEXTS } from '@/text';
import { outingFromStarter, STARTERS } from '@/document/starters';
import { answerInFull, LONGEST_TIME_S } from '@/application';
import { anyOutingOf } from '../tests/support/arbitraries';

/**
 * Whether a change of the code changes any answer:
 *
 *   npm run results -- write DIR     answers the demo, the starters, the cases and 300 random outings into DIR
 *   npm run results -- compare DIR   answers the outings in DIR anew and compares the bytes
 *
 * The outings lie in DIR as files, so that what makes them may change in between.
 */
const RANDOM = { runs: 300, seed: 20261126, mostLenses: 6 };
const DEMO = 'demo/regatta.armreach.json';
const CASES = 'tests/fixtures/cases';
const OUTING = '.outing.json';

const [mode, folder] = process.argv.slice(2);
if ((mode !== 'write' && mode !== 'compare') || folder === undefined) {
  console.error('Usage: npm run results -- write|compare DIR');
  process.exit(1);
}
if (mode === 'write') writeOutings(folder);
let same = 0;
const different: string[] = [];
for (const file of readdirSync(folder).filter((name) => name.endsWith(OUTING))) {
  const name = file.slice(0, -OUTING.length);
  const at = join(folder, `${name}.answer.json`);
  const answer = await answerOf(readFileSync(join(folder, file), 'utf8'));
  if (mode === 'write') writeFileSync(at, answer);
  else if (readFileSync(at, 'utf8') === answer) same += 1;
  else {
    different.push(name);
    writeFileSync(join(folder, `${name}.now.json`), answer);
  }
}
if (mode === 'compare') {
  for (const name of different) console.log(`differs: ${name}`);
  console.log(`${same} the same, ${different.length} different`);
  process.exit(different.length === 0 && same > 0 ? 0 : 1);
}

/** Lineup, alternatives and plan of an outing as text. */
async function answerOf(text: string): Promise<string> {
  const file = decode(text);
  if (!file.ok) throw new Error(file.error.code);
  const result = await answerInFull(file.value, LONGEST_TIME_S);
  const timing = { modelMs: 0, solveMs: 0, totalMs: 0 };
  const carry = carryAnswer(file.value, { ...result, timing });
  return JSON.stringify({ result, carry }, null, 1);
}

function writeOutings(to: string): void {
  mkdirSync(to, { recursive: true });
  const put = (name: string, text: string) => writeFileSync(join(to, `${name}${OUTING}`), text);
  const demo = readFileSync(DEMO, 'utf8');
  put('demo', demo);
  const read = decode(demo);
  if (!read.ok) throw new Error(read.error.code);
  const { shelf, outing } = read.value;
  for (const starter of STARTERS)
    put(
      `starter-${starter.key}`,
      encode(
        outingFromStarter(starter, STARTER_TEXTS[starter.key], {
          shelf,
          currency: outing.currency,
        }),
      ),
    );
  for (const name of readdirSync(CASES))
    put(`case-${name.replace('.json', '')}`, readFileSync(join(CASES, name), 'utf8'));
  fc.sample(anyOutingOf(RANDOM.mostLenses), { seed: RANDOM.seed, numRuns: RANDOM.runs }).forEach(
    ({ outing, packedG: _packed, ...parts }, i) => {
      const file: OutingFile = {
        ...EMPTY_OUTING,
        outing: { ...EMPTY_OUTING.outing, ...outing, shooters: [...outing.shooters] },
        ...(structuredClone(parts) as Pick<
          OutingFile,
          'frames' | 'stretches' | 'shelf' | 'limits'
        >),
      };
      put(`random-${String(i).padStart(3, '0')}`, encode(file));
    },
  );
}
