import * as z from 'zod';
import { itemId, mountName } from './common';
import { itemFields, knownOrNot } from './figures';

export const adapterId = itemId.brand<'AdapterId'>();
export type AdapterId = z.infer<typeof adapterId>;

/** Carries lenses of one mount on bodies of another, in that direction only. */
export const adapter = z.strictObject({
  id: adapterId,
  ...itemFields,
  bodyMount: mountName,
  lensMount: mountName,
  /** Whether autofocus survives. */
  autofocus: knownOrNot(z.boolean()),
  /** Factor by which its optics change the focal length: 1 for none, below 1 for a focal reducer. */
  factor: z.number().min(0.5).max(2),
  /** Whether a filter drops into it. */
  dropInFilter: knownOrNot(z.boolean()),
});
export type Adapter = z.infer<typeof adapter>;
