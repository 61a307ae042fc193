import * as z from 'zod';
import { frame, limits, outing, packing, stretch } from '@/core/brief';
import { ground } from '@/core/ground';
import { itemId, loan, ownership, shelfParts } from '@/core/gear';
import { usualKey } from './personal';

export const MAX_FRAMES = 500;
export const MAX_STRETCHES = 50;

/** How an item of the shelf stands for one outing, where that is not how it stands on the shelf. */
export const arrangement = z.strictObject({
  itemId,
  as: ownership.exclude(['owned']),
  loan: loan.nullable(),
});
export type Arrangement = z.infer<typeof arrangement>;

/** How an outing hangs together with the person's shelf and settings. */
export const ties = z.strictObject({
  /** Settings that the outing takes from the person; the others are its own. */
  usual: z.array(usualKey).max(usualKey.options.length),
  /** Owned items that may come; null for all, whatever is bought later included. */
  only: z.array(itemId).max(6000).nullable(),
  /** The bag of the person's that is taken; null for one of the outing's own. */
  bagId: itemId.nullable(),
  /** Usually packed things that stay at home. */
  thingsLeft: z.array(itemId).max(100),
});
export type Ties = z.infer<typeof ties>;

/** An outing that takes everything as it usually is. */
export const USUAL_TIES: Ties = {
  usual: [...usualKey.options],
  only: null,
  bagId: null,
  thingsLeft: [],
};

/** The outing's own part: all but what it takes from the person's shelf and settings. */
export const plan = z.strictObject({
  outing,
  stretches: z.array(stretch).max(MAX_STRETCHES),
  frames: z.array(frame).max(MAX_FRAMES),
  limits,
  packing,
  ground,
  ties,
  arranged: z.array(arrangement).max(6000),
  /** Items of this outing alone; one with the id of an item on the shelf counts in its stead. */
  alone: shelfParts,
});
export type Plan = z.infer<typeof plan>;
