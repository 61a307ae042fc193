import { stderr, stdout } from 'node:process';
import { plainNumber } from '@/core/number';
import { parseArgs } from 'node:util';
import * as z from 'zod';
import { fieldOf, NEXT_AFTER, type NextQuestion, rentOrBuy } from '@/core/next';
import { allGear, DEFAULT_NEXT, type ForOuting, nextQuestionOf, nextSettings } from '@/document';
import { answerNext, LONGEST_TIME_S } from '@/application';
import { hostText } from '@/text';
import { readOuting, Refused } from './readOuting';

const t = hostText.next;

const ASKS = ['missing', 'step', 'buy', 'sell', 'swap', 'rent'] as const;
type Ask = (typeof ASKS)[number];
/** For each question, s. */
const USUAL_TIME_S = 60;

/** What may be set on the command line; what isn't is as the page has it at first. */
const terms = nextSettings.omit({ outings: true, neverSold: true }).extend({
  /** Rent of a day, and days of each outing. */
  rent: z.number().min(0).nullable(),
  days: z.number().gt(0).max(366),
  seconds: z.number().gt(0).max(LONGEST_TIME_S),
  ask: z.array(z.enum(ASKS)).min(1),
  times: z.array(z.number().gt(0).max(366)),
});
type Terms = z.infer<typeof terms>;

/** `next FILE…`: prints what to buy, sell and exchange over some outing files as JSON. Exit 1 on bad input. */
async function main(): Promise<number> {
  try {
    const { files, asked } = readArguments();
    const outings = await Promise.all(
      files.map(async (path, i): Promise<ForOuting> => {
        const file = await readOuting(path);
        return { id: `${i + 1} ${file.outing.id}`, timesAYear: asked.times[i] ?? 1, file };
      }),
    );
    const shelf = allGear(outings.map(({ file }) => file.shelf));
    const question = nextQuestionOf(outings, shelf, { ...asked, neverSold: [] });
    const answers: Partial<Record<Ask, unknown>> = {};
    for (const ask of asked.ask) answers[ask] = await answer(question, ask, asked);
    const outing = outings.map(({ id, timesAYear, file }) => ({
      id,
      name: file.outing.name,
      timesAYear,
    }));
    const whole = { format: 'armreach-next', version: 1, outings: outing, ...answers };
    stdout.write(`${JSON.stringify(whole, plain, 2)}\n`);
    return 0;
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    stderr.write(error.message);
    return 1;
  }
}

async function answer(question: NextQuestion, ask: Ask, asked: Terms): Promise<unknown> {
  const { budget, stepBudget, steps, saves, swapMoney: money, seconds } = asked;
  const path = { stepBudget, steps, saves };
  if (ask === 'buy') return answerNext<'buy'>(question, { kind: 'buy', budget, path }, seconds);
  if (ask === 'swap') return answerNext<'swap'>(question, { kind: 'swap', money }, seconds);
  if (ask !== 'rent')
    return answerNext<'missing' | 'step' | 'sell'>(question, { kind: ask }, seconds);
  return asked.rent === null ? null : rentOf(question, asked.rent, asked);
}

/** Each wished thing for each outing. */
function rentOf(question: NextQuestion, pricePerDay: number, { days, years }: Terms) {
  return fieldOf(question).wished.flatMap(({ id, price, resale }) =>
    question.outings.map(({ id: outingId, timesAYear }) => ({
      id,
      outingId,
      ...rentOrBuy({ pricePerDay, days, timesAYear, years, price, resale }),
    })),
  );
}

/** Sets as lists. */
const plain = (_: string, value: unknown) => (value instanceof Set ? [...value].sort() : value);

const OPTIONS = {
  times: { type: 'string' },
  ask: { type: 'string' },
  budget: { type: 'string' },
  'step-budget': { type: 'string' },
  steps: { type: 'string' },
  spend: { type: 'boolean' },
  money: { type: 'string' },
  rent: { type: 'string' },
  days: { type: 'string' },
  years: { type: 'string' },
  buy: { type: 'string' },
  resale: { type: 'string' },
  after: { type: 'string' },
  seconds: { type: 'string' },
} as const;

const USUAL = Object.fromEntries(
  Object.entries(DEFAULT_NEXT).filter(([key]) => key !== 'outings' && key !== 'neverSold'),
);

function readArguments(): { files: readonly string[]; asked: Terms } {
  const usage = new Refused(t.usage(ASKS.join(), NEXT_AFTER.join(), USUAL_TIME_S));
  let given: ReturnType<typeof parse>;
  try {
    given = parse();
  } catch {
    throw usage;
  }
  const { values, positionals } = given;
  if (positionals.length === 0) throw usage;
  const numbers = (text: string) => text.split(',').map(plainNumber);
  const asked = terms.safeParse({
    ...USUAL,
    rent: values.rent === undefined ? null : plainNumber(values.rent),
    days: values.days === undefined ? 1 : plainNumber(values.days),
    ...(values.years === undefined ? {} : { years: plainNumber(values.years) }),
    times: values.times === undefined ? positionals.map(() => 1) : numbers(values.times),
    ask: values.ask?.split(',') ?? [...ASKS],
    budget: values.budget === undefined ? null : plainNumber(values.budget),
    ...(values['step-budget'] === undefined
      ? {}
      : { stepBudget: plainNumber(values['step-budget']) }),
    ...(values.steps === undefined ? {} : { steps: plainNumber(values.steps) }),
    saves: !values.spend,
    ...(values.money === undefined ? {} : { swapMoney: plainNumber(values.money) }),
    ...(values.buy === undefined ? {} : { buy: values.buy }),
    ...(values.resale === undefined ? {} : { resalePercent: plainNumber(values.resale) }),
    ...(values.after === undefined ? {} : { after: values.after }),
    seconds: values.seconds === undefined ? USUAL_TIME_S : plainNumber(values.seconds),
  });
  if (!asked.success) {
    const fields = [...new Set(asked.error.issues.map((i) => String(i.path[0])))];
    throw new Refused(t.badOptions(fields) + usage.message);
  }
  if (asked.data.times.length !== positionals.length)
    throw new Refused(t.timesForEach(positionals.length, asked.data.times.length));
  return { files: positionals, asked: asked.data };
}

function parse() {
  return parseArgs({ allowPositionals: true, options: OPTIONS });
}

process.exitCode = await main();
