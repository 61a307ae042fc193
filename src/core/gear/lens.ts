import * as z from 'zod';
import { FISHEYE_PROJECTIONS } from '@/core/optics';
import { GEAR_RANGES, itemId, mountName, within } from './common';
import { itemFields, knownOrNot, LENS_FIGURES, schemasOf } from './figures';
import { broken } from '@/core/rule';

export const lensId = itemId.brand<'LensId'>();
export type LensId = z.infer<typeof lensId>;

/** Grades of a lens from the best down. They are the person's own judgement, not a measurement. */
export const GRADES = ['first-class', 'good', 'fair'] as const;
export type Grade = (typeof GRADES)[number];

export const focalRange = z
  .strictObject({
    wideMm: within(GEAR_RANGES.focalLengthMm),
    longMm: within(GEAR_RANGES.focalLengthMm),
  })
  .refine((range) => range.wideMm <= range.longMm, {
    path: ['longMm'],
    ...broken({ rule: 'long-end-shorter' }),
  });
export type FocalRange = z.infer<typeof focalRange>;

/** Widest f-number at one marked focal length. */
const aperturePoint = z.strictObject({
  focalMm: within(GEAR_RANGES.focalLengthMm),
  fNumber: within(GEAR_RANGES.fNumber),
});
export type AperturePoint = z.infer<typeof aperturePoint>;

/**
 * A lens as its maker marks it, with a measured range beside the marked one where there is one.
 *
 * `apertures` runs from wide to long; between two points the f-number is interpolated evenly in
 * stops over the logarithm of the focal length.
 */
export const lens = z.strictObject({
  id: lensId,
  ...itemFields,
  mount: mountName,
  focal: focalRange,
  measured: knownOrNot(focalRange),
  apertures: z
    .array(aperturePoint)
    .min(1)
    .max(12)
    .superRefine((points, context) => {
      for (let i = 1; i < points.length; i += 1) {
        const before = points[i - 1];
        const point = points[i];
        if (!before || !point) continue;
        if (point.focalMm <= before.focalMm) {
          context.addIssue({
            code: 'custom',
            path: [i, 'focalMm'],
            ...broken({ rule: 'focal-lengths-must-rise' }),
          });
        }
        if (point.fNumber < before.fNumber) {
          context.addIssue({
            code: 'custom',
            path: [i, 'fNumber'],
            ...broken({ rule: 'f-numbers-must-not-fall' }),
          });
        }
      }
    }),
  projection: z.enum(['rectilinear', ...FISHEYE_PROJECTIONS]),
  ...schemasOf(LENS_FIGURES),
  /** How good it is, in the person's own judgement; null where there is none. */
  grade: knownOrNot(z.enum(GRADES)),
});
export type Lens = z.infer<typeof lens>;

export function isPrime(range: FocalRange): boolean {
  return range.wideMm === range.longMm;
}

/** The range that counts: the measured one where there is one, else the marked one. */
export function countingRange(l: Pick<Lens, 'focal' | 'measured'>): FocalRange {
  return l.measured ?? l.focal;
}

/** The widest f-numbers at the wide and at the long end, as a lens is named by. */
export function apertureEnds(apertures: readonly AperturePoint[]): readonly [number, number] {
  const [first] = apertures;
  if (!first) throw new RangeError('apertures must hold at least one point');
  return [first.fNumber, (apertures.at(-1) ?? first).fNumber];
}

/**
 * Widest f-number at a focal length.
 *
 * Between two table points it is interpolated evenly in stops over log focal length (real zooms
 * step; makers seldom publish the steps). Outside the table the nearest end counts.
 */
export function widestFNumber(apertures: readonly AperturePoint[], focalLengthMm: number): number {
  const first = apertures[0];
  if (!first) throw new RangeError('apertures must hold at least one point');
  let below = first;
  for (const point of apertures) {
    if (point.focalMm >= focalLengthMm) {
      if (point === below || point.fNumber === below.fNumber || focalLengthMm <= below.focalMm) {
        return focalLengthMm < point.focalMm ? below.fNumber : point.fNumber;
      }
      const share =
        Math.log(focalLengthMm / below.focalMm) / Math.log(point.focalMm / below.focalMm);
      return below.fNumber * (point.fNumber / below.fNumber) ** share;
    }
    below = point;
  }
  return below.fNumber;
}
