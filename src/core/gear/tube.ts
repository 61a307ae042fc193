import * as z from 'zod';
import { itemId, mountName } from './common';
import { itemFields, knownOrNot } from './figures';

export const tubeId = itemId.brand<'TubeId'>();
export type TubeId = z.infer<typeof tubeId>;

/** An extension tube: nearer focus for any lens of its mount, and infinity is lost. */
export const tube = z.strictObject({
  id: tubeId,
  ...itemFields,
  mount: mountName,
  lengthMm: z.number().min(1).max(300),
  /** Whether it passes autofocus on. */
  autofocus: knownOrNot(z.boolean()),
});
export type Tube = z.infer<typeof tube>;
