import * as z from 'zod';
import { bodyId, itemId, mountName, SOURCES } from '@/core/gear';
import { broken } from '@/core/rule';
import { NO_RESERVE, reserve } from './reserve';

/**
 * What a lineup is judged by after musts, wants and pieces, best first.
 *
 * speed: pictures with light in hand; changes: lenses beyond the bodies in hand; crop: pictures made
 * whole; own: nothing to buy or borrow; grade: pictures made with better lenses, in one's own judgement.
 */
export const LATE_AIMS = ['weight', 'price', 'speed', 'changes', 'crop', 'own', 'grade'] as const;
const lateAim = z.enum(LATE_AIMS);
export type LateAim = z.infer<typeof lateAim>;

/** The lenses that a profile leaves to choose from. */
export const lensKinds = z.enum(['any', 'primes', 'zooms', 'constant-zooms']);
export type LensKinds = z.infer<typeof lensKinds>;

/**
 * A need given as a focal length or an angle is met within so many percent: marked focal lengths, crop
 * factors and equivalents are rounded (a 25 mm on a 17.3 × 13 mm sensor is sold as a 50).
 */
const NEED_TOLERANCE_PERCENT = 2;

const grams = z.number().min(0).max(200_000).nullable();
const count = z.number().min(0).max(2);

/** What the choice must keep to, and the person's own rates. */
export const limits = z.strictObject({
  /** Largest number of lenses; null for no limit. */
  maxLenses: z.number().int().min(0).max(100).nullable(),
  /** Heaviest lineup in g: all pieces, and the bodies along where they are counted. */
  maxLineupWeightG: grams,
  countBodies: z.boolean(),
  /** Most that all carried things weigh, packing included, g; null for no limit. */
  maxCarriedWeightG: grams,
  /** Most money for what is neither owned nor borrowed; null for no limit. */
  maxSpend: z.number().min(0).max(10_000_000).nullable(),
  /** Thickest lens, mm, its hood reversed; null for no limit. */
  maxDiameterMm: z.number().min(1).max(2000).nullable(),
  /** Which price counts where both are known. */
  priceBasis: z.enum(['new', 'used']),
  /** Pieces and bodies that come along whatever the answer. */
  lockedIn: z.array(itemId).max(500),
  /** Pieces and bodies that stay at home. */
  lockedOut: z.array(itemId).max(6000),
  /** Bodies that come along unused, and where they lie: in the bag, or where the rest stays. */
  spares: z.array(z.strictObject({ bodyId, lies: z.enum(['bag', 'base']) })).max(50),
  /** Whose gear may be chosen. */
  sources: z.array(z.enum(SOURCES)).min(1),
  /** Formats that may be used, as 36x24; null for all. */
  formats: z.array(z.string().max(20)).max(50).nullable(),
  /** Mounts of bodies that may be used; null for all. */
  bodyMounts: z.array(mountName).max(100).nullable(),
  lensKinds,
  /** Whether converters may be used at all. */
  converters: z.boolean(),
  /** No lens is changed in any stretch. */
  neverChange: z.boolean(),
  /** Highest ISO anyone wants to use on this outing. */
  isoCeiling: z.number().min(50).max(4_000_000),
  /** Largest linear crop anyone wants, 1 for none. */
  maxCrop: z.number().min(1).max(10),
  /** How wrong light and distances may be, with everything that is got still got. */
  reserve,
  /** How far a need given as a focal length or an angle of view may be missed, percent. */
  needTolerancePercent: z.number().min(0).max(10),
  /** What counts as sharp: by the output, the diagonal over so much, or so many pixels. */
  circleOfConfusion: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('output') }),
    z.strictObject({ kind: z.literal('diagonal'), divisor: z.number().min(500).max(10_000) }),
    z.strictObject({ kind: z.literal('pixels'), px: z.number().min(0.5).max(20) }),
  ]),
  /** Share of the wanted pictures, percent, that a piece must earn; 0 takes all that helps. */
  wantRatePercent: z.number().min(0).max(100),
  /** What a converter, a tube and an adapter count beside a lens's 1. */
  converterPieces: count,
  tubePieces: count,
  adapterPieces: count,
  /** Aims after musts, wants and pieces, in order; what is not named decides last. */
  order: z
    .array(lateAim)
    .max(LATE_AIMS.length)
    .refine((order) => new Set(order).size === order.length, {
      ...broken({ rule: 'aim-twice' }),
    }),
});
export type Limits = z.infer<typeof limits>;

export const DEFAULT_LIMITS: Limits = {
  maxLenses: null,
  maxLineupWeightG: null,
  countBodies: false,
  maxCarriedWeightG: null,
  maxSpend: null,
  maxDiameterMm: null,
  priceBasis: 'new',
  lockedIn: [],
  lockedOut: [],
  spares: [],
  sources: ['owned', 'borrowed', 'rented'],
  formats: null,
  bodyMounts: null,
  lensKinds: 'any',
  converters: true,
  neverChange: false,
  isoCeiling: 6400,
  maxCrop: 1.5,
  reserve: NO_RESERVE,
  needTolerancePercent: NEED_TOLERANCE_PERCENT,
  circleOfConfusion: { kind: 'output' },
  wantRatePercent: 5,
  converterPieces: 0.5,
  tubePieces: 0.5,
  adapterPieces: 0.5,
  order: ['weight', 'price'],
};
