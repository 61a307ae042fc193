import Papa from 'papaparse';
import { cropFactor } from '@/core/optics';
import { exifTime } from '../formats/photoValues';
import { PHOTO_COLUMNS } from '../formats/photoTable';
import { chances, toThird } from './random';
import { DAY_MS, MINUTE_MS } from '@/core/units';

/** Photographs in the simulated archive. */
export const ARCHIVE_PHOTOS = 12_000;
const SEED = 20_260_101;
const YEAR = 2026;

const T20 = {
  make: 'Tessendorn',
  model: 'T20',
  serial: 'T20-0417',
  px: [6240, 4160] as const,
  crop: cropFactor({ widthMm: 23.5, heightMm: 15.6 }),
};
const K1 = { make: 'Quillmar', model: 'K1', serial: 'K1-0417', px: [6000, 4000] as const, crop: 1 };
/** A camera and its lens that the demo shelf doesn't have. */
const OLD = {
  make: 'Brindlewick',
  model: 'P3',
  serial: '00931',
  px: [4608, 3456] as const,
  crop: cropFactor({ widthMm: 17.3, heightMm: 13 }),
};

/** What the archive's photographer used over the year, and how much. */
const HABITS = [
  {
    body: T20,
    make: 'Tessendorn',
    model: '16-55 mm f/2.8',
    range: [16, 55, 2.8, 2.8],
    weight: 44,
    kept: 0.2,
    ev: 12,
  },
  {
    body: K1,
    make: 'Varnholt',
    model: '70-300 mm f/4.5-5.6',
    range: [70, 300, 4.5, 5.6],
    weight: 21,
    kept: 0.16,
    ev: 13,
  },
  {
    body: T20,
    make: 'Tessendorn',
    model: '23 mm f/1.4',
    range: [23, 23, 1.4, 1.4],
    weight: 13,
    kept: 0.34,
    ev: 7,
  },
  {
    body: T20,
    make: 'Tessendorn',
    model: '10-24 mm f/4',
    range: [10, 24, 4, 4],
    weight: 9,
    kept: 0.18,
    ev: 11,
  },
  {
    body: K1,
    make: 'Quillmar',
    model: '90 mm f/2.8 macro',
    range: [90, 90, 2.8, 2.8],
    weight: 4,
    kept: 0.3,
    ev: 10,
  },
  {
    body: OLD,
    make: 'Brindlewick',
    model: '14-42 mm f/3.5-5.6',
    range: [14, 42, 3.5, 5.6],
    weight: 8,
    kept: 0.1,
    ev: 11,
  },
  {
    body: K1,
    make: 'Quillmar',
    model: '24-70 mm f/2.8',
    range: [24, 70, 2.8, 2.8],
    weight: 1,
    kept: 0.1,
    ev: 11,
  },
] as const;

/** A year of photographs as the table that exiftool would write of it; the same one every time. */
export function simulatedArchive(): string {
  const random = chances(SEED);
  const start = Date.UTC(YEAR, 0, 1);
  // Outings cluster on some days, more of them in summer.
  const days = Array.from({ length: 64 }, () => {
    const day = Math.floor(365 * (0.5 + 0.5 * (random.share() + random.share() - 1)));
    return { day, weight: random.ratioBetween(0.3, 4) };
  });
  const rows = Array.from({ length: ARCHIVE_PHOTOS }, (_, i) => {
    const { day } = random.oneOf(days);
    const habit = random.oneOf(HABITS);
    const ms = start + day * DAY_MS + Math.round(60 * MINUTE_MS * random.around(13.5, 2.6));
    return { ms, name: `ARC_${String(i + 1).padStart(5, '0')}.JPG`, ...exposureOf(habit, random) };
  }).sort((a, b) => a.ms - b.ms);
  const data = rows.map(({ ms, name, cells }) => {
    const all: Readonly<Record<string, string | number>> = {
      ...cells,
      SourceFile: `${YEAR}/${month(ms)}/${name}`,
      DateTimeOriginal: exifTime(ms),
    };
    return PHOTO_COLUMNS.map((column) => all[column] ?? '');
  });
  return Papa.unparse({ fields: [...PHOTO_COLUMNS], data }, { newline: '\n' });
}

function exposureOf(habit: (typeof HABITS)[number], random: ReturnType<typeof chances>) {
  const [wide, long, fWide, fLong] = habit.range;
  // Zooms are mostly used at their ends.
  const focal =
    random.share() < 0.3 ? wide : random.share() < 0.45 ? long : random.ratioBetween(wide, long);
  const widest =
    fWide * (fLong / fWide) ** (long === wide ? 0 : Math.log(focal / wide) / Math.log(long / wide));
  const ev = random.around(habit.ev, 2);
  const fNumber = Math.round(10 * widest * 2 ** (ev > 9 ? random.between(0, 1.5) : 0)) / 10;
  const timeS = toThird(Math.min(1 / 60, (fNumber * fNumber) / (2 * 2 ** ev)));
  const iso = Math.round(
    Math.max(100, Math.min(12_800, toThird((100 * fNumber * fNumber) / (timeS * 2 ** ev)))),
  );
  return {
    cells: {
      Make: habit.body.make,
      Model: habit.body.model,
      SerialNumber: habit.body.serial,
      LensMake: habit.make,
      LensModel: habit.model,
      LensInfo: habit.range.join(' '),
      FocalLength: Math.round(focal * 10) / 10,
      FocalLengthIn35mmFormat: Math.round(focal * habit.body.crop),
      FNumber: fNumber,
      ExposureTime: timeS,
      ISO: iso,
      Flash: 16,
      ImageWidth: habit.body.px[0],
      ImageHeight: habit.body.px[1],
      Orientation: random.share() < 0.25 ? 8 : 1,
      Rating: random.share() < habit.kept ? random.whole(1, 5) : 0,
    },
  };
}

const iso = (ms: number) => new Date(ms).toISOString();
const month = (ms: number) => iso(ms).slice(5, 7);
