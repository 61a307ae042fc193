import { AIM_TOLERANCE, type MipRow } from '@/core/lineup';
import { hadNow, type NextAnswers, type NextRun, type YearWorth } from './answering';
import type { Had, NextField } from './field';
import { jointConstant, jointCosts, type JointModel, partConstant, partCosts } from './joint';
import type { NextAfter } from './question';
import { type Goal, hadIn, type Solution, solveGoals } from './solving';
import { inOrder, lostOf, type OutingWorth, type Worth } from './worth';

/** Cheaper sets that are answered, before what was found stands with a bound. */
const MOST_ANSWERED = 12;

interface Look {
  readonly field: NextField;
  readonly joint: JointModel;
  readonly answers: Pick<NextAnswers, 'with'>;
  readonly run: Pick<NextRun, 'solver' | 'deadline'>;
}

/**
 * The best of what can be had: by its pictures, items counted as each outing counts them; then, of all that
 * shows as much when each outing is answered by its own rules, what costs least. The first alone would
 * take an item saved for pictures wherever a picture that is gained takes more items than there are now.
 *
 * What the model allows for less is answered. Where the answer shows less, no set that has the same things
 * is looked at with a worse way than that answer's, and the next cheapest is tried.
 *
 * @param pictures what comes first, each as small as those before allow
 * @param costs what comes then, the money among it, each as small as those before allow
 */
export function cheapestAsGood(
  { field, joint, answers, run }: Look,
  pictures: readonly Goal[],
  costs: readonly Goal[],
): Solution | 'impossible' | 'out-of-time' {
  // What is owned and not asked about stays.
  const stays = [...hadNow(field)].filter((id) => !joint.have[0]!.has(id));
  const answer = (had: Had) => answers.with(new Set([...stays, ...had]));
  const found = solveGoals(run, joint, [...pictures, ...costs]);
  if (typeof found === 'string' || found.open) return found;
  const had = hadIn(joint, found);
  const shown = had.map(answer);
  const rows = asGoodRows(field, joint, shown);
  const price = costs.map((goal) => valueOf(goal, found));
  const money = costs.findIndex(({ name }) => name === 'money');
  if (price.slice(0, money).every((value) => value === 0))
    rows.push(
      rowOf(
        costs[money]!.costs,
        price[money]! - costs[money]!.constant - 3 * AIM_TOLERANCE * Math.max(1, price[money]!),
      ),
    );
  let open: Solution['open'] = { goal: 'money', value: price[money]!, bound: 0 };
  for (let i = 0; i < MOST_ANSWERED; i += 1) {
    const guarded = { ...joint, mip: { ...joint.mip, rows: [...joint.mip.rows, ...rows] } };
    const next = solveGoals(run, guarded, costs);
    if (next === 'impossible') return found;
    if (typeof next === 'string' || next.open) break;
    const least = costs.map((goal) => valueOf(goal, next));
    if (inOrder(least, price) >= 0) return found;
    const at = least.findIndex((value, goal) => inOrder([value], [price[goal]!]) < 0);
    open = { goal: costs[at]!.name, value: price[at]!, bound: least[at]! };
    const cheaper = hadIn(joint, next);
    const then = cheaper.map(answer);
    if (isAsGood(field, then, shown)) return next;
    rows.push(...ownWayRows(joint, cheaper, then), otherThan(joint, cheaper));
  }
  return { ...found, open };
}

const valueOf = ({ costs, constant }: Goal, { values }: Solution) =>
  costs.reduce((sum, c, i) => (c === 0 ? sum : sum + c * (values[i] ?? 0)), constant);

const FIGURE_AFTER: Readonly<Record<NextAfter, 'pieces' | 'weight' | null>> = {
  money: null,
  items: 'pieces',
  weight: 'weight',
};

/** What is shown of a year, and ranks before the money: each no more is as good. */
function shownOf({ after }: NextField['question'], year: Worth): readonly number[] {
  const rest = { money: [], items: [year.items], weight: [year.weightG] }[after];
  return [-year.musts, year.once, lostOf(year), ...rest];
}

/** Over all steps together. */
function isAsGood(
  { question }: NextField,
  then: readonly YearWorth[],
  than: readonly YearWorth[],
): boolean {
  const total = (each: readonly YearWorth[]) =>
    each
      .map(({ year }) => shownOf(question, year))
      .reduce((sum, values) => sum.map((v, i) => v + values[i]!));
  const least = total(than);
  return total(then).every((v, i) => v <= least[i]! + AIM_TOLERANCE * Math.max(1, Math.abs(v)));
}

/** No more of each figure lost, over all steps together, than the answers lose. */
function asGoodRows(field: NextField, joint: JointModel, shown: readonly YearWorth[]): MipRow[] {
  const { after } = field.question;
  const musts = field.outings.reduce(
    (sum, { timesAYear, question: { frames } }) =>
      sum + timesAYear * frames.filter(({ want }) => want === 'must').length,
    0,
  );
  const sumOf = (figure: (year: Worth) => number) =>
    shown.reduce((sum, { year }) => sum + figure(year), 0);
  const figure = FIGURE_AFTER[after];
  const most = [
    ['musts', musts * shown.length - sumOf((y) => y.musts)],
    ['once', sumOf((y) => y.once)],
    ['lost', sumOf(lostOf)],
    ...(figure === null
      ? []
      : [[figure, sumOf((y) => shownOf(field.question, y).at(-1)!)] as const]),
  ] as const;
  return most.map(([name, value]) =>
    rowOf(jointCosts(field, joint, name), value - jointConstant(field, joint, name)),
  );
}

/**
 * With the things that an answer takes, and no more musts got than there, an outing loses no more by its own
 * rules than that answer does: whoever has them has that way, too.
 */
function ownWayRows(joint: JointModel, had: readonly Had[], shown: readonly YearWorth[]): MipRow[] {
  return joint.parts.map((part) => {
    const { outing, step, problem, model, first } = part;
    const own = shown[step]!.outings[outing]!;
    const [musts, once, wants] = (['musts', 'once', 'wants'] as const).map((name) =>
      partCosts(part, name),
    );
    const constantOf = (name: 'musts' | 'once' | 'wants') => partConstant(part, name);
    const most = wants!.reduce((sum, c) => sum + Math.max(0, c), constantOf('wants'));
    const mustCount = problem.frames.filter(({ want }) => want === 'must').length;
    // What a must more may change: all of what is lost, and of those covered once.
    const [byOnce, byMust] = [most, most * (mustCount + 1)];
    const costs = new Array<number>(joint.mip.columnCount).fill(0);
    for (let i = 0; i < wants!.length; i += 1)
      costs[first + i] = wants![i]! + byOnce * once![i]! + byMust * musts![i]!;
    const needed = [...joint.have[step]!].filter(
      ([id]) => had[step]!.has(id) && isUsed(own, id, model),
    );
    for (const [, column] of needed) costs[column] = byMust * (mustCount + 1);
    const value =
      own.lossPercent -
      constantOf('wants') +
      byOnce * (own.once - constantOf('once')) +
      byMust * (mustCount - own.musts - constantOf('musts')) +
      byMust * (mustCount + 1) * needed.length;
    return rowOf(costs, value);
  });
}

/** Whether an answer may need a thing: bodies aren't told apart there. */
const isUsed = (
  { taken }: OutingWorth,
  id: string,
  { items }: JointModel['parts'][number]['model'],
) => taken.includes(id) || !items.some((item) => item.id === id);

/** Not the same set once more. */
function otherThan({ have, mip }: JointModel, had: readonly Had[]): MipRow {
  const costs = new Array<number>(mip.columnCount).fill(0);
  let count = 0;
  have.forEach((at, step) =>
    at.forEach((column, id) => {
      const isIn = had[step]!.has(id);
      costs[column] = isIn ? 1 : -1;
      if (isIn) count += 1;
    }),
  );
  return rowOf(costs, count - 1);
}

/** The sum of these costs is no more than so much. */
function rowOf(costs: readonly number[], upper: number): MipRow {
  const columns = costs.flatMap((c, column) => (c === 0 ? [] : [column]));
  return {
    lower: -Infinity,
    upper: upper + AIM_TOLERANCE,
    columns,
    coefficients: columns.map((column) => costs[column]!),
  };
}
