import { z } from 'zod';
import { compartment, DEFAULT_LIMITS, type Limits, limits, packedThing } from '@/core/brief';
import { GEAR_RANGES, itemId, itemName, type Shelf, shelf, within } from '@/core/gear';
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

/** The person's settings, for every outing that has no other. */
export const settings = z.strictObject({
  /** ISO 4217 code of all prices on the shelf. */
  currency: z.string().regex(/^[A-Z]{3}$/),
  units: z.enum(['metric', 'imperial']),
  limits: limits.pick(Object.fromEntries(USUAL_LIMITS.map((key) => [key, true])) as UsualMask),
});
type UsualMask = Record<UsualLimit, true>;
export type Settings = z.infer<typeof settings>;

export const DEFAULT_SETTINGS: Settings = {
  currency: 'EUR',
  units: 'metric',
  limits: usualOf(DEFAULT_LIMITS),
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
