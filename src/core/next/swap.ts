import { type Body, formatKey } from '@/core/gear';
import type { MipRow } from '@/core/lineup';
import {
  answersOf,
  hadNow,
  type NextAnswers,
  type NextRun,
  type YearWorth,
  SEARCHING,
  withShare,
} from './answering';
import { cheapestAsGood } from './cheapest';
import type { NextField } from './field';
import { type JointModel, jointOf } from './joint';
import { type Cost, costOf, resaleOf } from './money';
import { idsOfUnknown } from './once';
import type { Tradable } from './question';
import { hadIn, haveGoal, type NextOpen, pictureGoals } from './solving';

/** Another system as a whole: every body that isn't of it goes. */
export type System =
  | { readonly by: 'mount'; readonly mount: string }
  | { readonly by: 'format'; readonly format: string };

/** Some things sold and some bought. */
export interface Exchange {
  readonly soldIds: readonly string[];
  readonly boughtIds: readonly string[];
  readonly paid: Cost;
  readonly taken: Cost;
  readonly with: YearWorth;
  /** null when proven. */
  readonly open: NextOpen | null;
}

export interface Swapping {
  readonly before: YearWorth;
  /** The best, and the next best that don't buy all of the same; the first may buy nothing. */
  readonly exchanges: readonly Exchange[];
  /**
   * For each other mount and format: null where it can't be had within the money, or where a body of
   * another one stays whatever it would bring in.
   */
  readonly systems: readonly {
    readonly system: System;
    readonly exchange: Exchange | null;
    readonly stays: NextField['held'];
  }[];
  /** Whether time ran out before everything was looked at. */
  readonly cut: boolean;
  readonly priceUnknown: readonly string[];
}

/** Exchanges that are looked for. */
const MOST_EXCHANGES = 3;

/**
 * The best exchanges: most pictures over the year, then what the person counts after them, then least
 * money in the end.
 *
 * @param money most that may be put to what the sale brings in
 */
export function swapping(field: NextField, money: number, run: NextRun): Swapping {
  const answers = answersOf(field, run);
  const before = answers.with(hadNow(field));
  const wished = field.wished.filter(({ price }) => price !== null);
  const joint = jointOf(field, {
    open: [...wished, ...field.sellable],
    now: before,
  });
  const look = { field, joint, wished, money, answers, run };
  const exchanges: Exchange[] = [];
  const refused: MipRow[] = [];
  const systems = systemsOf(field);
  const all = MOST_EXCHANGES + systems.length;
  let cut = false;
  while (exchanges.length < MOST_EXCHANGES) {
    const found = exchangeWith(look, refused);
    run.progress((exchanges.length + 1) / all);
    if (typeof found === 'string') {
      cut ||= found === 'out-of-time';
      break;
    }
    exchanges.push(found);
    refused.push(otherThan(joint, wished, new Set(found.boughtIds)));
  }
  const wholes = systems.map((system, i) => {
    const others = othersThan(field, system);
    const stays = field.held.filter(({ id }) => others.has(id));
    const found = stays.length > 0 ? null : exchangeWith(look, offRows(joint, others));
    run.progress((MOST_EXCHANGES + i + 1) / all);
    cut ||= found === 'out-of-time';
    return { system, exchange: typeof found === 'string' ? null : found, stays };
  });
  const priceUnknown = idsOfUnknown(field.wished, money);
  return { before, exchanges, systems: wholes, cut, priceUnknown };
}

interface Look {
  readonly field: NextField;
  readonly joint: JointModel;
  readonly wished: readonly Tradable[];
  readonly money: number;
  readonly answers: NextAnswers;
  readonly run: NextRun;
}

function exchangeWith(
  look: Look,
  rows: readonly MipRow[],
): Exchange | 'impossible' | 'out-of-time' {
  const { field, joint, wished, answers, run } = look;
  const asked = {
    ...joint,
    mip: { ...joint.mip, rows: [...joint.mip.rows, purse(look), ...rows] },
  };
  const isWished = new Set(wished.map(({ id }) => id));
  const by = new Map([...wished, ...field.sellable].map((t) => [t.id, t]));
  const worthOf = (id: string) => (isWished.has(id) ? by.get(id)?.price : by.get(id)?.resale) ?? 0;
  const solution = cheapestAsGood(
    { field, joint: asked, answers, run: withShare(run, SEARCHING) },
    pictureGoals(field, asked, field.question.after),
    [
      haveGoal(asked, 'money', worthOf),
      // Nothing is sold that brings in nothing known, nor bought for nothing.
      haveGoal(asked, 'things', (id) => (isWished.has(id) ? 1 : -1)),
      haveGoal(asked, 'order', (_, order) => order + 1),
    ],
  );
  if (typeof solution === 'string') return solution;
  const had = hadIn(asked, solution)[0]!;
  const bought = wished.filter(({ id }) => had.has(id));
  const sold = field.sellable.filter(({ id }) => !had.has(id));
  return {
    soldIds: sold.map(({ id }) => id),
    boughtIds: bought.map(({ id }) => id),
    paid: costOf(bought),
    taken: resaleOf(sold),
    with: answers.with(had),
    open: solution.open,
  };
}

/** What is paid, less what comes in, is no more than the money. */
function purse({ field: { sellable }, joint, wished, money }: Look): MipRow {
  const have = joint.have[0]!;
  const comesIn = sellable.flatMap(({ id, resale }) =>
    resale === null || resale === 0 ? [] : [[have.get(id)!, resale] as const],
  );
  const paid = wished.flatMap(({ id, price }) =>
    price === null || price === 0 ? [] : [[have.get(id)!, price] as const],
  );
  const entries = [...paid, ...comesIn];
  return {
    lower: -Infinity,
    upper: money + comesIn.reduce((sum, [, resale]) => sum + resale, 0),
    columns: entries.map(([column]) => column),
    coefficients: entries.map(([, c]) => c),
  };
}

/** Not all of the same things bought once more; after nothing, something. */
function otherThan(
  { have }: JointModel,
  wished: readonly Tradable[],
  bought: ReadonlySet<string>,
): MipRow {
  const isFirst = bought.size === 0;
  const ids = wished.flatMap(({ id }) => (isFirst || bought.has(id) ? [id] : []));
  return {
    lower: isFirst ? 1 : -Infinity,
    upper: isFirst ? Infinity : bought.size - 1,
    columns: ids.map((id) => have[0]!.get(id)!),
    coefficients: ids.map(() => 1),
  };
}

/** The mounts and formats of all bodies known, where there is more than one. */
function systemsOf({ question: { shelf } }: NextField): System[] {
  const mounts = [...new Set(shelf.bodies.map((b) => b.mount))].sort();
  const formats = [...new Set(shelf.bodies.map((b) => formatKey(b.sensor)))].sort();
  return [
    ...(mounts.length > 1 ? mounts.map((mount) => ({ by: 'mount', mount }) as const) : []),
    ...(formats.length > 1 ? formats.map((format) => ({ by: 'format', format }) as const) : []),
  ];
}

const isOf = (system: System, body: Body) =>
  system.by === 'mount' ? body.mount === system.mount : formatKey(body.sensor) === system.format;

/** Bodies of another system. */
const othersThan = ({ question: { shelf } }: NextField, system: System): ReadonlySet<string> =>
  new Set(shelf.bodies.filter((b) => !isOf(system, b)).map((b) => b.id));

/** Every body of another system goes. */
function offRows({ have }: JointModel, others: ReadonlySet<string>): MipRow[] {
  return [...have[0]!].flatMap(([id, column]) =>
    others.has(id) ? [{ lower: 0, upper: 0, columns: [column], coefficients: [1] }] : [],
  );
}
