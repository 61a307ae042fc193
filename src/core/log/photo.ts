import type { SensorSize } from '@/core/optics';

/** A camera or a lens as a file names it; what the file doesn't say is empty. */
export interface Device {
  readonly make: string;
  readonly model: string;
  readonly serial: string;
}

/** A lens by its ends, as Exif's LensSpecification states them; f-numbers may be unknown. */
export interface LensSpecification {
  readonly wideMm: number;
  readonly longMm: number;
  readonly fNumberWide: number | null;
  readonly fNumberLong: number | null;
}

/** The lens of a photograph, with what its file tells of it. */
export interface LensSeen extends Device {
  readonly specification: LensSpecification | null;
}

export interface Place {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
}

/**
 * What a photograph's own data tell; `null` where they don't.
 *
 * Source of names and units: Exif 2.32 (CIPA DC-008-2019).
 */
export interface Photo {
  /** Folder from the place that was opened, with `/`; empty at its top. */
  readonly folder: string;
  readonly name: string;
  /** The camera's clock: its local time as milliseconds since 1970, as if it were UTC. */
  readonly takenMs: number | null;
  /** Minutes that the clock is ahead of UTC. */
  readonly zoneMin: number | null;
  readonly body: Device;
  readonly lens: LensSeen;
  readonly focalMm: number | null;
  /** Focal length that gives the same angle on the 36×24 mm frame, mm, as the file states it. */
  readonly equivalentMm: number | null;
  readonly fNumber: number | null;
  readonly timeS: number | null;
  readonly iso: number | null;
  readonly flash: boolean | null;
  /** Metres to the subject; Infinity for far away. */
  readonly subjectM: number | null;
  /** Pixels as they lie in the file, before it is turned. */
  readonly widthPx: number | null;
  readonly heightPx: number | null;
  /** How it is to be turned, 1–8 as in Exif; 5 to 8 stand on their side. */
  readonly orientation: number | null;
  readonly digitalZoom: number | null;
  readonly sensor: SensorSize | null;
  /** 1–5 stars; 0 for none given, −1 for rejected. */
  readonly rating: number | null;
  readonly label: string;
  /** Where it was taken; only read when asked for. */
  readonly place: Place | null;
}

/** Whether a picture stands on its short side when looked at; null where its size isn't known. */
export function isPortrait({
  widthPx,
  heightPx,
  orientation,
}: Pick<Photo, 'widthPx' | 'heightPx' | 'orientation'>): boolean | null {
  if (widthPx === null || heightPx === null) return null;
  const turned = orientation !== null && orientation >= 5;
  return turned ? widthPx > heightPx : heightPx > widthPx;
}

/** Cameras and lenses are the same when all that files say of them is. */
export function deviceKey({ make, model, serial }: Device): string {
  return JSON.stringify([make, model, serial]);
}

/** One lens under its names, whatever was measured of it. */
export function lensKey(lens: LensSeen): string {
  const s = lens.specification;
  const stated = s && [s.wideMm, s.longMm, s.fNumberWide, s.fNumberLong];
  return JSON.stringify([lens.make, lens.model, lens.serial, stated]);
}

/** Nothing known of a device. */
export const UNKNOWN_DEVICE: Device = { make: '', model: '', serial: '' };
export const UNKNOWN_LENS: LensSeen = { ...UNKNOWN_DEVICE, specification: null };
