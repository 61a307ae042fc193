import type { MipRow } from '@/core/lineup';
import type { Tradable } from './question';

/** A sum of which a part may not be known. */
export interface Cost {
  readonly known: number;
  /** Ids of what is in it and has no known figure. */
  readonly unknown: readonly string[];
}

const sumOf = (of: readonly Tradable[], figure: (t: Tradable) => number | null): Cost => ({
  known: of.reduce((sum, t) => sum + (figure(t) ?? 0), 0),
  unknown: of.flatMap((t) => (figure(t) === null ? [t.id] : [])),
});

/** What some things cost to buy. */
export function costOf(things: readonly Tradable[]): Cost {
  return sumOf(things, (t) => t.price);
}

/** What some things bring in. */
export function resaleOf(things: readonly Tradable[]): Cost {
  return sumOf(things, (t) => t.resale);
}

/** No more than so much for what is had at a step. */
export function moneyRow(
  have: ReadonlyMap<string, number>,
  things: readonly Tradable[],
  most: number,
): MipRow {
  const priced = things.filter(({ price }) => price !== null && price > 0);
  return {
    lower: -Infinity,
    upper: most,
    columns: priced.map(({ id }) => have.get(id)!),
    coefficients: priced.map(({ price }) => price!),
  };
}
