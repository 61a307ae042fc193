import * as z from 'zod';
import { itemId, mountName } from './common';
import { lensId } from './lens';
import { itemFields } from './figures';

export const converterId = itemId.brand<'ConverterId'>();
export type ConverterId = z.infer<typeof converterId>;

/** A rear converter: multiplies focal length, f-number and magnification of the lenses it takes. */
export const converter = z.strictObject({
  id: converterId,
  ...itemFields,
  mount: mountName,
  factor: z.number().gt(1).max(4),
  lensIds: z.array(lensId).max(2000),
});
export type Converter = z.infer<typeof converter>;
