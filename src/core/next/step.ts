import { itemsOf } from '@/core/gear';
import { answersOf, hadNow, type NextRun, type YearWorth } from './answering';
import type { NextField } from './field';
import type { Tradable } from './question';
import { canGo, type Unneeded, unneededAfter } from './sell';
import { decidingOf, difference, inOrder, lossOver, type Worth } from './worth';

/** What one thing would add. */
export interface NextThing extends Tradable {
  readonly priceNew: number | null;
  readonly priceUsed: number | null;
  /** Over the year; items and weight below 0 are saved. */
  readonly adds: Worth;
  /** What it is judged by: see `decidingOf`. */
  readonly deciding: readonly number[];
  /** Whether that is a gain. */
  readonly gains: boolean;
  /** For each outing: what it adds there once. */
  readonly byOuting: readonly Worth[];
  /** Lens changes saved over the year; null where not worked out. */
  readonly changesSaved: number | null;
  readonly unneeded: Unneeded;
  /** Price less what the unneeded bring in; null where either isn't known. */
  readonly netCost: number | null;
  readonly proven: boolean;
}

export interface OneStep {
  readonly before: YearWorth;
  /** What could go before anything is bought. */
  readonly unneeded: Unneeded;
  /** Best first: musts, wanted pictures, what the person counts after them, then the net cost. */
  readonly things: readonly NextThing[];
  /** Wished things that weren't looked at, since time ran out. */
  readonly notAsked: readonly string[];
}

/** Every wished thing by what it alone adds over the year. */
export function oneStep(field: NextField, run: NextRun): OneStep {
  const answers = answersOf(field, run);
  const had = hadNow(field);
  const before = answers.with(had);
  const wishes = field.wished.map(({ id }) => id);
  answers.sift(had, wishes);
  const unneeded = canGo(field, new Set(), field.sellable, answers, run);
  const gone = new Set(unneeded.ids ?? []);
  answers.sift(new Set([...had].filter((id) => !gone.has(id))), wishes);
  const prices = pricesOf(field);
  const things: NextThing[] = [];
  const notAsked: string[] = [];
  field.wished.forEach((wish, i) => {
    if (run.deadline.leftS() === 0) return void notAsked.push(wish.id);
    const withIt = new Set([...had, wish.id]);
    const after = answers.with(withIt);
    const byOuting = after.outings.map((o, at) => difference(o, before.outings[at]!));
    const adds = difference(after.year, before.year);
    const lossPercent = after.outings.reduce(
      (sum, o, at) => sum + field.outings[at]!.timesAYear * lossOver(o, before.outings[at]!),
      0,
    );
    const deciding = decidingOf(adds, lossPercent, field.question.after);
    const more = unneededAfter(field, new Set([wish.id]), unneeded, answers, run);
    run.progress((0.8 * (i + 1)) / field.wished.length);
    things.push({
      ...wish,
      ...prices.get(wish.id)!,
      adds,
      deciding,
      gains:
        inOrder(
          deciding,
          deciding.map(() => 0),
        ) < 0,
      byOuting,
      changesSaved: null,
      unneeded: more,
      netCost:
        wish.price === null || more.ids === null || more.resale.unknown.length > 0
          ? null
          : wish.price - more.resale.known,
      proven: before.proven && after.proven && more.open === null && more.ids !== null,
    });
  });

  things.sort(
    (a, b) =>
      inOrder(a.deciding, b.deciding) ||
      (a.netCost ?? Infinity) - (b.netCost ?? Infinity) ||
      (a.id < b.id ? -1 : 1),
  );
  return { before, unneeded, things, notAsked };
}

/** Planning a day takes longer than choosing its lenses: the changes are looked at for the best alone. */
const MOST_WITH_CHANGES = 5;

/** The best of them with the lens changes that they save. */
export function withChanges(
  field: NextField,
  { things, ...found }: OneStep,
  run: NextRun,
): OneStep {
  const answers = answersOf(field, run);
  const had = hadNow(field);
  const now = new Map<number, number | null>();
  const changesNow = (at: number) => {
    if (!now.has(at)) now.set(at, answers.changes(at, had));
    return now.get(at) ?? null;
  };
  const told = things.map((thing, i) => {
    if (i >= MOST_WITH_CHANGES) return thing;
    const withIt = new Set([...had, thing.id]);
    const after = answers.with(withIt);
    let saved: number | null = 0;
    for (const [at, { timesAYear }] of field.outings.entries()) {
      const isUsed = thing.kind === 'bodies' || after.outings[at]!.taken.includes(thing.id);
      if (!isUsed || saved === null) continue;
      const [before, then] = [changesNow(at), answers.changes(at, withIt)];
      saved = before === null || then === null ? null : saved + timesAYear * (before - then);
    }
    run.progress(0.8 + (0.2 * (i + 1)) / MOST_WITH_CHANGES);
    return { ...thing, changesSaved: saved };
  });
  return { ...found, things: told };
}

function pricesOf({ question: { shelf } }: NextField) {
  return new Map<string, Pick<NextThing, 'priceNew' | 'priceUsed'>>(
    itemsOf(shelf).map(({ id, priceNew, priceUsed }) => [id, { priceNew, priceUsed }]),
  );
}
