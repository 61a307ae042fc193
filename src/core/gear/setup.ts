import {
  combinedStabiliserStops,
  cropFactor,
  type PixelSize,
  type SensorSize,
  sideMm,
} from '@/core/optics';
import type { Body, BodyId } from './body';
import type { Converter, ConverterId } from './converter';
import { countingRange, type FocalRange, type Lens, type LensId, widestFNumber } from './lens';
import { mountFits, type Shelf } from './shelf';

/** What is carried for a setup: the lens and, where one is used, the converter. */
export interface Kit {
  readonly lensId: LensId;
  readonly converterId: ConverterId | null;
}

/** One mountable chain, with what follows from it. */
export interface Setup extends Kit {
  readonly bodyId: BodyId;
  /** Focal range that counts, converter included, mm. */
  readonly focal: FocalRange;
  /** The part of the sensor that the image circle fills. */
  readonly sensor: SensorSize;
  /** Pixels of that part; null when the body's pixels are not known. */
  readonly pixels: PixelSize | null;
  readonly cropFactor: number;
  readonly rectilinear: boolean;
  readonly minFocusM: number | null;
  readonly maxMagnification: number | null;
  readonly stabiliserStops: number;
  readonly isoCeiling: number | null;
  /** Widest f-number at a focal length of this setup, converter included. */
  readonly fNumberAt: (focalLengthMm: number) => number;
}

/** Every chain of a body, a lens that fits it and at most one converter made for that lens. */
export function mountableSetups(shelf: Shelf): Setup[] {
  const convertersByLens = new Map<LensId, Converter[]>();
  for (const c of shelf.converters) {
    for (const id of c.lensIds) convertersByLens.set(id, [...(convertersByLens.get(id) ?? []), c]);
  }
  return shelf.bodies.flatMap((b) =>
    shelf.lenses
      .filter((l) => mountFits(shelf.mounts, b.mount, l.mount))
      .flatMap((l) => [
        setupOf(b, l, null),
        ...(convertersByLens.get(l.id) ?? [])
          .filter((c) => mountFits(shelf.mounts, b.mount, c.mount))
          .map((c) => setupOf(b, l, c)),
      ]),
  );
}

/**
 * What follows from a chain. A converter multiplies focal length, f-number and magnification and
 * keeps the close focus (Ray, Applied Photographic Optics, from memory). A lens whose image circle
 * is smaller than the sensor uses the part that it fills, at its true size and with fewer pixels;
 * an unknown image circle is taken to fill the sensor.
 */
export function setupOf(b: Body, l: Lens, c: Converter | null): Setup {
  const factor = c?.factor ?? 1;
  const range = countingRange(l);
  const diagonal = sideMm(b.sensor, 'diagonal');
  const share = l.imageCircleMm === null ? 1 : Math.min(1, (l.imageCircleMm * factor) / diagonal);
  const sensor = { widthMm: b.sensor.widthMm * share, heightMm: b.sensor.heightMm * share };
  const { pixelsWide, pixelsHigh } = b.sensor;
  return {
    bodyId: b.id,
    lensId: l.id,
    converterId: c?.id ?? null,
    focal: { wideMm: range.wideMm * factor, longMm: range.longMm * factor },
    sensor,
    pixels:
      pixelsWide === null || pixelsHigh === null
        ? null
        : {
            longPx: Math.max(pixelsWide, pixelsHigh) * share,
            shortPx: Math.min(pixelsWide, pixelsHigh) * share,
          },
    cropFactor: cropFactor(sensor),
    rectilinear: l.projection === 'rectilinear',
    minFocusM: l.minFocusM,
    maxMagnification: l.maxMagnification === null ? null : l.maxMagnification * factor,
    stabiliserStops: combinedStabiliserStops(b.stabiliserStops, l.stabiliserStops),
    isoCeiling: b.isoCeiling,
    fNumberAt: (focalLengthMm) => widestFNumber(l.apertures, focalLengthMm / factor) * factor,
  };
}

export function kitKey(kit: Kit): string {
  return kit.converterId === null ? kit.lensId : `${kit.lensId}+${kit.converterId}`;
}
