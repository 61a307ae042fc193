import { z } from 'zod';
import { bodyId, itemId, itemName, lineOfText } from '@/core/gear';

export const stretchId = itemId.brand<'StretchId'>();
export type StretchId = z.infer<typeof stretchId>;
export const shooterId = itemId.brand<'ShooterId'>();
export type ShooterId = z.infer<typeof shooterId>;

/**
 * Someone who photographs, or a camera that is placed somewhere and belongs to nobody: it stands for
 * a stretch, keeps its setup and is taken away at the end.
 */
export const shooter = z.strictObject({ id: shooterId, name: itemName, placed: z.boolean() });
export type Shooter = z.infer<typeof shooter>;

/** One shooter in one stretch: what is at hand there. */
export const presence = z.strictObject({
  shooterId,
  /** Bodies that may be taken along; empty for any. */
  bodyIds: z.array(bodyId).max(50),
  /** How many of them are in hand at once; null for all. */
  bodies: z.number().int().min(0).max(20).nullable(),
  /** Most that is carried, bodies and all pieces, g; null for no limit. */
  maxWeightG: z.number().min(0).max(200_000).nullable(),
});
export type Presence = z.infer<typeof presence>;

export const WEATHERS = ['wet', 'dust', 'cold'] as const;
export type Weather = (typeof WEATHERS)[number];

/** A part of the outing, in time order. */
export const stretch = z.strictObject({
  id: stretchId,
  name: itemName,
  day: z.iso.date().nullable(),
  /** Local times, HH:MM. */
  fromTime: z.iso.time({ precision: -1 }).nullable(),
  toTime: z.iso.time({ precision: -1 }).nullable(),
  place: lineOfText(200),
  /** What it brings besides fair weather. */
  weather: z
    .array(z.enum(WEATHERS))
    .max(WEATHERS.length)
    .refine((w) => new Set(w).size === w.length, { message: 'names a weather twice' }),
  /** Whether lenses can be changed. */
  changes: z.boolean(),
  /** What the place lets in; where bags stay outside, only what hangs on the bodies is there. */
  allowed: z.strictObject({ flash: z.boolean(), support: z.boolean(), bags: z.boolean() }),
  /** Who is there; empty for one shooter with everything. */
  hands: z.array(presence).max(20),
  note: z.string().max(2000),
});
export type Stretch = z.infer<typeof stretch>;

/** A stretch of which nothing is particular; it wants an id and a name. */
export const PLAIN_STRETCH: Omit<Stretch, 'id' | 'name'> = {
  day: null,
  fromTime: null,
  toTime: null,
  place: '',
  weather: [],
  changes: true,
  allowed: { flash: true, support: true, bags: true },
  hands: [],
  note: '',
};
