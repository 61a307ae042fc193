import type { Limits } from '@/core/brief';
import {
  itemsWithoutBodies,
  type Loan,
  loanDays,
  type Ownership,
  type Shelf,
  usualFigure,
} from '@/core/gear';

/** What each item of a shelf costs, as far as it is known, and else as usual for its kind. */
export interface Pricing {
  /** null where nobody knows it and it can't be estimated. */
  readonly of: (id: string) => number | null;
  /** Money it takes to have it: its price to buy it, its days to rent it; null like its price. */
  readonly spend: (id: string) => number | null;
  /** Whether what it says of an item is an estimate. */
  readonly isEstimated: (id: string) => boolean;
}

/** @param currency of the prices; without one none is estimated */
export function pricingOf(
  shelf: Shelf,
  limits: Pick<Limits, 'priceBasis'>,
  currency: string | undefined,
): Pricing {
  const figure = limits.priceBasis === 'new' ? 'priceNew' : 'priceUsed';
  const usual = new Map<string, number>();
  for (const lens of shelf.lenses) {
    if (priceOf(lens, limits) !== null) continue;
    const price = usualFigure('lenses', lens, figure, { shelf, currency });
    if (price !== null) usual.set(lens.id, price);
  }
  const items = new Map(itemsWithoutBodies(shelf).map((item) => [item.id as string, item]));
  const of = (id: string) => {
    const item = items.get(id);
    return item ? (priceOf(item, limits) ?? usual.get(id) ?? null) : null;
  };
  return {
    of,
    spend: (id) => {
      const item = items.get(id);
      if (!item) return null;
      if (item.ownership === 'wished') return of(id);
      return item.ownership === 'rented' ? rentOf(item.loan) : 0;
    },
    isEstimated: (id) => usual.has(id),
  };
}

/** All that a price asks of an item. */
export interface PricedItem {
  readonly id: string;
  readonly weightG: number | null;
  readonly priceNew: number | null;
  readonly priceUsed: number | null;
  readonly ownership: Ownership;
  readonly loan: Loan | null;
}

/** The price that counts; the other one where that is not known. */
export function priceOf(
  item: Pick<PricedItem, 'priceNew' | 'priceUsed'>,
  { priceBasis }: Pick<Limits, 'priceBasis'>,
): number | null {
  return priceBasis === 'new'
    ? (item.priceNew ?? item.priceUsed)
    : (item.priceUsed ?? item.priceNew);
}

function rentOf(of: Loan | null): number | null {
  const days = of && loanDays(of);
  return !of || days === null || of.pricePerDay === null ? null : days * of.pricePerDay;
}
