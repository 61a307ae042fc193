import type { SensorSize } from '@/core/optics';
import type { Log } from './log';
import type { Recognised } from './recognise';
import { sensorAt } from './seen';

/** A camera that the shelf doesn't have, with all that its photographs tell. */
export interface CameraSeen {
  readonly camera: number;
  readonly count: number;
  /** null where no file tells it: such a camera can't be put on the shelf unasked. */
  readonly sensor: SensorSize | null;
  readonly pixelsWide: number | null;
  readonly pixelsHigh: number | null;
}

/** A lens that the shelf doesn't have. */
export interface NewLens {
  readonly lens: number;
  readonly count: number;
  /** By the lens's own specification, else the focal lengths that it was used at. */
  readonly wideMm: number;
  readonly longMm: number;
  readonly fNumberWide: number;
  readonly fNumberLong: number;
  /** The figures are only those that were used, not what the lens can do. */
  readonly asUsed: boolean;
  /** The camera that it was used on most. */
  readonly camera: number;
}

export interface GearSeen {
  readonly cameras: readonly CameraSeen[];
  readonly lenses: readonly NewLens[];
}

/** What of a log isn't on the shelf, most used first. */
export function gearSeen(log: Log, { bodyIds, lensIds }: Recognised): GearSeen {
  const cameras = log.cameras.map(() => ({ count: 0, largest: -1 }));
  const lenses = log.lenses.map(() => ({ photos: [] as number[] }));
  const pixels = (i: number) => (log.numbers.widthPx[i] ?? NaN) * (log.numbers.heightPx[i] ?? NaN);
  for (let i = 0; i < log.count; i += 1) {
    const camera = cameras[log.lists.camera[i] ?? -1];
    if (camera) {
      camera.count += 1;
      if (camera.largest < 0 || pixels(i) > pixels(camera.largest)) camera.largest = i;
    }
    lenses[log.lists.lens[i] ?? -1]?.photos.push(i);
  }
  return {
    cameras: cameras
      .map((seen, camera) => ({ camera, ...seen }))
      .filter(
        ({ camera, count }) =>
          count > 0 && bodyIds[camera] === null && log.cameras[camera]?.model !== '',
      )
      .map(({ camera, count, largest }) => cameraSeen(log, camera, count, largest))
      .sort((a, b) => b.count - a.count),
    lenses: lenses
      .flatMap(({ photos }, lens) =>
        lensIds[lens] === null && isNamed(log, lens) ? (newLens(log, lens, photos) ?? []) : [],
      )
      .sort((a, b) => b.count - a.count),
  };
}

function isNamed(log: Log, lens: number): boolean {
  const found = log.lenses[lens];
  return found !== undefined && (found.model !== '' || found.specification !== null);
}

function cameraSeen(log: Log, camera: number, count: number, largest: number): CameraSeen {
  const [w, h] = [log.numbers.widthPx[largest] ?? NaN, log.numbers.heightPx[largest] ?? NaN];
  const known = !Number.isNaN(w + h);
  return {
    camera,
    count,
    sensor: sensorOfCamera(log, camera),
    pixelsWide: known ? Math.max(w, h) : null,
    pixelsHigh: known ? Math.min(w, h) : null,
  };
}

/** The sensor that most of a camera's photographs tell of, in the middle: each rounds a little. */
function sensorOfCamera(log: Log, camera: number): SensorSize | null {
  const told: SensorSize[] = [];
  for (let i = 0; i < log.count && told.length < ENOUGH_TOLD; i += 1)
    if (log.lists.camera[i] === camera) {
      const sensor = sensorAt(log, i);
      if (sensor !== null) told.push(sensor);
    }
  told.sort((a, b) => a.widthMm - b.widthMm);
  const middle = told[Math.floor(told.length / 2)];
  if (!middle) return null;
  const rounded = (mm: number) => Math.round(mm * 10) / 10;
  return { widthMm: rounded(middle.widthMm), heightMm: rounded(middle.heightMm) };
}
const ENOUGH_TOLD = 501;

function newLens(log: Log, lens: number, photos: readonly number[]): NewLens | null {
  const spec = log.lenses[lens]?.specification ?? null;
  const focals = photos.map((i) => log.numbers.focalMm[i] ?? NaN).filter((f) => f > 0);
  const fNumbers = photos.map((i) => log.numbers.fNumber[i] ?? NaN).filter((n) => n > 0);
  const wideMm = spec?.wideMm ?? least(focals);
  const longMm = spec?.longMm ?? most(focals);
  const widest = least(fNumbers);
  const fNumberWide = spec?.fNumberWide ?? widest;
  const fNumberLong = spec?.fNumberLong ?? spec?.fNumberWide ?? widest;
  if (wideMm === null || longMm === null || fNumberWide === null || fNumberLong === null)
    return null;
  const cameras = new Map<number, number>();
  for (const i of photos) {
    const camera = log.lists.camera[i] ?? 0;
    cameras.set(camera, (cameras.get(camera) ?? 0) + 1);
  }
  return {
    lens,
    count: photos.length,
    wideMm,
    longMm,
    fNumberWide: Math.min(fNumberWide, fNumberLong),
    fNumberLong,
    asUsed: spec?.fNumberWide == null,
    camera: [...cameras].sort((a, b) => b[1] - a[1] || a[0] - b[0])[0]?.[0] ?? 0,
  };
}

const rounded = (value: number) => Number(value.toPrecision(6));
const least = (values: readonly number[]) =>
  values.length === 0 ? null : rounded(values.reduce((a, b) => Math.min(a, b)));
const most = (values: readonly number[]) =>
  values.length === 0 ? null : rounded(values.reduce((a, b) => Math.max(a, b)));
