import type { MipRow } from '@/core/lineup';
import {
  answersOf,
  hadNow,
  type NextAnswers,
  type NextRun,
  type YearWorth,
  SOLVING,
  withShare,
} from './answering';
import { type HeldWhy, type NextField } from './field';
import { mapShelf } from '@/core/gear';
import { type JointModel, jointOf } from './joint';
import { type Cost, resaleOf } from './money';
import type { Tradable } from './question';
import { hadIn, haveGoal, type NextOpen, solveGoals } from './solving';
import { type LeftAlone, leftAlone } from './spares';
import { difference, type Worth } from './worth';

/** Things that can go together without a picture less. */
export interface Unneeded {
  /** In the order of ids; null when time ran out before anything was found. */
  readonly ids: readonly string[] | null;
  readonly resale: Cost;
  /** null when proven: nothing that can go brings in more. */
  readonly open: NextOpen | null;
}

/** What can go, and what is lost with each thing that can't. */
export interface Selling {
  readonly before: YearWorth;
  readonly unneeded: Unneeded;
  /** Each owned thing that stays, with what would be lost over the year without it alone. */
  readonly kept: readonly {
    readonly id: string;
    readonly resale: number | null;
    /** Below 0 is lost. */
    readonly lost: Worth;
    /** Whether nothing is lost without it alone: only one of several such can go. */
    readonly spareable: boolean;
    readonly proven: boolean;
  }[];
  readonly held: readonly { readonly id: string; readonly why: HeldWhy }[];
  /** What stands alone once all that can go is gone. */
  readonly alone: LeftAlone;
}

/**
 * What can go for the most money, so that every outing still gets each must and wanted picture that it
 * gets now, its own rules kept: no more musts lost, nor more of the wanted pictures with what it counts
 * against items. Of what brings in as much, as many things as can go.
 */
export function selling(field: NextField, run: NextRun): Selling {
  const answers = answersOf(field, run);
  const had = hadNow(field);
  const before = answers.with(had);
  const unneeded = canGo(field, new Set(), field.sellable, answers, run);
  const gone = new Set(unneeded.ids ?? []);
  const left = field.sellable.filter(({ id }) => !gone.has(id));
  const kept = left.map(({ id, resale }, i) => {
    run.progress(0.5 + (0.5 * i) / left.length);
    const without = answers.with(new Set([...had].filter((other) => other !== id)));
    const lost = difference(without.year, before.year);
    const proven = without.proven && before.proven;
    return { id, resale, lost, spareable: losesNothing(without, before), proven };
  });
  return { before, unneeded, kept, held: field.held, alone: leftAlone(field, had, gone) };
}

function losesNothing(after: YearWorth, before: YearWorth): boolean {
  return after.outings.every((o, at) => {
    const then = before.outings[at]!;
    return o.musts >= then.musts && o.once <= then.once && o.lossPercent <= then.lossPercent + 1e-6;
  });
}

/**
 * What can go once some things are bought, of what couldn't go before: with all sold that is unneeded
 * now, so that what something else on the shelf does as well isn't taken for the purchase's doing.
 */
export function unneededAfter(
  field: NextField,
  bought: ReadonlySet<string>,
  before: Unneeded,
  answers: NextAnswers,
  run: NextRun,
): Unneeded {
  if (before.ids === null) return before;
  const rest = without(field, new Set(before.ids));
  return canGo(rest, bought, rest.sellable, answers, run);
}

/** The field without some owned things. */
function without(field: NextField, gone: ReadonlySet<string>): NextField {
  return {
    ...withShelves(field, (id) => !gone.has(id)),
    sellable: field.sellable.filter(({ id }) => !gone.has(id)),
  };
}

function withShelves(field: NextField, isKept: (id: string) => boolean): NextField {
  return {
    ...field,
    outings: field.outings.map((o) => ({
      ...o,
      question: {
        ...o.question,
        shelf: mapShelf(o.question.shelf, (items) =>
          items.filter(({ id }) => o.anyhow.has(id) || isKept(id)),
        ),
      },
    })),
  };
}

/** What of some owned things can go, with some things bought and everything else still there. */
export function canGo(
  field: NextField,
  bought: ReadonlySet<string>,
  among: readonly Tradable[],
  answers: NextAnswers,
  run: NextRun,
): Unneeded {
  const had = new Set([...hadNow(field), ...bought]);
  const all = answers.with(had);
  const joint = jointOf(withBought(field, bought), { open: among });
  const rows = asGoodRows(joint, all);
  const guarded = { ...joint, mip: { ...joint.mip, rows: [...joint.mip.rows, ...rows] } };
  const by = new Map(among.map((t) => [t.id, t]));
  const solution = solveGoals(withShare(run, SOLVING), guarded, [
    haveGoal(guarded, 'money', (id) => by.get(id)?.resale ?? 0),
    // As many as can go.
    haveGoal(guarded, 'things', () => 1),
    haveGoal(guarded, 'order', (_, order) => order + 1),
  ]);
  if (typeof solution === 'string') return { ids: null, resale: resaleOf([]), open: null };
  const stays = hadIn(guarded, solution)[0]!;
  const goes = among.filter(({ id }) => !stays.has(id));
  return { ids: goes.map(({ id }) => id), resale: resaleOf(goes), open: solution.open };
}

/** The field in which what is bought is had for good, and what else is wished isn't there. */
function withBought(field: NextField, bought: ReadonlySet<string>): NextField {
  const gone = new Set(field.wished.flatMap(({ id }) => (bought.has(id) ? [] : [id])));
  return { ...withShelves(field, (id) => !gone.has(id)), wished: [] };
}

/** Each outing gets the musts and wanted pictures that it got, by its own rules. */
function asGoodRows(joint: JointModel, { outings }: YearWorth): MipRow[] {
  return joint.parts.flatMap((part) => {
    const { got, gotOnce, taken } = outings[part.outing]!;
    const counted = part.model.targets.filter(
      ({ target: { frame, layer } }) =>
        got.has(frame.id) &&
        frame.want !== 'bonus' &&
        (layer === 'single' || !gotOnce.has(frame.id)),
    );
    const rows = counted.map(({ column }): MipRow => ({
      lower: 1,
      upper: 1,
      columns: [part.first + column],
      coefficients: [1],
    }));
    const { problem, model, first } = part;
    const hasWants = problem.frames.some((f) => f.want === 'want');
    if (!hasWants || problem.limits.wantRatePercent === 0) return rows;
    const takenIds = new Set(taken);
    const most = problem.choice.items.reduce(
      (sum, { id, itemCost, lockedIn }) => sum + (takenIds.has(id) && !lockedIn ? itemCost : 0),
      0,
    );
    const costly = model.items.flatMap((item, i) =>
      item.lockedIn || item.itemCost === 0 ? [] : [[first + i, item.itemCost] as const],
    );
    return [
      ...rows,
      {
        lower: -Infinity,
        upper: most,
        columns: costly.map(([column]) => column),
        coefficients: costly.map(([, cost]) => cost),
      },
    ];
  });
}
