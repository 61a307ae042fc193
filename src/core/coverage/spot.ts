import { distanceAt, type Framing, type NeedAxis } from '@/core/brief';
import { magnificationAt, objectDistanceMm } from '@/core/optics';
import { MM_PER_M } from '@/core/units';

/** A focal length at a place of a need's axis, with what follows from it. */
export interface Spot {
  readonly focalMm: number;
  /** Place on the axis. */
  readonly x: number;
  /** m from the sensor; null far away. */
  readonly distanceM: number | null;
  /** 0 far away. */
  readonly magnification: number;
  /** Linear crop that the picture then needs, >= 1. */
  readonly crop: number;
}

interface FramedSpot {
  readonly axis: NeedAxis;
  readonly framing: Framing;
  /** Least magnification wanted, cropping allowed. */
  readonly leastMagnification: number;
}

/** Beyond life size, which a thin lens does not tell by its distance, the magnification wanted counts. */
export function spotAt(
  { axis, framing, leastMagnification }: FramedSpot,
  focalMm: number,
  x: number,
): Spot {
  const distanceM = distanceAt(axis, x);
  const thin = magnificationOf(focalMm, distanceM);
  return {
    focalMm,
    x,
    distanceM,
    magnification: leastMagnification > 1 ? leastMagnification : thin,
    crop: Math.max(1, framing.cropAt(x, focalMm)),
  };
}

/** Magnification at a distance from the sensor, up to life size; 0 far away. */
export function magnificationOf(focalMm: number, distanceM: number | null): number {
  return distanceM === null ? 0 : magnificationAt(focalMm, distanceM * MM_PER_M);
}

/** From the lens to something so far from the sensor, mm, when it is focused at the spot. */
export function fromLensMm({ focalMm, magnification }: Spot, distanceM: number): number {
  return distanceM * MM_PER_M - focalMm * (1 + magnification);
}

/** From the lens to the subject, mm; Infinity far away. */
export function subjectFromLensMm({ distanceM, magnification }: Spot): number {
  return distanceM === null ? Infinity : objectDistanceMm(distanceM * MM_PER_M, magnification);
}
