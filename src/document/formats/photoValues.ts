import type { Photo } from '@/core/log';

/** Exif's 2027:06:12 09:31:02; also with the separators of ISO 8601, which some programs write. */
export function timeMs(value: string): number | null {
  const parts = /^(\d{4})[:-](\d\d)[:-](\d\d)[ T](\d\d):(\d\d):(\d\d)/.exec(value);
  if (parts === null) return null;
  const [year, month, day, hour, minute, second] = parts.slice(1).map(Number) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const ms = Date.UTC(year, month - 1, day, hour, minute, second);
  const isReal =
    year >= 1800 && new Date(ms).getUTCMonth() === month - 1 && hour < 24 && minute < 60 && day > 0;
  return isReal && second < 60 ? ms : null;
}

export function zoneMinutes(value: string): number | null {
  if (value === 'Z') return 0;
  const parts = /^([+-])(\d\d):(\d\d)$/.exec(value);
  if (parts === null) return null;
  const minutes = Number(parts[2]) * 60 + Number(parts[3]);
  return minutes > 14 * 60 ? null : parts[1] === '-' ? -minutes : minutes;
}

/** A rating from −1, rejected, to 5. */
export function ratingOf(value: number | null): number | null {
  return value !== null && Number.isInteger(value) && value >= -1 && value <= 5 ? value : null;
}

/** A local moment, ms as if it were UTC, as Exif writes it: 2027:06:12 09:31:02. */
export function exifTime(ms: number): string {
  const iso = new Date(ms).toISOString();
  return `${iso.slice(0, 10).replaceAll('-', ':')} ${iso.slice(11, 19)}`;
}

/**
 * Between what ends a figure of a photograph is taken for one, ends included; they are kept in single
 * precision, in which all of these can be told apart. Far beyond all that is made; common practice, no source.
 */
const ENDS = {
  focalMm: [0.001, 1e6],
  equivalentMm: [0.001, 1e6],
  fNumber: [0.001, 1e5],
  timeS: [1e-9, 1e7],
  iso: [0.001, 2 ** 24],
  widthPx: [1, 2 ** 24],
  heightPx: [1, 2 ** 24],
  digitalZoom: [0.001, 1e4],
} as const satisfies Partial<Readonly<Record<keyof Photo, readonly [number, number]>>>;
/** Metres to a subject that isn't infinitely far. */
const FAR_M = 1e9;
/** Longest text of a device, of a label, and of a file's name and its folder. */
export const MOST_TEXT = 120;
const LONGEST_NAME = 1000;

const FIGURES = Object.entries(ENDS) as (readonly [keyof typeof ENDS, readonly [number, number]])[];

/** A photograph without what no photograph has: figures beyond all that is made, texts without end. */
export function plausiblePhoto(photo: Photo): Photo {
  const within = (value: number | null, [least, most]: readonly [number, number]) =>
    value !== null && value >= least && value <= most ? value : null;
  const { body, lens, subjectM, sensor } = photo;
  const short = (text: string) => text.slice(0, MOST_TEXT);
  const device = { make: short(body.make), model: short(body.model), serial: short(body.serial) };
  const { specification: s } = lens;
  const range = s && [within(s.wideMm, ENDS.focalMm), within(s.longMm, ENDS.focalMm)];
  const size = sensor && [
    within(sensor.widthMm, [0.001, 1e4]),
    within(sensor.heightMm, [0.001, 1e4]),
  ];
  return {
    ...photo,
    ...Object.fromEntries(FIGURES.map(([key, ends]) => [key, within(photo[key], ends)])),
    folder: photo.folder.slice(-LONGEST_NAME),
    name: photo.name.slice(-LONGEST_NAME),
    label: short(photo.label),
    body: device,
    lens: {
      make: short(lens.make),
      model: short(lens.model),
      serial: short(lens.serial),
      specification:
        s && range?.[0] && range[1]
          ? {
              wideMm: range[0],
              longMm: range[1],
              fNumberWide: within(s.fNumberWide, ENDS.fNumber),
              fNumberLong: within(s.fNumberLong, ENDS.fNumber),
            }
          : null,
    },
    subjectM: subjectM === Infinity ? subjectM : within(subjectM, [1e-4, FAR_M]),
    sensor: size?.[0] && size[1] ? { widthMm: size[0], heightMm: size[1] } : null,
  };
}

/** Folder and name of a file by its path, with `/`. */
export function folderAndName(path: string): { readonly folder: string; readonly name: string } {
  const at = path.lastIndexOf('/');
  return { folder: path.slice(0, Math.max(0, at)), name: path.slice(at + 1) };
}
