import Papa from 'papaparse';
import { type Log, type LensSpecification, type Photo, photoAt } from '@/core/log';
import {
  exifTime,
  folderAndName,
  plausiblePhoto,
  ratingOf,
  timeMs,
  zoneMinutes,
} from './photoValues';

/**
 * Columns of a table of photographs: exiftool's names of tags, and units as its `-n` writes them. The
 * size of the sensor, mm, has no tag and gets two columns of its own.
 */
export const PHOTO_COLUMNS = [
  'SourceFile',
  'DateTimeOriginal',
  'SubSecTimeOriginal',
  'OffsetTimeOriginal',
  'Make',
  'Model',
  'SerialNumber',
  'LensMake',
  'LensModel',
  'LensSerialNumber',
  'LensInfo',
  'FocalLength',
  'FocalLengthIn35mmFormat',
  'FNumber',
  'ExposureTime',
  'ISO',
  'Flash',
  'SubjectDistance',
  'ImageWidth',
  'ImageHeight',
  'Orientation',
  'DigitalZoomRatio',
  'SensorWidthMm',
  'SensorHeightMm',
  'Rating',
  'Label',
  'GPSLatitude',
  'GPSLongitude',
] as const;
type Column = (typeof PHOTO_COLUMNS)[number];

/** What a table of photographs holds; rows that name no file are only counted. */
export type PhotoTable =
  | { readonly code: 'read'; readonly photos: readonly Photo[]; readonly withoutFile: number }
  | { readonly code: 'not-a-table' | 'no-source-file' };

/** Reads a table that exiftool wrote, as CSV or JSON, with or without `-n`; or one that was exported here. */
export function readPhotoTable(text: string, withPlace = false): PhotoTable {
  const rows = /^\s*\[/.test(text) ? jsonRows(text) : csvRows(text);
  if (rows === null) return { code: 'not-a-table' };
  if (!rows.some((row) => cell(row, 'SourceFile') !== '' || cell(row, 'FileName') !== ''))
    return { code: 'no-source-file' };
  const photos = rows.flatMap((row) => {
    const photo = photoOf(row, withPlace);
    return photo === null ? [] : [plausiblePhoto(photo)];
  });
  return { code: 'read', photos, withoutFile: rows.length - photos.length };
}

type Row = Readonly<Record<string, unknown>>;

function jsonRows(text: string): Row[] | null {
  try {
    const rows = JSON.parse(text) as unknown;
    if (!Array.isArray(rows)) return null;
    return rows.filter((row): row is Row => typeof row === 'object' && row !== null).map(named);
  } catch {
    return null;
  }
}

function csvRows(text: string): Row[] | null {
  const { data, meta } = Papa.parse<Row>(text, { header: true, skipEmptyLines: 'greedy' });
  return (meta.fields?.length ?? 0) < 2 ? null : data.map(named);
}

/** A row by the names of its tags, without the groups that `-G` writes before them. */
function named(row: Row): Row {
  return Object.fromEntries(
    Object.entries(row).map(([name, value]) => [name.replace(/^.*:/, ''), value]),
  );
}

function cell(row: Row, name: Column | 'FileName' | 'Directory' | 'CreateDate'): string {
  const value = row[name];
  if (typeof value !== 'string' && typeof value !== 'number') return '';
  // Signs that a spreadsheet would take for a formula are written behind a quote.
  return String(value)
    .trim()
    .replace(/^'(?=[=+\-@])/, '');
}

function photoOf(row: Row, withPlace: boolean): Photo | null {
  const source = cell(row, 'SourceFile') || cell(row, 'FileName');
  if (source === '') return null;
  const path = source.replace(/^\.\//, '').replaceAll('\\', '/');
  const sized = [figure(row, 'SensorWidthMm'), figure(row, 'SensorHeightMm')] as const;
  const place = [degrees(cell(row, 'GPSLatitude')), degrees(cell(row, 'GPSLongitude'))] as const;
  return {
    ...folderAndName(path),
    ...clockOf(row),
    body: {
      make: cell(row, 'Make'),
      model: cell(row, 'Model'),
      serial: cell(row, 'SerialNumber'),
    },
    lens: {
      make: cell(row, 'LensMake'),
      model: cell(row, 'LensModel'),
      serial: cell(row, 'LensSerialNumber'),
      specification: specificationOf(cell(row, 'LensInfo')),
    },
    focalMm: figure(row, 'FocalLength'),
    equivalentMm: figure(row, 'FocalLengthIn35mmFormat'),
    fNumber: figure(row, 'FNumber'),
    timeS: figure(row, 'ExposureTime'),
    iso: figure(row, 'ISO'),
    flash: flashOf(cell(row, 'Flash')),
    subjectM: cell(row, 'SubjectDistance') === 'inf' ? Infinity : figure(row, 'SubjectDistance'),
    widthPx: figure(row, 'ImageWidth'),
    heightPx: figure(row, 'ImageHeight'),
    orientation: orientationOf(cell(row, 'Orientation')),
    digitalZoom: figure(row, 'DigitalZoomRatio'),
    sensor: sized[0] && sized[1] ? { widthMm: sized[0], heightMm: sized[1] } : null,
    rating: cell(row, 'Rating') === '' ? null : ratingOf(Number(cell(row, 'Rating'))),
    label: cell(row, 'Label'),
    place:
      withPlace && place[0] !== null && place[1] !== null
        ? { latitudeDeg: place[0], longitudeDeg: place[1] }
        : null,
  };
}

function clockOf(row: Row): Pick<Photo, 'takenMs' | 'zoneMin'> {
  const written = cell(row, 'DateTimeOriginal') || cell(row, 'CreateDate');
  const whole = timeMs(written);
  if (whole === null) return { takenMs: null, zoneMin: null };
  const fraction = /^\.(\d{1,3})/.exec(written.slice(19))?.[1] ?? cell(row, 'SubSecTimeOriginal');
  const zone = /[+-]\d\d:\d\d$/.exec(written.slice(19))?.[0] ?? cell(row, 'OffsetTimeOriginal');
  const ms = /^\d+$/.test(fraction) ? Math.floor(1000 * Number(`0.${fraction}`)) : 0;
  return { takenMs: whole + ms, zoneMin: zoneMinutes(zone) };
}

/** A figure above zero, whatever unit stands behind it: 70.0 mm, 24,5 mm, 12,800, 1/640, 12.5. */
function figure(row: Row, column: Column): number | null {
  const text = withPoint(cell(row, column));
  const fraction = /^(\d+(?:\.\d+)?)\/(\d+(?:\.\d+)?)$/.exec(text);
  const value = fraction
    ? Number(fraction[1]) / Number(fraction[2])
    : Number(/^\d+(?:\.\d+)?(?:e[+-]?\d+)?/i.exec(text)?.[0] ?? NaN);
  return Number.isFinite(value) && value > 0 ? value : null;
}

/** A comma before three digits parts thousands; before one or two it stands for the point. */
function withPoint(text: string): string {
  return text
    .replace(/^\d{1,3}(?:,\d{3})+(?!\d)/, (thousands) => thousands.replaceAll(',', ''))
    .replace(/^(\d+),(\d{1,2})(?!\d)/, '$1.$2');
}

/** 70-300mm f/4.5-5.6, 50mm f/1.8, or 70 300 4.5 5.6; what isn't known is written `?` or `undef`. */
function specificationOf(text: string): LensSpecification | null {
  const plain = text.split(' ');
  const parts =
    plain.length === 4 && !text.includes('mm')
      ? plain
      : (/^([\d.?]+)(?:-([\d.?]+))?mm(?: f\/([\d.?]+)(?:-([\d.?]+))?)?/.exec(text)?.slice(1) ?? []);
  const [wide, long, fWide, fLong] = parts.map((part) => {
    const value = Number(part);
    return Number.isFinite(value) && value > 0 ? value : null;
  });
  if (!wide) return null;
  return {
    wideMm: wide,
    longMm: long ?? wide,
    fNumberWide: fWide ?? null,
    fNumberLong: fLong ?? fWide ?? null,
  };
}

function flashOf(text: string): boolean | null {
  if (text === '') return null;
  if (/^\d+$/.test(text)) return (Number(text) & 1) === 1;
  return /fired/i.test(text) && !/not fire/i.test(text);
}

/** exiftool's words for the eight ways of turning, as one word each. */
const TURNS = [
  'horizontalnormal',
  'mirrorhorizontal',
  'rotate180',
  'mirrorvertical',
  'mirrorhorizontalandrotate270cw',
  'rotate90cw',
  'mirrorhorizontalandrotate90cw',
  'rotate270cw',
];

function orientationOf(text: string): number | null {
  if (/^[1-8]$/.test(text)) return Number(text);
  const turn = TURNS.indexOf(text.toLowerCase().replace(/[^a-z0-9]/g, ''));
  return turn < 0 ? null : turn + 1;
}

/** 54.5, −5.25, or 54 deg 30' 0.00" N. */
function degrees(text: string): number | null {
  const parts = /^(\d+) deg (\d+)' ([\d.]+)" ([NSEW])$/.exec(text);
  if (parts === null) return text === '' || !Number.isFinite(Number(text)) ? null : Number(text);
  const value = Number(parts[1]) + Number(parts[2]) / 60 + Number(parts[3]) / 3600;
  return parts[4] === 'S' || parts[4] === 'W' ? -value : value;
}

/** Writes photographs as CSV with exiftool's names of tags; what isn't known is empty. */
export function writePhotoTable(log: Log): string {
  const data = Array.from({ length: log.count }, (_, i) => {
    const cells = cellsOf(photoAt(log, i));
    return PHOTO_COLUMNS.map((column) => cells[column] ?? '');
  });
  return Papa.unparse(
    { fields: [...PHOTO_COLUMNS], data },
    { newline: '\n', escapeFormulae: true },
  );
}

function cellsOf(p: Photo): Record<Column, string | number | null> {
  const s = p.lens.specification;
  return {
    SourceFile: p.folder === '' ? p.name : `${p.folder}/${p.name}`,
    DateTimeOriginal: p.takenMs === null ? '' : exifTime(p.takenMs),
    SubSecTimeOriginal:
      p.takenMs === null || p.takenMs % 1000 === 0
        ? ''
        : String(((p.takenMs % 1000) + 1000) % 1000).padStart(3, '0'),
    OffsetTimeOriginal: p.zoneMin === null ? '' : exifZone(p.zoneMin),
    Make: p.body.make,
    Model: p.body.model,
    SerialNumber: p.body.serial,
    LensMake: p.lens.make,
    LensModel: p.lens.model,
    LensSerialNumber: p.lens.serial,
    LensInfo:
      s === null
        ? ''
        : [s.wideMm, s.longMm, s.fNumberWide ?? 'undef', s.fNumberLong ?? 'undef'].join(' '),
    FocalLength: p.focalMm,
    FocalLengthIn35mmFormat: p.equivalentMm,
    FNumber: p.fNumber,
    ExposureTime: p.timeS,
    ISO: p.iso,
    Flash: p.flash === null ? null : Number(p.flash),
    SubjectDistance: p.subjectM === Infinity ? 'inf' : p.subjectM,
    ImageWidth: p.widthPx,
    ImageHeight: p.heightPx,
    Orientation: p.orientation,
    DigitalZoomRatio: p.digitalZoom,
    SensorWidthMm: p.sensor?.widthMm ?? null,
    SensorHeightMm: p.sensor?.heightMm ?? null,
    Rating: p.rating,
    Label: p.label,
    GPSLatitude: p.place?.latitudeDeg ?? null,
    GPSLongitude: p.place?.longitudeDeg ?? null,
  };
}

function exifZone(minutes: number): string {
  const two = (n: number) => String(n).padStart(2, '0');
  const [hours, rest] = [Math.floor(Math.abs(minutes) / 60), Math.abs(minutes) % 60];
  return `${minutes < 0 ? '-' : '+'}${two(hours)}:${two(rest)}`;
}
