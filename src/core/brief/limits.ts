import { z } from 'zod';
import { itemId, ownership } from '@/core/gear';

/** What the choice must keep to, and the person's own rates. */
export const limits = z.strictObject({
  /** Largest number of lenses; null for no limit. */
  maxLenses: z.number().int().min(0).max(100).nullable(),
  /** Heaviest lineup in g, lenses and converters, bodies not counted; null for no limit. */
  maxLineupWeightG: z.number().min(0).max(200_000).nullable(),
  /** Lenses and converters that come along whatever the answer. */
  lockedIn: z.array(itemId).max(500),
  /** Lenses, converters and bodies that stay at home. */
  lockedOut: z.array(itemId).max(6000),
  /** Whose gear may be chosen. */
  sources: z.array(ownership).min(1),
  /** Highest ISO anyone wants to use on this outing. */
  isoCeiling: z.number().min(50).max(4_000_000),
  /** Largest linear crop anyone wants, 1 for none. */
  maxCrop: z.number().min(1).max(10),
  /** Share of the wanted pictures, percent, that a piece must earn; 0 takes all that helps. */
  wantRatePercent: z.number().min(0).max(100),
  /** What a converter counts beside a lens's 1. */
  converterPieces: z.number().min(0).max(2),
});
export type Limits = z.infer<typeof limits>;

export const DEFAULT_LIMITS: Limits = {
  maxLenses: null,
  maxLineupWeightG: null,
  lockedIn: [],
  lockedOut: [],
  sources: ['owned', 'borrowed'],
  isoCeiling: 6400,
  maxCrop: 1.5,
  wantRatePercent: 5,
  converterPieces: 0.5,
};
