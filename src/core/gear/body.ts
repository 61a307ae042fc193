import * as z from 'zod';
import { GEAR_RANGES, itemId, mountName, within } from './common';
import { BODY_FIGURES, itemFields, knownOrNot, schemasOf } from './figures';

export const bodyId = itemId.brand<'BodyId'>();
export type BodyId = z.infer<typeof bodyId>;

const pixels = knownOrNot(z.number().int().min(100).max(100_000));

/** A sensor by its real size; the pixel counts are `null` where they are not known. */
export const sensor = z.strictObject({
  widthMm: z.number().min(1).max(200),
  heightMm: z.number().min(1).max(200),
  pixelsWide: pixels,
  pixelsHigh: pixels,
});

export const body = z.strictObject({
  id: bodyId,
  ...itemFields,
  mount: mountName,
  sensor,
  ...schemasOf(BODY_FIGURES),
  /** Width, height and depth as a block, without a lens. */
  sizeMm: knownOrNot(
    z.strictObject({
      widthMm: within(GEAR_RANGES.sizeMm),
      heightMm: within(GEAR_RANGES.sizeMm),
      depthMm: within(GEAR_RANGES.sizeMm),
    }),
  ),
});
export type Sensor = z.infer<typeof sensor>;

/**
 * A sensor's pixels along both sides. Where one side is not known it follows from the sensor's shape,
 * since pixels are square; null where neither is known.
 */
export function pixelsOfSensor({ widthMm, heightMm, pixelsWide, pixelsHigh }: Sensor): {
  readonly wide: number;
  readonly high: number;
} | null {
  const wide = pixelsWide ?? (pixelsHigh === null ? null : (pixelsHigh * widthMm) / heightMm);
  const high = pixelsHigh ?? (pixelsWide === null ? null : (pixelsWide * heightMm) / widthMm);
  return wide === null || high === null ? null : { wide, high };
}

export type Body = z.infer<typeof body>;
