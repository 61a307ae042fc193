import * as z from 'zod';
import { bodyId, itemId, itemName, lineOfText } from '@/core/gear';
import { broken } from '@/core/rule';

export const stretchId = itemId.brand<'StretchId'>();
export type StretchId = z.infer<typeof stretchId>;
export const shooterId = itemId.brand<'ShooterId'>();
export type ShooterId = z.infer<typeof shooterId>;
export const stationId = itemId.brand<'StationId'>();
/** A place on the plan of the ground where someone may stand. */
export type StationId = z.infer<typeof stationId>;

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

/** What a place may not allow, and what follows where it doesn't. */
export interface Permission {
  /** Setups stay on their bodies. */
  readonly fixesSetups: boolean;
}
const PERMISSIONS = {
  flash: { fixesSetups: false },
  support: { fixesSetups: false },
  /** Where bags stay outside, only what is on the bodies is there. */
  bags: { fixesSetups: true },
} as const satisfies Readonly<Record<string, Permission>>;
export type PermissionKey = keyof typeof PERMISSIONS;
export const PERMISSION_KEYS = Object.keys(PERMISSIONS) as readonly PermissionKey[];

const each = <T>(value: T) =>
  Object.fromEntries(PERMISSION_KEYS.map((key) => [key, value])) as Record<PermissionKey, T>;

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
    .refine((w) => new Set(w).size === w.length, { ...broken({ rule: 'weather-twice' }) }),
  /** Whether lenses can be changed. */
  changes: z.boolean(),
  allowed: z.strictObject(each(z.boolean())),
  /** Nobody moves: each stays at one station of the ground to the end. */
  stays: z.boolean(),
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
  allowed: each(true),
  stays: false,
  hands: [],
  note: '',
};

/** Whether every setup stays on its body there: no lens may be changed, or nothing else is let in. */
export function setupsStay({ changes, allowed }: Pick<Stretch, 'changes' | 'allowed'>): boolean {
  return !changes || PERMISSION_KEYS.some((key) => PERMISSIONS[key].fixesSetups && !allowed[key]);
}
