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
import type { Tradable } from './question';
import { type Goal, hadIn, haveGoal, moneyGoal, type NextOpen, pictureGoals } from './solving';
import { canGo, unneededAfter, type Unneeded } from './sell';

/** The best set of things for a budget, bought at once. */
export interface BuyOnce {
  /** In the order of ids. */
  readonly boughtIds: readonly string[];
  readonly cost: Cost;
  /** What all of it would bring in afterwards. */
  readonly resale: Cost;
  readonly before: YearWorth;
  readonly with: YearWorth;
  /** What could be sold afterwards that couldn't before. */
  readonly unneeded: Unneeded;
  /** null when proven: no set within the budget gives more. */
  readonly open: NextOpen | null;
  /** Wished things that can't be bought within a budget, since nobody knows their price. */
  readonly priceUnknown: readonly string[];
}

/**
 * The set to buy: most musts over the year, then most of the wanted pictures, then what the person counts
 * after them, then least money.
 *
 * @param budget most that may be spent; null for no limit
 * @returns null when time ran out before anything was found
 */
export function buyOnce(field: NextField, budget: number | null, run: NextRun): BuyOnce | null {
  const { after } = field.question;
  const open = buyable(field.wished, budget);
  const answers = answersOf(field, run);
  const joint = jointOf(field, {
    open,
    now: answers.with(hadNow(field)),
    rows: (have) => (budget === null ? [] : [moneyRow(have[0]!, open, budget)]),
  });
  const solution = cheapestAsGood(
    { field, joint, answers, run: withShare(run, SOLVING) },
    pictureGoals(field, joint, after),
    priceGoals(joint, open),
  );
  run.progress(0.6);
  if (typeof solution === 'string') return null;
  const bought = hadIn(joint, solution)[0]!;
  return {
    ...purchase(field, answers, bought, run),
    boughtIds: [...bought],
    open: solution.open,
    priceUnknown: idsOfUnknown(field.wished, budget),
  };
}

/** What a purchase comes to. */
export function purchase(
  field: NextField,
  answers: NextAnswers,
  bought: ReadonlySet<string>,
  run: NextRun,
): Pick<BuyOnce, 'cost' | 'resale' | 'before' | 'with' | 'unneeded'> {
  const had = hadNow(field);
  const things = field.wished.filter(({ id }) => bought.has(id));
  return {
    cost: costOf(things),
    resale: resaleOf(things),
    before: answers.with(had),
    with: answers.with(new Set([...had, ...bought])),
    unneeded: unneededAfter(
      field,
      bought,
      canGo(field, new Set(), field.sellable, answers, run),
      answers,
      run,
    ),
  };
}

/** Under a budget only what has a price can be bought: unknown is not zero. */
export function buyable(wished: readonly Tradable[], budget: number | null): readonly Tradable[] {
  return budget === null ? wished : wished.filter(({ price }) => price !== null);
}

export function idsOfUnknown(wished: readonly Tradable[], budget: number | null): string[] {
  return budget === null ? [] : wished.flatMap(({ id, price }) => (price === null ? [id] : []));
}

export function priceGoals(joint: JointModel, open: readonly Tradable[]): Goal[] {
  const by = new Map(open.map((t) => [t.id, t]));
  return [
    haveGoal(joint, 'unknown', (id) => (by.get(id)?.price === null ? 1 : 0)),
    moneyGoal(joint, (id) => by.get(id)?.price ?? 0),
  ];
}
