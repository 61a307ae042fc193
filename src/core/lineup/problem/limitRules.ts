import type { Limits } from '@/core/brief';
import type { SelectableItem } from './item';

/** The limits that are a most of something, null for none. */
export type LimitKey = {
  [K in keyof Limits]: null extends Limits[K]
    ? NonNullable<Limits[K]> extends number
      ? K
      : never
    : never;
}[keyof Limits];

/** Said of what is left out because nobody knows whether it keeps to a limit. */
export type UnknownUnderLimit = 'price-unknown' | 'diameter-unknown';
/** Said of a lens that is beyond a limit by itself. */
export type BeyondLimit = 'too-thick';

/** A most of all that comes along: a row of the model, which a conflict can switch off. */
export interface SumRule {
  readonly kind: 'sum';
  /** What an item counts; null where that is not known, and then it is not chosen. */
  readonly of: (item: SelectableItem) => number | null;
  readonly unknown: UnknownUnderLimit | null;
  /** Whether bodies that come along count, by their weight. */
  readonly countsBodies: (limits: Limits) => boolean;
  /** Whether what is packed because of pictures counts. */
  readonly countsLoads: boolean;
  /** What else counts, whatever is chosen. */
  readonly besides: (problem: { readonly packedG: number }) => number;
  /** By what one lens must not exceed another in whose place it is taken. */
  readonly resource: 'weightG' | 'spend' | null;
}

/** A most of each lens by itself: what is beyond it is not chosen from. */
export interface LensRule {
  readonly kind: 'lens';
  readonly figure: 'diameterMm';
  readonly unknown: UnknownUnderLimit;
  readonly beyond: BeyondLimit;
}

const weight = {
  kind: 'sum',
  of: (item) => item.weightG,
  unknown: null,
  resource: 'weightG',
  countsLoads: false,
} as const satisfies Partial<SumRule>;
const nothing = () => 0;
const never = () => false;

/** Every limit with all that a choice asks of it; what is said of it stands in the texts. */
export const LIMIT_RULES = {
  maxLenses: {
    kind: 'sum',
    of: (item) => (item.kind === 'lens' ? 1 : 0),
    unknown: null,
    countsLoads: false,
    countsBodies: never,
    besides: nothing,
    resource: null,
  },
  maxLineupWeightG: { ...weight, countsBodies: (l) => l.countBodies, besides: nothing },
  maxCarriedWeightG: {
    ...weight,
    countsLoads: true,
    countsBodies: () => true,
    besides: (p) => p.packedG,
  },
  maxSpend: {
    kind: 'sum',
    of: (item) => item.spend,
    unknown: 'price-unknown',
    countsLoads: false,
    countsBodies: never,
    besides: nothing,
    resource: 'spend',
  },
  maxDiameterMm: {
    kind: 'lens',
    figure: 'diameterMm',
    unknown: 'diameter-unknown',
    beyond: 'too-thick',
  },
} as const satisfies { readonly [K in LimitKey]: SumRule | LensRule };

type KeysOf<Rule> = {
  [K in LimitKey]: (typeof LIMIT_RULES)[K] extends Rule ? K : never;
}[LimitKey];
/** The limits on all that comes along. */
export type SumLimit = KeysOf<{ readonly kind: 'sum' }>;

const ALL: readonly (readonly [LimitKey, SumRule | LensRule])[] = Object.entries(
  LIMIT_RULES,
) as never;

/** The limits, in the order in which they are asked about and shown. */
export const LIMIT_KEYS: readonly LimitKey[] = ALL.map(([key]) => key);

/** What is set of the limits on all that comes along. */
export function sumLimits(limits: Limits) {
  return ALL.flatMap(([key, rule]) => {
    const most = limits[key];
    return rule.kind === 'sum' && most !== null ? [{ key: key as SumLimit, rule, most }] : [];
  });
}

/** What is set of the limits on each lens. */
export function lensLimits(limits: Limits) {
  return ALL.flatMap(([key, rule]) => {
    const most = limits[key];
    return rule.kind === 'lens' && most !== null ? [{ key, rule, most }] : [];
  });
}

/** None of the limits that are a most of something. */
export const NO_LIMITS = Object.fromEntries(LIMIT_KEYS.map((key) => [key, null])) as Record<
  LimitKey,
  null
>;

/** Figures of a lens that nothing but a limit asks about. */
export const LIMITED_FIGURES: ReadonlySet<string> = new Set(
  ALL.flatMap(([, rule]) => (rule.kind === 'lens' ? [rule.figure] : [])),
);
