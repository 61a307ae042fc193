import * as z from 'zod';
import { compartment, DEFAULT_LIMITS, type Limits, limits, packedThing } from '@/core/brief';
import { GEAR_RANGES, itemId, itemName, type Shelf, shelf, within } from '@/core/gear';
import type { NextAfter } from '@/core/next';
import { broken } from '@/core/rule';

/** Limits that are usually the same on every outing; an outing may have its own. */
export const USUAL_LIMITS = [
  'order',
  'lensKinds',
  'converters',
  'wantRatePercent',
  'converterPieces',
  'tubePieces',
  'adapterPieces',
  'circleOfConfusion',
  'maxCrop',
  'isoCeiling',
  'needTolerancePercent',
  'priceBasis',
] as const satisfies readonly (keyof Limits)[];
export type UsualLimit = (typeof USUAL_LIMITS)[number];
export type UsualLimits = Pick<Limits, UsualLimit>;

/** What an outing may take from the person's settings. */
export const usualKey = z.enum([...USUAL_LIMITS, 'currency']);
export type UsualKey = z.infer<typeof usualKey>;

/** An outing that the gear is bought for, by its key or by the brief that it starts from. */
const nextOuting = z.strictObject({
  of: z.enum(['saved', 'starter']),
  key: z.string().min(1).max(120),
  timesAYear: z.number().gt(0).max(366),
});

/** What counts after the pictures; stands here too, so that nothing of the computation is loaded for it. */
const AFTER = ['money', 'items', 'weight'] as const satisfies readonly NextAfter[];

export const MOST_NEXT_OUTINGS = 40;
export const MOST_STEPS = 6;
const money = z.number().min(0).max(10_000_000);

/** What the person asks of the page on buying. */
export const nextSettings = z.strictObject({
  /** None: the outing that is open, once a year. */
  outings: z.array(nextOuting).max(MOST_NEXT_OUTINGS),
  buy: z.enum(['new', 'used']),
  /** What comes in of the used price when a thing is sold. */
  resalePercent: z.number().min(0).max(100),
  after: z.enum(AFTER),
  /** For buying at once; null for no limit. */
  budget: money.nullable(),
  stepBudget: money,
  steps: z.number().int().min(1).max(MOST_STEPS),
  /** Whether what a step leaves over is kept for the next. */
  saves: z.boolean(),
  /** What may be put to a sale, for an exchange. */
  swapMoney: money,
  /** Years after which what is bought would be sold again. */
  years: z.number().gt(0).max(50),
  neverSold: z.array(itemId).max(6000),
});
export type NextSettings = z.infer<typeof nextSettings>;
export type ChosenOuting = NextSettings['outings'][number];

/** What a dealer usually pays of what he then asks for it (common practice, no source). */
const USUAL_RESALE_PERCENT = 75;

export const DEFAULT_NEXT: NextSettings = {
  outings: [],
  buy: 'new',
  resalePercent: USUAL_RESALE_PERCENT,
  after: 'money',
  budget: 2000,
  stepBudget: 1000,
  steps: 3,
  saves: true,
  swapMoney: 0,
  years: 3,
  neverSold: [],
};

/** The person's settings, for every outing that has no other. */
export const settings = z.strictObject({
  /** ISO 4217 code of all prices on the shelf. */
  currency: z.string().regex(/^[A-Z]{3}$/),
  units: z.enum(['metric', 'imperial']),
  limits: limits.pick(Object.fromEntries(USUAL_LIMITS.map((key) => [key, true])) as UsualMask),
  next: nextSettings,
});
type UsualMask = Record<UsualLimit, true>;
export type Settings = z.infer<typeof settings>;

export const DEFAULT_SETTINGS: Settings = {
  currency: 'EUR',
  units: 'metric',
  limits: usualOf(DEFAULT_LIMITS),
  next: DEFAULT_NEXT,
};

export function usualOf(all: Limits): UsualLimits {
  return Object.fromEntries(USUAL_LIMITS.map((key) => [key, all[key]])) as UsualLimits;
}

/** A bag with its compartments. */
export const bag = z.strictObject({
  id: itemId,
  name: itemName,
  weightG: within(GEAR_RANGES.weightG).nullable(),
  compartments: z.array(compartment).max(20),
});
export type Bag = z.infer<typeof bag>;

export const MOST_BAGS = 50;
export const MOST_THINGS = 100;

/** All that the person has for every outing: gear, bags, and what is usually packed. */
export const personalShelf = z
  .strictObject({
    gear: shelf,
    bags: z.array(bag).max(MOST_BAGS),
    things: z.array(packedThing).max(MOST_THINGS),
  })
  .superRefine(({ bags, things }, context) => {
    for (const [name, list] of [['bags', bags] as const, ['things', things] as const])
      list.forEach(({ id }, i) => {
        if (list.findIndex((other) => other.id === id) < i)
          context.addIssue({
            code: 'custom',
            path: [name, i, 'id'],
            ...broken({ rule: 'duplicate-id', id }),
          });
      });
  });
export type PersonalShelf = z.infer<typeof personalShelf>;

export const NO_GEAR: Shelf = {
  mounts: [],
  bodies: [],
  lenses: [],
  converters: [],
  tubes: [],
  adapters: [],
};

export const EMPTY_SHELF: PersonalShelf = { gear: NO_GEAR, bags: [], things: [] };
