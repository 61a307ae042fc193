import type { SensorSize } from './sensor';

/** A subject by the sides that constrain; `null` where a side does not matter. Any one unit. */
export interface SubjectSize {
  readonly width: number | null;
  readonly height: number | null;
}

/**
 * Subject sides per sensor side: the fill is the magnification times this number.
 *
 * Fill is linear and counts on the tighter side, so of two given sides the larger quotient rules.
 *
 * @returns subject units per mm of sensor; 0 when neither side is given
 */
export function tightness(subject: SubjectSize, sensor: SensorSize): number {
  return Math.max((subject.width ?? 0) / sensor.widthMm, (subject.height ?? 0) / sensor.heightMm);
}

/** The sensor turned upright. */
export function turned(sensor: SensorSize): SensorSize {
  return { widthMm: sensor.heightMm, heightMm: sensor.widthMm };
}
