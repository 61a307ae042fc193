import { AIM_TOLERANCE, type MipRow } from '@/core/lineup';
import {
  answersOf,
  hadNow,
  type NextAnswers,
  type NextRun,
  type YearWorth,
  SOLVING,
  withShare,
} from './answering';
import { cheapestAsGood } from './cheapest';
import type { NextField } from './field';
import { type JointModel, jointOf } from './joint';
import { type Cost, costOf, moneyRow, resaleOf } from './money';
import { buyable, idsOfUnknown, priceGoals } from './once';
import type { Tradable } from './question';
import { hadIn, type NextOpen, pictureGoals, type Solution } from './solving';

/** Buying one piece at a time. */
export interface PathTerms {
  /** Money for each step. */
  readonly stepBudget: number;
  /** Steps at most, 1 to 8. */
  readonly steps: number;
  /** Whether what a step leaves over is kept for the next. */
  readonly saves: boolean;
}

export interface PathStep {
  /** null where nothing is bought, and money is saved or nothing helps. */
  readonly boughtId: string | null;
  /** Spent so far. */
  readonly spent: number;
  readonly with: YearWorth;
}

export interface BuyingPath {
  readonly before: YearWorth;
  readonly steps: readonly PathStep[];
  readonly cost: Cost;
  /** What all of it would bring in afterwards. */
  readonly resale: Cost;
  /** null when proven: no order within the budgets gives more over all steps. */
  readonly open: NextOpen | null;
  readonly priceUnknown: readonly string[];
}

/**
 * The best order in which to buy one thing at a step, judged by what is got after every step, all of them
 * alike: musts over the year, then wanted pictures, then what the person counts after them, then least
 * money, the same sooner.
 *
 * @returns null when time ran out before anything was found
 */
export function buyingPath(field: NextField, terms: PathTerms, run: NextRun): BuyingPath | null {
  const { stepBudget, steps } = terms;
  const open = buyable(field.wished, stepBudget);
  const answers = answersOf(field, run);
  const joint = jointOf(field, {
    open,
    steps,
    now: answers.with(hadNow(field)),
    rows: (have) => pathRows(have, open, terms),
  });
  const solution = cheapestAsGood(
    { field, joint, answers, run: withShare(run, SOLVING) },
    pictureGoals(field, joint, field.question.after),
    priceGoals(joint, open),
  );
  run.progress(0.8);
  return typeof solution === 'string' ? null : pathOf(field, joint, solution, terms, answers);
}

function pathOf(
  field: NextField,
  joint: JointModel,
  solution: Solution,
  terms: PathTerms,
  answers: NextAnswers,
): BuyingPath {
  const had = hadNow(field);
  const things = new Map(field.wished.map((t) => [t.id, t]));
  let before = new Set<string>();
  let spent = 0;
  const found = hadIn(joint, solution).map((owned): PathStep => {
    const boughtId = [...owned].find((id) => !before.has(id)) ?? null;
    spent += (boughtId !== null ? things.get(boughtId)?.price : 0) ?? 0;
    before = owned;
    return { boughtId, spent, with: answers.with(new Set([...had, ...owned])) };
  });
  const bought = field.wished.filter(({ id }) => before.has(id));
  return {
    before: answers.with(had),
    steps: found,
    cost: costOf(bought),
    resale: resaleOf(bought),
    open: solution.open,
    priceUnknown: idsOfUnknown(field.wished, terms.stepBudget),
  };
}

/** One thing a step at most, within the money that there is by then. */
function pathRows(
  have: JointModel['have'],
  open: readonly Tradable[],
  { stepBudget, saves }: PathTerms,
): MipRow[] {
  return have.flatMap((now, step) => {
    const before = have[step - 1];
    const added = open.flatMap(({ id }) => [
      [now.get(id)!, 1] as const,
      ...(before ? [[before.get(id)!, -1] as const] : []),
    ]);
    const one: MipRow = {
      lower: -Infinity,
      upper: 1,
      columns: added.map(([column]) => column),
      coefficients: added.map(([, c]) => c),
    };
    if (saves) return [one, moneyRow(now, open, stepBudget * (step + 1))];
    const spent = moneyRow(now, open, stepBudget);
    const back = before ? moneyRow(before, open, 0) : { columns: [], coefficients: [] };
    return [
      one,
      {
        ...spent,
        columns: [...spent.columns, ...back.columns],
        coefficients: [...spent.coefficients, ...back.coefficients.map((c) => -c)],
      },
    ];
  });
}

/** After how many steps a path gets as many pictures as something bought at once; null for never. */
export function stepsToEqual(
  { steps }: Pick<BuyingPath, 'steps'>,
  { year }: YearWorth,
): number | null {
  const at = steps.findIndex(
    ({ with: { year: then } }) =>
      then.musts >= year.musts &&
      then.once <= year.once &&
      then.sharePercent >= year.sharePercent - AIM_TOLERANCE,
  );
  return at < 0 ? null : at + 1;
}
