import ExifReader from 'exifreader';
import { MOST_TEXT, plausiblePhoto, ratingOf, timeMs, zoneMinutes } from './photoValues';
import { type LensSpecification, type Photo, type Place } from '@/core/log';
import type { SensorSize } from '@/core/optics';
import { latin1At } from './bytes';
import { knownParts, RAW_READ } from './rawFiles';
import { find, xmpIn, xmpOf } from './xmp';

/** How much of a file is read: own data stand at its beginning. */
export const HEAD_BYTES = 131_072;

/** What came of reading one file. `no-data`: a picture that tells nothing of how it was taken. */
export type PhotoRead =
  | { readonly kind: 'photo'; readonly photo: Photo }
  | { readonly kind: 'no-data' | 'damaged' | 'not-a-photo' };

export interface PhotoSource {
  readonly folder: string;
  readonly name: string;
  /** The first `HEAD_BYTES` of the file, or all of it. */
  readonly head: ArrayBuffer;
  /** Text of the XMP file beside it; null where there is none. */
  readonly sidecar: string | null;
}

/** Numbers of the tags that are read. Source: Exif 2.32, TIFF 6.0; Rating from the XMP specification, part 2. */
const TAGS = {
  imageWidth: 0x0100,
  imageHeight: 0x0101,
  make: 0x010f,
  model: 0x0110,
  orientation: 0x0112,
  rating: 0x4746,
  timeS: 0x829a,
  fNumber: 0x829d,
  iso: 0x8827,
  standardSensitivity: 0x8831,
  exposureIndex: 0x8832,
  isoSpeed: 0x8833,
  taken: 0x9003,
  digitized: 0x9004,
  zoneTaken: 0x9011,
  zoneDigitized: 0x9012,
  subjectDistance: 0x9206,
  flash: 0x9209,
  focal: 0x920a,
  subSecondTaken: 0x9291,
  subSecondDigitized: 0x9292,
  pixelsWide: 0xa002,
  pixelsHigh: 0xa003,
  focalPlaneX: 0xa20e,
  focalPlaneY: 0xa20f,
  focalPlaneUnit: 0xa210,
  digitalZoom: 0xa404,
  equivalent: 0xa405,
  bodySerial: 0xa431,
  lensSpecification: 0xa432,
  lensMake: 0xa433,
  lensModel: 0xa434,
  lensSerial: 0xa435,
} as const;
type TagName = keyof typeof TAGS;

/** Tags of which at least one must be readable for a file to count as a photograph with data. */
const TELLING: readonly TagName[] = ['taken', 'digitized', 'timeS', 'fNumber', 'iso', 'focal'];

/** What the parser's answer begins with for a tag whose value lies beyond the end of the file. */
const FAULTY = '<faulty';

type Values = ReadonlyMap<number, unknown>;

/**
 * Reads a photograph's own data: JPEG, TIFF and raw files built on it, HEIC, HEIF, AVIF and raw files
 * built on ISO media, PNG, WebP. Whatever the file holds, nothing is thrown.
 *
 * @param withPlace also reads where it was taken
 */
export function readPhoto(source: PhotoSource, withPlace = false): PhotoRead {
  const { head, name } = source;
  const parsed = parseParts(knownParts(head, name), withPlace);
  if (parsed === 'not-a-photo' && RAW_READ.test(name)) return { kind: 'damaged' };
  if (parsed === 'not-a-photo' || parsed === 'damaged') return { kind: parsed };
  const { values, pixels, place } = parsed;
  if (!TELLING.some((tag) => values.has(TAGS[tag])))
    return { kind: isBroken(parsed, head) ? 'damaged' : 'no-data' };
  const embedded = xmpIn(head);
  const beside = source.sidecar === null ? null : xmpOf(source.sidecar);
  const clock = clockOf(values);
  const widthPx = whole(values, 'pixelsWide') ?? pixels.width;
  const heightPx = whole(values, 'pixelsHigh') ?? pixels.height;
  return {
    kind: 'photo',
    photo: plausiblePhoto({
      folder: source.folder,
      name,
      ...clock,
      body: {
        make: text(values, 'make'),
        model: text(values, 'model'),
        serial: text(values, 'bodySerial'),
      },
      lens: {
        make: text(values, 'lensMake'),
        model: text(values, 'lensModel'),
        serial: text(values, 'lensSerial'),
        specification: specification(values.get(TAGS.lensSpecification)),
      },
      focalMm: positive(values, 'focal'),
      equivalentMm: positive(values, 'equivalent'),
      fNumber: positive(values, 'fNumber'),
      timeS: positive(values, 'timeS'),
      iso: isoOf(values),
      flash: flashOf(values),
      subjectM: subjectOf(values.get(TAGS.subjectDistance)),
      widthPx,
      heightPx,
      orientation: orientationOf(values),
      digitalZoom: positive(values, 'digitalZoom'),
      sensor: sensorOf(values, widthPx, heightPx),
      rating: beside?.rating ?? embedded?.rating ?? ratingOf(number(values, 'rating')),
      label: beside?.label || embedded?.label || '',
      place: withPlace ? place : null,
    }),
  };
}

interface Parsed {
  readonly values: Values;
  /** The file says where a value is, and it isn't there. */
  readonly faulty: boolean;
  /** Size of the picture as its container states it. */
  readonly pixels: { readonly width: number | null; readonly height: number | null };
  readonly place: Place | null;
}

const NO_PIXELS = { width: null, height: null };

/** A file that says it has data of its own, of which nothing or not all of it can be found. */
function isBroken({ values, faulty }: Parsed, head: ArrayBuffer): boolean {
  return faulty || (values.size === 0 && mentionsExif(head));
}

/** What the parts of a file tell together; what the first of them says counts. */
function parseParts(
  parts: readonly ArrayBuffer[],
  withPlace: boolean,
): Parsed | 'not-a-photo' | 'damaged' {
  return parts
    .map((part) => parse(part, withPlace))
    .reduce((all, more) => {
      if (typeof all === 'string') return more;
      if (typeof more === 'string') return all;
      return {
        values: new Map([...more.values, ...all.values]),
        faulty: all.faulty || more.faulty,
        pixels: {
          width: all.pixels.width ?? more.pixels.width,
          height: all.pixels.height ?? more.pixels.height,
        },
        place: all.place ?? more.place,
      };
    });
}

function parse(head: ArrayBuffer, withPlace: boolean): Parsed | 'not-a-photo' | 'damaged' {
  if (!looksLikePhoto(head)) return 'not-a-photo';
  try {
    const tags = ExifReader.load(head, {
      expanded: true,
      includeTags: {
        exif: Object.values(TAGS),
        file: true,
        png: true,
        riff: true,
        ...(withPlace ? { gps: true } : {}),
      },
    });
    const values = new Map<number, unknown>();
    let faulty = false;
    for (const tag of Object.values(tags.exif ?? {}) as { id?: number; value?: unknown }[]) {
      const first: unknown = Array.isArray(tag.value) ? tag.value[0] : tag.value;
      const isFaulty = typeof first === 'string' && first.startsWith(FAULTY);
      faulty ||= isFaulty;
      if (typeof tag.id === 'number' && !isFaulty) values.set(tag.id, tag.value);
    }
    const inItems = largestItem(head);
    const sizes = [tags.file, tags.pngFile, tags.riff] as readonly unknown[];
    return {
      values,
      faulty,
      pixels: {
        width:
          sizeIn(sizes, ['Image Width', 'ImageWidth']) ??
          whole(values, 'imageWidth') ??
          inItems.width,
        height:
          sizeIn(sizes, ['Image Height', 'ImageHeight']) ??
          whole(values, 'imageHeight') ??
          inItems.height,
      },
      place: placeOf(tags.gps),
    };
  } catch (error) {
    if ((error as Error).name === 'MetadataMissingError')
      return { values: new Map(), faulty: false, pixels: NO_PIXELS, place: null };
    return UNKNOWN_FORMAT.test((error as Error).message) ? 'not-a-photo' : 'damaged';
  }
}

/** What the parser says of files that it has no reader for, films among them. */
const UNKNOWN_FORMAT = /^invalid image format$/i;

/** What files of each kind begin with. */
const BEGINNINGS: readonly { readonly at: number; readonly bytes: string }[] = [
  { at: 0, bytes: '\xff\xd8\xff' },
  { at: 0, bytes: '\x89PNG' },
  { at: 8, bytes: 'WEBP' },
  { at: 4, bytes: 'ftyp' },
  { at: 0, bytes: 'II*\0' },
  { at: 0, bytes: 'MM\0*' },
];

function looksLikePhoto(head: ArrayBuffer): boolean {
  const first = latin1At(head, 0, 16);
  return BEGINNINGS.some(({ at, bytes }) => first.startsWith(bytes, at));
}

/** Whether a file says that it has data of its own: then none of it could be read. */
function mentionsExif(head: ArrayBuffer): boolean {
  const beginning = latin1At(head, 0, 4096);
  return /Exif\0\0|eXIf|EXIF|^II\*\0|^MM\0\*/.test(beginning);
}

function sizeIn(groups: readonly unknown[], names: readonly string[]): number | null {
  for (const group of groups)
    for (const name of names) {
      const value = (group as Record<string, { value?: unknown }> | undefined)?.[name]?.value;
      if (typeof value === 'number' && Number.isInteger(value) && value > 0) return value;
    }
  return null;
}

/** Bytes from the name of an `ispe` property to its width. Source: ISO/IEC 23008-12, from memory. */
const ISPE_HEAD = 8;

/** The largest picture in a file of ISO media: a picture in tiles states the size of each tile too. */
function largestItem(head: ArrayBuffer): Parsed['pixels'] {
  const bytes = new Uint8Array(head);
  const view = new DataView(head);
  let largest: Parsed['pixels'] = NO_PIXELS;
  if (find(bytes.subarray(0, 8), 'ftyp', 4) < 0) return largest;
  for (let at = find(bytes, 'ispe', 0); at >= 0; at = find(bytes, 'ispe', at + 1)) {
    if (at + ISPE_HEAD + 8 > view.byteLength) break;
    const [width, height] = [view.getUint32(at + ISPE_HEAD), view.getUint32(at + ISPE_HEAD + 4)];
    if (width > (largest.width ?? 0)) largest = { width, height };
  }
  return largest;
}

function placeOf(gps: { Latitude?: number; Longitude?: number } | undefined): Place | null {
  const { Latitude: latitudeDeg, Longitude: longitudeDeg } = gps ?? {};
  const within = (value: number | undefined, most: number): value is number =>
    value !== undefined && Math.abs(value) <= most;
  return within(latitudeDeg, 90) && within(longitudeDeg, 180)
    ? { latitudeDeg, longitudeDeg }
    : null;
}

/** A number or rational of a tag; null where it is missing, or its denominator is zero. */
function asNumber(value: unknown): number | null {
  if (typeof value === 'number') return Number.isFinite(value) ? value : null;
  if (!Array.isArray(value)) return null;
  const [first, second] = value as unknown[];
  if (Array.isArray(first)) return asNumber(first);
  if (typeof first !== 'number') return null;
  if (value.length === 1) return asNumber(first);
  return typeof second === 'number' && second !== 0 ? first / second : null;
}

function number(values: Values, tag: TagName): number | null {
  return asNumber(values.get(TAGS[tag]));
}

/** A figure that only tells something when it is above zero. */
function positive(values: Values, tag: TagName): number | null {
  const value = number(values, tag);
  return value !== null && value > 0 ? value : null;
}

function whole(values: Values, tag: TagName): number | null {
  const value = positive(values, tag);
  return value !== null && Number.isInteger(value) ? value : null;
}

function text(values: Values, tag: TagName): string {
  const value = values.get(TAGS[tag]);
  const first = Array.isArray(value) ? (value as unknown[])[0] : value;
  if (typeof first !== 'string') return '';
  // Texts end at their first zero; what a camera leaves behind it is no text.
  const [line = ''] = first.split('\0');
  return line
    .replace(/\p{Cc}+/gu, ' ')
    .trim()
    .slice(0, MOST_TEXT);
}

function orientationOf(values: Values): number | null {
  const value = whole(values, 'orientation');
  return value !== null && value <= 8 ? value : null;
}

function flashOf(values: Values): boolean | null {
  const value = number(values, 'flash');
  return value === null ? null : (value & 1) === 1;
}

/** Numerator that stands for infinity in a subject distance. */
const FAR_AWAY = 0xffffffff;

function subjectOf(value: unknown): number | null {
  // Some write 1/0 for it.
  if (Array.isArray(value) && (value[0] === FAR_AWAY || (value[0] > 0 && value[1] === 0)))
    return Infinity;
  const distance = asNumber(value);
  return distance !== null && distance > 0 ? distance : null;
}

/** Largest value that the short tag for ISO holds; beyond it, another tag has the figure. */
const ISO_OVERFLOW = 65_535;

function isoOf(values: Values): number | null {
  // Where a camera writes two, the first is what it was set to; it is no fraction of them.
  const stated = values.get(TAGS.iso);
  const set = asNumber(Array.isArray(stated) ? (stated as unknown[])[0] : stated);
  const iso = set !== null && set > 0 ? set : null;
  if (iso !== null && iso < ISO_OVERFLOW) return iso;
  return (
    positive(values, 'isoSpeed') ??
    positive(values, 'exposureIndex') ??
    positive(values, 'standardSensitivity') ??
    iso
  );
}

/** When it was taken by the camera's clock, to the fraction of a second that the file has. */
function clockOf(values: Values): Pick<Photo, 'takenMs' | 'zoneMin'> {
  const [time, subSecond, zone] =
    timeMs(text(values, 'taken')) !== null
      ? (['taken', 'subSecondTaken', 'zoneTaken'] as const)
      : (['digitized', 'subSecondDigitized', 'zoneDigitized'] as const);
  const ms = timeMs(text(values, time));
  if (ms === null) return { takenMs: null, zoneMin: null };
  const fraction = /^\d+/.exec(text(values, subSecond));
  const thousandths = fraction === null ? 0 : Math.floor(1000 * Number(`0.${fraction[0]}`));
  return { takenMs: ms + thousandths, zoneMin: zoneMinutes(text(values, zone)) };
}

function specification(value: unknown): LensSpecification | null {
  if (!Array.isArray(value)) return null;
  const [wideMm, longMm, fNumberWide, fNumberLong] = (value as unknown[]).map((part) => {
    const n = asNumber(part);
    return n !== null && n > 0 ? n : null;
  });
  if (!wideMm || !longMm || wideMm > longMm) return null;
  return { wideMm, longMm, fNumberWide: fNumberWide ?? null, fNumberLong: fNumberLong ?? null };
}

/** Millimetres in the units of focal-plane resolution: inch, cm, mm, µm. Source: Exif 2.32 and TIFF/EP. */
const PLANE_UNIT_MM: Readonly<Record<number, number>> = { 2: 25.4, 3: 10, 4: 1, 5: 0.001 };
/** Sides of a sensor that can be true, mm: what is outside comes of a picture that was scaled. */
const SENSOR_SIDE_MM = { least: 2, most: 200 };

/** Size of the sensor from pixels and their number on a length; null where it is not told or absurd. */
function sensorOf(
  values: Values,
  widthPx: number | null,
  heightPx: number | null,
): SensorSize | null {
  const x = positive(values, 'focalPlaneX');
  const y = positive(values, 'focalPlaneY') ?? x;
  const unitMm = PLANE_UNIT_MM[number(values, 'focalPlaneUnit') ?? 2];
  if (x === null || y === null || unitMm === undefined || widthPx === null || heightPx === null)
    return null;
  const widthMm = (widthPx / x) * unitMm;
  const heightMm = (heightPx / y) * unitMm;
  const isTrue = [widthMm, heightMm].every(
    (mm) => mm >= SENSOR_SIDE_MM.least && mm <= SENSOR_SIDE_MM.most,
  );
  return isTrue ? { widthMm, heightMm } : null;
}
