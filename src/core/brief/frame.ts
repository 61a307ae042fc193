import { z } from 'zod';
import { itemId, itemName } from '@/core/gear';

export const frameId = itemId.brand<'FrameId'>();
export type FrameId = z.infer<typeof frameId>;

/**
 * held: the subject may be anywhere in the range, every distance must be framed;
 * free: one distance in the range is enough; flowing: every distance, on one setup.
 */
export const footing = z.enum(['held', 'free', 'flowing']);
export type Footing = z.infer<typeof footing>;

export const orientation = z.enum(['landscape', 'portrait', 'either']);
export type Orientation = z.infer<typeof orientation>;

/** Share of the picture's tighter side that the subject may take. */
const fill = z
  .strictObject({ min: z.number().min(0.005).max(2), max: z.number().min(0.005).max(2) })
  .refine((f) => f.min <= f.max, {
    path: ['max'],
    message: 'the most must not be less than the least',
  });

const distanceM = z.number().min(0.01).max(100_000);
const sizeM = z.number().min(0.0005).max(20_000).nullable();
const angleDeg = z.number().min(0.05).max(170);

const subjectNeed = z
  .strictObject({
    kind: z.literal('subject'),
    widthM: sizeM,
    heightM: sizeM,
    fromM: distanceM,
    toM: distanceM,
    fill,
    orientation,
    footing,
  })
  .refine((n) => n.widthM !== null || n.heightM !== null, {
    path: ['heightM'],
    message: 'give a width or a height',
  })
  .refine((n) => n.fromM <= n.toM, {
    path: ['toM'],
    message: 'the farthest must not be nearer than the nearest',
  });

const farNeed = z
  .strictObject({
    kind: z.literal('far'),
    widthDeg: angleDeg.nullable(),
    heightDeg: angleDeg.nullable(),
    fill,
    orientation,
  })
  .refine((n) => n.widthDeg !== null || n.heightDeg !== null, {
    path: ['widthDeg'],
    message: 'give a width or a height',
  });

const focalNeed = z
  .strictObject({
    kind: z.literal('focal'),
    fromMm: z.number().min(2).max(5000),
    toMm: z.number().min(2).max(5000),
    footing,
  })
  .refine((n) => n.fromMm <= n.toMm, {
    path: ['toMm'],
    message: 'the long end must not be shorter than the wide end',
  });

const angleNeed = z
  .strictObject({
    kind: z.literal('angle'),
    fromDeg: angleDeg,
    toDeg: angleDeg,
    across: z.enum(['diagonal', 'width', 'height']),
    footing,
  })
  .refine((n) => n.fromDeg >= n.toDeg, {
    path: ['toDeg'],
    message: 'must not be wider than the wide end',
  });

/** What must fit: a subject at distances, an angle in the far, or a range given directly. */
export const need = z.discriminatedUnion('kind', [subjectNeed, farNeed, focalNeed, angleNeed]);
export type Need = z.infer<typeof need>;

/**
 * The light there is and the time it may take. `ev100: null` means that light sets no demand.
 * A hand-held frame is also bound by the reciprocal rule.
 */
export const light = z.strictObject({
  ev100: z.number().min(-12).max(22).nullable(),
  isoCeiling: z.number().min(50).max(4_000_000).nullable(),
  longestTimeS: z.number().min(0.000005).max(3600).nullable(),
  support: z.enum(['hand', 'support']),
});
export type Light = z.infer<typeof light>;

/** What the picture is for, and so how many pixels must be left after cropping. */
export const output = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('uncropped') }),
  z.strictObject({
    kind: z.literal('pixels'),
    longPx: z.number().int().min(50).max(100_000),
    shortPx: z.number().int().min(50).max(100_000),
  }),
  z.strictObject({
    kind: z.literal('print'),
    longMm: z.number().min(10).max(20_000),
    shortMm: z.number().min(10).max(20_000),
    dpi: z.number().min(30).max(1200),
  }),
]);
export type Output = z.infer<typeof output>;

export const want = z.enum(['must', 'want', 'bonus']);
export type Want = z.infer<typeof want>;

/** One wanted picture. */
export const frame = z.strictObject({
  id: frameId,
  name: itemName,
  want,
  sharePercent: z.number().min(0).max(100).nullable(),
  need,
  light,
  output,
  note: z.string().max(2000),
});
export type Frame = z.infer<typeof frame>;

/** Footing of any kind of need; one far subject has a single place, so one is enough. */
export function footingOf(n: Need): Footing {
  return n.kind === 'far' ? 'free' : n.footing;
}
