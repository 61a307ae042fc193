import type { CarryQuestion } from '@/core/carry';
import type { ItemKind, Shelf } from '@/core/gear';

/** An outing that the gear is for, by its own rules, and how often it happens. */
export interface NextOuting {
  /** Unique among the outings asked about. */
  readonly id: string;
  /** > 0. */
  readonly timesAYear: number;
  /** Its shelf is what comes along; what is only wished there counts as not had. */
  readonly question: CarryQuestion;
}

/** How things are bought and sold. */
export interface TradeTerms {
  /** Which price is paid where both are known. */
  readonly buy: 'new' | 'used';
  /** What comes in of the used price when a thing is sold, percent, 0 to 100. */
  readonly resalePercent: number;
}

/** What counts after the pictures: fewer items, less weight, or nothing but the money. */
export const NEXT_AFTER = ['money', 'items', 'weight'] as const;
export type NextAfter = (typeof NEXT_AFTER)[number];

/** What is asked over all outings: with what is had, what may be bought and what may be sold. */
export interface NextQuestion {
  readonly outings: readonly NextOuting[];
  /** All gear known: what is wished in it may be bought, what is owned in it sold. */
  readonly shelf: Shelf;
  /** Owned things that stay whatever they would bring in. */
  readonly neverSold: readonly string[];
  readonly terms: TradeTerms;
  readonly after: NextAfter;
}

/** A thing that may be bought or sold. */
export interface Tradable {
  readonly id: string;
  readonly kind: ItemKind;
  /** What it costs to buy; null when not known. */
  readonly price: number | null;
  /** What comes in when it is sold; null when not known. */
  readonly resale: number | null;
}
