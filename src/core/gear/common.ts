import { z } from 'zod';

/** Ranges that any sane piece of gear lies in; a figure outside is a slip of the pen. */
export const GEAR_RANGES = {
  focalLengthMm: { min: 1, max: 5000 },
  fNumber: { min: 0.5, max: 64 },
  weightG: { min: 1, max: 50_000 },
  price: { min: 0, max: 1_000_000 },
  focusM: { min: 0.001, max: 1000 },
  magnification: { min: 0.001, max: 20 },
  stabiliserStops: { min: 0, max: 10 },
  iso: { min: 50, max: 4_000_000 },
  sizeMm: { min: 1, max: 2000 },
} as const;

/** A number within one of the stated ranges, ends included. */
export function within(range: { readonly min: number; readonly max: number }) {
  return z.number().min(range.min).max(range.max);
}

export const itemId = z
  .string()
  .min(1)
  .max(80)
  .regex(/^[\w.:-]+$/, 'use letters, digits, and . : _ - only');

export const itemName = z.string().trim().min(1).max(120);
export const mountName = z.string().trim().min(1).max(60);

/** Owned, borrowed for this outing, or only wished for. */
export const ownership = z.enum(['owned', 'borrowed', 'wished']);
export type Ownership = z.infer<typeof ownership>;

/** What every piece on the shelf has. `null` is "not known", which is never the same as zero. */
export const itemFields = {
  name: itemName,
  maker: z.string().trim().max(80),
  weightG: within(GEAR_RANGES.weightG).nullable(),
  priceNew: within(GEAR_RANGES.price).nullable(),
  priceUsed: within(GEAR_RANGES.price).nullable(),
  ownership,
} as const;
