import * as z from 'zod';
import { SKY_DIVISORS } from '@/core/optics';
import { SCENES } from './scenes';

const KEYS = SCENES.map((s) => s.key);
const SKIES = Object.keys(SKY_DIVISORS) as (keyof typeof SKY_DIVISORS)[];
const ev = z.number().min(-12).max(22);

/** Where the light's strength is known from. `none`: light sets no demand. */
const lightSource = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('none') }),
  z.strictObject({ kind: z.literal('ev'), ev100: ev }),
  z.strictObject({ kind: z.literal('scene'), scene: z.enum(KEYS) }),
  /** Incident light on the subject, lux. */
  z.strictObject({ kind: z.literal('lux'), lux: z.number().min(0.0005).max(10_000_000) }),
  /** By the sun: a moment with its offset from UTC, a place, and the sky. */
  z.strictObject({
    kind: z.literal('sun'),
    at: z.iso.datetime({ offset: true }),
    latitudeDeg: z.number().min(-90).max(90),
    longitudeDeg: z.number().min(-180).max(180),
    sky: z.enum(SKIES),
  }),
]);
export type LightSource = z.infer<typeof lightSource>;

/** How the subject moves, and how much of that may show. */
export const movement = z.strictObject({
  speedMps: z.number().min(0.001).max(2000),
  /** across: parallel to the sensor; diagonal: at 45°; toward: along the line of sight. */
  direction: z.enum(['across', 'diagonal', 'toward']),
  blur: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('pixels'), px: z.number().min(0.1).max(1000) }),
    /** Percent of the picture's long side. */
    z.strictObject({ kind: z.literal('share'), percent: z.number().min(0.001).max(100) }),
  ]),
});
export type Movement = z.infer<typeof movement>;

/**
 * The light there is and the time it may take. The longest time is the shortest of: the one given,
 * what the subject's movement allows, what stars allow, and, by hand, the reciprocal rule.
 */
export const light = z.strictObject({
  source: lightSource,
  isoCeiling: z.number().min(50).max(4_000_000).nullable(),
  longestTimeS: z.number().min(0.000005).max(3600).nullable(),
  /** Shortest time that shows the movement wanted; a filter makes up for too much light. */
  shortestTimeS: z.number().min(0.000005).max(3600).nullable(),
  support: z.enum(['hand', 'support']),
  movement: movement.nullable(),
  stars: z
    .strictObject({
      declinationDeg: z.number().min(-90).max(90),
      trailPx: z.number().min(0.1).max(1000),
    })
    .nullable(),
  /** Guide number of a flash that may be used, m at ISO 100; null where none is. */
  flash: z.strictObject({ guideNumberM: z.number().min(1).max(500) }).nullable(),
});
export type Light = z.infer<typeof light>;
