import type { Body, Lens, Shelf } from '@/core/gear';
import { cropFactor, FULL_FRAME, type SensorSize, sideMm } from '@/core/optics';
import { type Log, type NumberColumn } from './log';
import type { LogMarks } from './marks';
import { withSaidLenses } from './nameless';
import { deviceKey, isPortrait } from './photo';
import { recognised } from './recognise';

/** A log as it is looked at: clocks set right, gear recognised, angles worked out. */
export interface Seen {
  /** Its photographs that name no lens are of those that the person said: lenses beyond the log's own. */
  readonly log: Log;
  /** True local times, ms; NaN where not known. */
  readonly takenMs: Float64Array;
  /** Bodies and lenses of the shelf, by camera and lens of the log; null where not recognised. */
  readonly bodies: readonly (Body | null)[];
  readonly lenses: readonly (Lens | null)[];
  /** Focal length of the same diagonal angle on the 36×24 mm frame, mm; NaN where not known. */
  readonly equivalentMm: Float32Array;
}

/**
 * Where the file's equivalent is longer than the sensor gives by more than this, less than the whole
 * sensor was used (a crop mode), and the file is right.
 */
const CROP_MODE = 1.1;

export function seenOf(given: Log, shelf: Shelf, marks: LogMarks): Seen {
  const { bodyIds, lensIds: named } = recognised(given, shelf, marks);
  const { log, lensIds } = withSaidLenses(given, named, shelf, marks);
  const bodies = bodyIds.map((id) => shelf.bodies.find((b) => b.id === id) ?? null);
  const lenses = lensIds.map((id) => shelf.lenses.find((l) => l.id === id) ?? null);
  const offsets = log.cameras.map((camera) => 1000 * (marks.clocks[deviceKey(camera)] ?? 0));
  const crops = bodies.map((body) => (body === null ? NaN : cropFactor(body.sensor)));
  const takenMs = log.takenMs.map((ms, i) => ms + (offsets[log.lists.camera[i] ?? 0] ?? 0));
  const equivalentMm = Float32Array.from({ length: log.count }, (_, i) =>
    equivalentAt(log, i, crops[log.lists.camera[i] ?? 0] ?? NaN),
  );
  return { log, takenMs, bodies, lenses, equivalentMm };
}

/** By the sensor of the body on the shelf, else by the one that the file tells, else as the file says. */
function equivalentAt({ numbers }: Log, i: number, bodyCrop: number): number {
  const at = (column: NumberColumn) => numbers[column][i] ?? NaN;
  const widthMm = at('sensorWidthMm');
  const crop = Number.isNaN(bodyCrop)
    ? cropFactor({ widthMm, heightMm: at('sensorHeightMm') })
    : bodyCrop;
  const zoom = at('digitalZoom');
  const bySensor = at('focalMm') * crop * (zoom > 1 ? zoom : 1);
  const stated = at('equivalentMm');
  if (Number.isNaN(bySensor)) return stated;
  return stated > CROP_MODE * bySensor ? stated : bySensor;
}

/**
 * The sensor that a file tells of, by its pixels on a length, else by the two focal lengths and the
 * shape of the picture.
 */
export function sensorAt({ numbers }: Log, i: number): SensorSize | null {
  const at = (column: NumberColumn) => numbers[column][i] ?? NaN;
  const stated = { widthMm: at('sensorWidthMm'), heightMm: at('sensorHeightMm') };
  if (!Number.isNaN(stated.widthMm + stated.heightMm)) return stated;
  const zoom = at('digitalZoom') > 1 ? at('digitalZoom') : 1;
  const diagonalMm = (sideMm(FULL_FRAME, 'diagonal') * at('focalMm') * zoom) / at('equivalentMm');
  if (!Number.isFinite(diagonalMm)) return null;
  const [long, short] = [
    Math.max(at('widthPx'), at('heightPx')),
    Math.min(at('widthPx'), at('heightPx')),
  ];
  const aspect = Number.isFinite(long / short) ? long / short : 1.5;
  const heightMm = diagonalMm / Math.hypot(aspect, 1);
  return { widthMm: heightMm * aspect, heightMm };
}

/** Light of the scene by the exposure, EV at ISO 100; NaN where the file doesn't tell all three. */
export function evAt({ numbers }: Log, i: number): number {
  const [n, time, iso] = [numbers.fNumber[i], numbers.timeS[i], numbers.iso[i]];
  if (n === undefined || time === undefined || iso === undefined) return NaN;
  return Math.log2((n * n) / time) - Math.log2(iso / 100);
}

/** Whether a photograph stands on its short side when looked at; null where its size isn't known. */
export function uprightAt({ numbers }: Log, i: number): boolean | null {
  const known = (value: number | undefined) =>
    value === undefined || Number.isNaN(value) ? null : value;
  return isPortrait({
    widthPx: known(numbers.widthPx[i]),
    heightPx: known(numbers.heightPx[i]),
    orientation: known(numbers.orientation[i]),
  });
}

/** All photographs of a log, or those that pass. */
export function select(log: Log, passes: (i: number) => boolean = () => true): Uint32Array {
  const chosen = new Uint32Array(log.count);
  let count = 0;
  for (let i = 0; i < log.count; i += 1)
    if (passes(i)) {
      chosen[count] = i;
      count += 1;
    }
  return chosen.slice(0, count);
}
