/** A sensor by its real size. Landscape: `widthMm >= heightMm` is usual but not demanded. */
export interface SensorSize {
  readonly widthMm: number;
  readonly heightMm: number;
}

/** The 36×24 mm frame to which equivalent focal lengths refer. */
export const FULL_FRAME: SensorSize = { widthMm: 36, heightMm: 24 };

export type SensorSide = 'diagonal' | 'width' | 'height';

/** Length of one side, or of the diagonal, in mm. */
export function sideMm(sensor: SensorSize, side: SensorSide): number {
  if (side === 'width') return sensor.widthMm;
  if (side === 'height') return sensor.heightMm;
  return Math.hypot(sensor.widthMm, sensor.heightMm);
}

/**
 * Crop factor against a reference frame (36×24 mm by default), by one side or the diagonal.
 *
 * Source: ratio of the frame's dimensions; by diagonal is the usual catalogue figure.
 */
export function cropFactor(
  sensor: SensorSize,
  side: SensorSide = 'diagonal',
  reference: SensorSize = FULL_FRAME,
): number {
  return sideMm(reference, side) / sideMm(sensor, side);
}

/** The largest rectangle of the given aspect (width / height) inside the sensor, mm. */
export function inscribedAspect(sensor: SensorSize, aspect: number): SensorSize {
  const wide = sensor.widthMm / sensor.heightMm > aspect;
  return wide
    ? { widthMm: sensor.heightMm * aspect, heightMm: sensor.heightMm }
    : { widthMm: sensor.widthMm, heightMm: sensor.widthMm / aspect };
}

/** Focal length that gives the same angle of view on the reference frame, mm. */
export function equivalentFocalLengthMm(
  focalLengthMm: number,
  sensor: SensorSize,
  side: SensorSide = 'diagonal',
  reference: SensorSize = FULL_FRAME,
): number {
  return focalLengthMm * cropFactor(sensor, side, reference);
}
