import * as z from 'zod';
import { GEAR_RANGES, itemId, mountName, within } from './common';
import { itemFields, BODY_FIGURES, schemasOf } from './figures';

export const bodyId = itemId.brand<'BodyId'>();
export type BodyId = z.infer<typeof bodyId>;

/** A sensor by its real size; the pixel counts are `null` where they are not known. */
export const sensor = z.strictObject({
  widthMm: z.number().min(1).max(200),
  heightMm: z.number().min(1).max(200),
  pixelsWide: z.number().int().min(100).max(100_000).nullable(),
  pixelsHigh: z.number().int().min(100).max(100_000).nullable(),
});

export const body = z.strictObject({
  id: bodyId,
  ...itemFields,
  mount: mountName,
  sensor,
  ...schemasOf(BODY_FIGURES),
  /** Width, height and depth as a block, without a lens. */
  sizeMm: z
    .strictObject({
      widthMm: within(GEAR_RANGES.sizeMm),
      heightMm: within(GEAR_RANGES.sizeMm),
      depthMm: within(GEAR_RANGES.sizeMm),
    })
    .nullable(),
});
export type Body = z.infer<typeof body>;
