import { z } from 'zod';
import { GEAR_RANGES, itemFields, itemId, lineOfText, mountName, within } from './common';

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
  isoCeiling: within(GEAR_RANGES.iso).nullable(),
  stabiliserStops: within(GEAR_RANGES.stabiliserStops).nullable(),
  /** Slowest f-number at which its autofocus still works. */
  autofocusLimitFNumber: within(GEAR_RANGES.fNumber).nullable(),
  sealed: z.boolean().nullable(),
  /** Width, height and depth as a block, without a lens. */
  sizeMm: z
    .strictObject({
      widthMm: within(GEAR_RANGES.sizeMm),
      heightMm: within(GEAR_RANGES.sizeMm),
      depthMm: within(GEAR_RANGES.sizeMm),
    })
    .nullable(),
  picturesPerCharge: z.number().int().min(1).max(20_000).nullable(),
  /** Kind of memory card it takes, in one's own words. */
  cardType: lineOfText(40).min(1).nullable(),
  cardSlots: z.number().int().min(1).max(4).nullable(),
  /** Size of a picture's file, MB. */
  fileMb: z.number().min(0.1).max(2000).nullable(),
});
export type Body = z.infer<typeof body>;
