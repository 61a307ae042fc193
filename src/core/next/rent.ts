/** What it takes to rent a thing, or to buy it and sell it again. */
export interface RentTerms {
  /** Price of a day, ≥ 0. */
  readonly pricePerDay: number;
  /** Days of one outing, > 0. */
  readonly days: number;
  /** How often a year, > 0. */
  readonly timesAYear: number;
  /** Years after which it would be sold, > 0. */
  readonly years: number;
  readonly price: number | null;
  /** What it brings in when it is sold. */
  readonly resale: number | null;
}

export interface RentOrBuy {
  /** For all the years. */
  readonly rent: number;
  /** Price less resale, for all the years; null when either isn't known. */
  readonly buyAndSell: number | null;
  /** Days a year from which buying costs less; null when not known, or where a day costs nothing. */
  readonly breakEvenDaysAYear: number | null;
  /** Days a year it would be had for. */
  readonly daysAYear: number;
  readonly cheaper: 'rent' | 'buy' | 'same' | null;
}

/**
 * Renting against buying and selling again. No interest, insurance or fall of the resale with the years:
 * what it brings in is the person's own figure.
 *
 * Source: arithmetic; rent · days · times · years against price − resale.
 */
export function rentOrBuy(terms: RentTerms): RentOrBuy {
  const { pricePerDay, days, timesAYear, years, price, resale } = terms;
  const daysAYear = days * timesAYear;
  const rent = pricePerDay * daysAYear * years;
  const buyAndSell = price === null || resale === null ? null : price - resale;
  const breakEvenDaysAYear =
    buyAndSell === null || pricePerDay === 0
      ? null
      : Math.max(0, buyAndSell) / (pricePerDay * years);
  const cheaper =
    buyAndSell === null ? null : rent < buyAndSell ? 'rent' : rent > buyAndSell ? 'buy' : 'same';
  return { rent, buyAndSell, breakEvenDaysAYear, daysAYear, cheaper };
}
