import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import sharp from 'sharp';
import type { Photo } from '@/core/log';
import { HEAD_BYTES, type PhotoRead, readPhoto } from '@/document/formats/photoData';
import { readPhotoFiles } from '@/document/reader/photoFiles';
import { readPhotoTable } from '@/document/formats/photoTable';
import { cr3Of, rafOf, rw2Of } from '../support/rawFiles';

/**
 * Photographs' own data against exiftool (Debian's libimage-exiftool-perl): it writes random data into
 * files of each kind, and reads them again by itself; every field is compared. Kinds of raw file are
 * made of TIFF under their names, as exiftool takes them.
 */

const folder = mkdtempSync(join(tmpdir(), 'arm-reach-photos-'));
afterAll(() => rmSync(folder, { recursive: true }));

const KINDS = [
  'jpg',
  'tif',
  'png',
  'webp',
  'avif',
  'heic',
  'dng',
  'nef',
  'arw',
  'pef',
  'orf',
] as const;
/** Raw kinds that exiftool reads and doesn't make: laid out here about the data that it wrote. */
const LAID_OUT = [
  ['cr3', 'tif', cr3Of],
  ['raf', 'jpg', rafOf],
  ['rw2', 'tif', rw2Of],
] as const;
/** Kinds that are made of another. */
const MADE_OF: Partial<Record<(typeof KINDS)[number], string>> = {
  heic: 'avif',
  dng: 'tif',
  nef: 'tif',
  arw: 'tif',
  pef: 'tif',
  orf: 'tif',
};
const FILES = 330;

async function blank(kind: string): Promise<Buffer> {
  const picture = sharp({ create: { width: 60, height: 40, channels: 3, background: '#567' } });
  const formats = { jpg: 'jpeg', tif: 'tiff', png: 'png', webp: 'webp', avif: 'avif' } as const;
  return picture.toFormat(formats[kind as keyof typeof formats]).toBuffer();
}

const some = <T>(value: fc.Arbitrary<T>) => fc.option(value, { nil: undefined, freq: 4 });
const rational = fc.oneof(
  {
    weight: 8,
    arbitrary: fc.double({ min: 0.01, max: 9000, noNaN: true }).map((n) => n.toPrecision(6)),
  },
  { weight: 1, arbitrary: fc.constantFrom('inf', 'undef', '0') },
);
const text = fc.constantFrom(
  'Quillmar',
  'K1 Mark II',
  '70-300 mm f/4.5-5.6',
  'Тест-объектив 50',
  '鏡頭 85',
  'Ærø 24 mm, «ny»',
  ' spaced ',
  'x',
);
const two = (n: number) => String(n).padStart(2, '0');
const moment = fc
  .date({ min: new Date('1990-01-01'), max: new Date('2049-12-31'), noInvalidDate: true })
  .map((d) => d.toISOString().slice(0, 19).replaceAll('-', ':').replace('T', ' '));

/** Arguments of exiftool for one file. */
const written = fc
  .record({
    'EXIF:Make': some(text),
    'EXIF:Model': some(text),
    'EXIF:SerialNumber': some(text),
    'EXIF:LensMake': some(text),
    'EXIF:LensModel': some(text),
    'EXIF:LensSerialNumber': some(text),
    'EXIF:LensInfo': some(
      fc.constantFrom(
        '70 300 4.5 5.6',
        '50 50 1.8 1.8',
        '24 70 undef undef',
        '18 55 3.5 undef',
        'undef undef undef undef',
      ),
    ),
    'EXIF:FocalLength': some(rational),
    'EXIF:FocalLengthIn35mmFormat': some(fc.integer({ min: 0, max: 3000 }).map(String)),
    'EXIF:FNumber': some(rational),
    'EXIF:ExposureTime': some(
      fc.oneof(
        rational,
        fc.integer({ min: 2, max: 8000 }).map((n) => String(1 / n)),
      ),
    ),
    'EXIF:ISO': some(fc.integer({ min: 0, max: 65_534 }).map(String)),
    'EXIF:Flash': some(fc.constantFrom('0', '1', '16', '25', '9')),
    'EXIF:SubjectDistance': some(rational),
    'EXIF:Orientation': some(fc.integer({ min: 1, max: 8 }).map(String)),
    'EXIF:DigitalZoomRatio': some(rational),
    'EXIF:ExifImageWidth': some(fc.integer({ min: 100, max: 9000 }).map(String)),
    'EXIF:ExifImageHeight': some(fc.integer({ min: 100, max: 9000 }).map(String)),
    'EXIF:FocalPlaneXResolution': some(rational),
    'EXIF:FocalPlaneYResolution': some(rational),
    'EXIF:FocalPlaneResolutionUnit': some(fc.constantFrom('2', '3', '4')),
    'EXIF:DateTimeOriginal': some(moment),
    'EXIF:SubSecTimeOriginal': some(fc.integer({ min: 0, max: 999 }).map(String)),
    'EXIF:OffsetTimeOriginal': some(
      fc
        .tuple(fc.constantFrom('+', '-'), fc.integer({ min: 0, max: 13 }))
        .map(([s, h]) => `${s}${two(h)}:30`),
    ),
    'XMP:Rating': some(fc.integer({ min: -1, max: 5 }).map(String)),
    'XMP:Label': some(fc.constantFrom('Red', 'Gelb', 'Select')),
    'EXIF:GPSLatitude': some(fc.double({ min: 0, max: 89, noNaN: true }).map((n) => n.toFixed(5))),
    'EXIF:GPSLatitudeRef': fc.constantFrom('N', 'S'),
    'EXIF:GPSLongitude': some(
      fc.double({ min: 0, max: 179, noNaN: true }).map((n) => n.toFixed(5)),
    ),
    'EXIF:GPSLongitudeRef': fc.constantFrom('E', 'W'),
    ExifByteOrder: fc.constantFrom('II', 'MM'),
  })
  .map((tags) =>
    Object.entries(tags).flatMap(([tag, value]) =>
      value === undefined ? [] : [`-${tag}#=${value}`],
    ),
  );

interface Tags {
  readonly [tag: string]: string | number | undefined;
}
let files: { path: string; kind: string; tags: Tags; bytes: Buffer }[] = [];

beforeAll(async () => {
  const blanks = new Map<string, Buffer>();
  for (const kind of KINDS) if (!MADE_OF[kind]) blanks.set(kind, await blank(kind));
  const args = fc.sample(written, { numRuns: FILES, seed: 7 });
  const paths = args.map((_, i) => {
    const kind = KINDS[i % KINDS.length]!;
    const path = join(folder, `p${i}.${kind}`);
    const bytes = Buffer.from(blanks.get(MADE_OF[kind] ?? kind)!);
    if (kind === 'orf') bytes.write('RO', 2, 'latin1');
    writeFileSync(path, bytes);
    return { path, kind };
  });
  const orders = args.flatMap((tags, i) => [
    '-q',
    '-m',
    '-overwrite_original',
    '-charset',
    'exif=utf8',
    ...tags,
    paths[i]!.path,
    '-execute',
  ]);
  writeFileSync(join(folder, 'orders.txt'), orders.join('\n'));
  execFileSync('exiftool', ['-@', join(folder, 'orders.txt')], { stdio: 'ignore' });
  const laidOut = LAID_OUT.flatMap(([kind, of, layOut]) =>
    paths
      .filter((p) => p.kind === of)
      .flatMap(({ path }) => {
        const bytes = readFileSync(path);
        const isBig = bytes.toString('latin1', 0, 2) === 'MM';
        if (kind === 'rw2' && isBig) return [];
        const raw = path.slice(0, -of.length) + kind;
        writeFileSync(raw, layOut(bytes));
        return { path: raw, kind };
      }),
  );
  const all = [...paths, ...laidOut];
  const read = JSON.parse(
    execFileSync(
      'exiftool',
      ['-json', '-n', '-G', '-charset', 'exif=utf8', ...all.map((p) => p.path)],
      { encoding: 'utf8', maxBuffer: 100_000_000 },
    ),
  ) as Tags[];
  files = all.map(({ path, kind }, i) => ({
    path,
    kind,
    tags: read[i]!,
    bytes: readFileSync(path),
  }));
}, 300_000);

const headOf = (bytes: Buffer): ArrayBuffer =>
  bytes.buffer.slice(
    bytes.byteOffset,
    bytes.byteOffset + Math.min(bytes.length, HEAD_BYTES),
  ) as ArrayBuffer;
const readOf = (bytes: Buffer, name = 'x.jpg'): PhotoRead =>
  readPhoto({ folder: '', name, head: headOf(bytes), sidecar: null }, true);

/** A figure of exiftool's; null for what is zero, infinite or undefined. */
function figure(value: string | number | undefined): number | null {
  const n = Number(value);
  return value === undefined || !Number.isFinite(n) || n <= 0 ? null : n;
}
const words = (value: string | number | undefined) =>
  value === undefined ? '' : String(value).trim();

/** What exiftool says of a file, field by field. */
function expected(t: Tags): Partial<Photo> {
  const lens = words(t['EXIF:LensInfo'])
    .split(' ')
    .map((n) => figure(n));
  const [wide, long, fWide, fLong] = lens;
  const width =
    figure(t['EXIF:ExifImageWidth']) ??
    figure(t['File:ImageWidth']) ??
    figure(t['EXIF:ImageWidth']) ??
    figure(t['PNG:ImageWidth']) ??
    figure(t['RIFF:ImageWidth']) ??
    figure(t['QuickTime:ImageWidth']) ??
    figure(t['Composite:ImageWidth']);
  const height =
    figure(t['EXIF:ExifImageHeight']) ??
    figure(t['File:ImageHeight']) ??
    figure(t['EXIF:ImageHeight']) ??
    figure(t['PNG:ImageHeight']) ??
    figure(t['RIFF:ImageHeight']) ??
    figure(t['QuickTime:ImageHeight']) ??
    figure(t['Composite:ImageHeight']);
  const taken = t['EXIF:DateTimeOriginal'];
  const zone = /^([+-])(\d\d):(\d\d)$/.exec(words(t['EXIF:OffsetTimeOriginal']));
  const [south, west] = [t['EXIF:GPSLatitudeRef'] === 'S', t['EXIF:GPSLongitudeRef'] === 'W'];
  const [lat, lon] = [t['EXIF:GPSLatitude'], t['EXIF:GPSLongitude']].map((v) =>
    v === undefined ? null : Number(v),
  );
  return {
    takenMs:
      taken === undefined
        ? null
        : Date.parse(String(taken).replace(':', '-').replace(':', '-').replace(' ', 'T') + 'Z') +
          (t['EXIF:SubSecTimeOriginal'] === undefined
            ? 0
            : Math.floor(1000 * Number(`0.${t['EXIF:SubSecTimeOriginal']}`))),
    zoneMin:
      taken === undefined || !zone
        ? null
        : (zone[1] === '-' ? -1 : 1) * (60 * Number(zone[2]) + Number(zone[3])),
    body: {
      make: words(t['EXIF:Make']),
      model: words(t['EXIF:Model']),
      serial: words(t['EXIF:SerialNumber']),
    },
    lens: {
      make: words(t['EXIF:LensMake']),
      model: words(t['EXIF:LensModel']),
      serial: words(t['EXIF:LensSerialNumber']),
      specification:
        wide && long
          ? { wideMm: wide, longMm: long, fNumberWide: fWide ?? null, fNumberLong: fLong ?? null }
          : null,
    },
    focalMm: figure(t['EXIF:FocalLength']),
    equivalentMm: figure(t['EXIF:FocalLengthIn35mmFormat']),
    fNumber: figure(t['EXIF:FNumber']),
    timeS: figure(t['EXIF:ExposureTime']),
    iso: figure(t['EXIF:ISO']),
    flash: t['EXIF:Flash'] === undefined ? null : (Number(t['EXIF:Flash']) & 1) === 1,
    subjectM: t['EXIF:SubjectDistance'] === 'inf' ? Infinity : figure(t['EXIF:SubjectDistance']),
    orientation: figure(t['EXIF:Orientation']),
    digitalZoom: figure(t['EXIF:DigitalZoomRatio']),
    widthPx: width,
    heightPx: height,
    rating: t['XMP:Rating'] === undefined ? null : Number(t['XMP:Rating']),
    label: words(t['XMP:Label']),
    place:
      lat == null || lon == null
        ? null
        : { latitudeDeg: south ? -lat : lat, longitudeDeg: west ? -lon : lon },
  };
}

/** A file without any of these tells nothing of how it was taken. */
const TELLING = ['DateTimeOriginal', 'ExposureTime', 'FNumber', 'ISO', 'FocalLength'];

function compare(is: unknown, should: unknown, at: string): void {
  if (typeof should === 'number' && Number.isFinite(should) && typeof is === 'number')
    expect([at, Math.abs(is - should) <= 1e-5 * Math.max(1, Math.abs(should))]).toEqual([at, true]);
  else if (typeof should === 'object' && should !== null)
    for (const [key, value] of Object.entries(should))
      compare((is as Record<string, unknown> | null)?.[key], value, `${at}.${key}`);
  else expect([at, is]).toEqual([at, should]);
}

test.each([...KINDS, ...LAID_OUT.map(([kind]) => kind)])(
  '%s files tell the same as they tell exiftool, field by field',
  (kind) => {
    const of = files.filter((f) => f.kind === kind);
    expect(of.length).toBeGreaterThanOrEqual(kind === 'rw2' ? 8 : FILES / KINDS.length);
    for (const { path, tags, bytes } of of) {
      const read = readOf(bytes, path);
      const tells = TELLING.some((tag) => tags[`EXIF:${tag}`] !== undefined);
      expect([path, read.kind]).toEqual([path, tells ? 'photo' : 'no-data']);
      if (read.kind === 'photo') compare(read.photo, expected(tags), path);
    }
  },
);

test('every field was written into many files', () => {
  const photos = files.map((f) => expected(f.tags));
  for (const field of Object.keys(photos[0]!) as (keyof Photo)[])
    expect([field, photos.filter((p) => p[field] != null && p[field] !== '').length > 60]).toEqual([
      field,
      true,
    ]);
});

test('the size of the sensor follows from focal-plane resolution, where it can be true', () => {
  let told = 0;
  for (const { tags, bytes } of files) {
    const read = readOf(bytes);
    if (read.kind !== 'photo') continue;
    const unit = { 2: 25.4, 3: 10, 4: 1 }[Number(tags['EXIF:FocalPlaneResolutionUnit'] ?? 2)]!;
    const x = figure(tags['EXIF:FocalPlaneXResolution']);
    const y = figure(tags['EXIF:FocalPlaneYResolution']) ?? x;
    const { widthPx, heightPx, sensor } = read.photo;
    const [w, h] = [(widthPx! / x!) * unit, (heightPx! / y!) * unit];
    if (x === null || !widthPx || !heightPx || w < 2 || w > 200 || h < 2 || h > 200)
      expect(sensor).toBeNull();
    else {
      compare(sensor, { widthMm: w, heightMm: h }, 'sensor');
      told += 1;
    }
  }
  expect(told).toBeGreaterThan(0);
});

test('without being asked, no location is read', () => {
  for (const { bytes } of files.slice(0, 60)) {
    const read = readPhoto({ folder: '', name: 'x', head: headOf(bytes), sidecar: null });
    if (read.kind === 'photo') expect(read.photo.place).toBeNull();
  }
});

test.each([['-csv'], ['-csv', '-n'], ['-json'], ['-json', '-n'], ['-json', '-G']])(
  'a table that exiftool writes with %s %s gives the same as the files',
  (...how) => {
    const jpegs = files.filter((f) => f.kind === 'jpg');
    const table = readPhotoTable(
      execFileSync('exiftool', [...how, '-charset', 'exif=utf8', ...jpegs.map((f) => f.path)], {
        encoding: 'utf8',
      }),
    );
    if (table.code !== 'read') throw new Error(table.code);
    expect(table.photos).toHaveLength(jpegs.length);
    table.photos.forEach((photo, i) => {
      const read = readOf(jpegs[i]!.bytes);
      if (read.kind !== 'photo') return;
      const { body, takenMs, orientation, flash, rating, label } = read.photo;
      compare(photo, { body, takenMs, orientation, flash, rating, label }, jpegs[i]!.path);
      // Words round: 5.6 for 5.5999, 1/640 for 0.0015625.
      for (const key of ['focalMm', 'fNumber', 'timeS', 'iso', 'equivalentMm'] as const) {
        const [a, b] = [photo[key], read.photo[key]];
        if (a !== null && b !== null && b > 0.3)
          expect(Math.abs(a - b)).toBeLessThan(0.06 * Math.max(1, b));
      }
    });
  },
);

test('files that are cut, changed, or lie about their lengths never throw', () => {
  let n = 0;
  fc.assert(
    fc.property(
      fc.nat({ max: FILES + 65 }),
      fc.array(fc.tuple(fc.nat(), fc.nat({ max: 255 })), { maxLength: 12 }),
      fc.option(fc.double({ min: 0, max: 1, noNaN: true })),
      (of, changes, cutAt) => {
        const bytes = Buffer.from(files[of]!.bytes);
        for (const [at, value] of changes) bytes[at % Math.min(bytes.length, 600)] = value;
        const cut = cutAt === null ? bytes : bytes.subarray(0, Math.floor(cutAt * bytes.length));
        const read = readOf(Buffer.from(cut), files[of]!.path);
        expect(['photo', 'no-data', 'damaged', 'not-a-photo']).toContain(read.kind);
        n += 1;
      },
    ),
    { numRuns: 3000, seed: 11 },
  );
  expect(n).toBe(3000);
}, 120_000);

test('a film is no photograph', () => {
  const film = Buffer.from('\0\0\0\x18ftypmp42\0\0\0\0mp42isom', 'latin1');
  expect(readOf(film).kind).toBe('not-a-photo');
});

test('a file whose byte order is the wrong one is damaged or tells nothing, and throws nothing', () => {
  for (const { bytes, kind } of files.filter((f) => f.kind === 'tif')) {
    const wrong = Buffer.from(bytes);
    wrong.write(bytes.toString('latin1', 0, 2) === 'II' ? 'MM' : 'II', 0, 'latin1');
    expect([kind, readOf(wrong).kind]).not.toEqual([kind, 'photo']);
  }
});

describe('at the size of real ones, with their data behind the picture', () => {
  /** A picture that can't be pressed into the first 128 KB. */
  const [width, height] = [1600, 1200];
  const grain = Buffer.alloc(3 * width * height);
  let state = 1;
  for (const i of grain.keys()) {
    state = (state * 1_103_515_245 + 12_345) & 0x7f_ff_ff_ff;
    grain[i] = state >> 16;
  }
  const exif = {
    IFD0: { Make: 'Quillmar', Model: 'K1' },
    IFD2: {
      FNumber: '28/10',
      ExposureTime: '1/250',
      FocalLength: '50/1',
      ISOSpeedRatings: '400',
      DateTimeOriginal: '2027:06:12 10:00:00',
    },
  };
  const told = { fNumber: 2.8, timeS: 1 / 250, focalMm: 50, iso: 400 };
  const readWhole = async (name: string, bytes: Buffer) => {
    const file = new Blob([new Uint8Array(bytes)]);
    const [came] = await readPhotoFiles([{ folder: '', name, file, sidecar: null }], false);
    return came!;
  };

  it.each(['webp', 'avif', 'heic', 'png', 'jpeg'] as const)(
    '%s tells what exiftool reads of it',
    async (kind) => {
      const picture = sharp(grain, { raw: { width, height, channels: 3 } });
      const format = kind === 'heic' ? 'avif' : kind;
      const bytes = await picture
        .toFormat(format, kind === 'jpeg' || kind === 'png' ? {} : { quality: 90, effort: 0 })
        .withExif(exif)
        .toBuffer();
      expect(bytes.length).toBeGreaterThan(2 * HEAD_BYTES);
      const path = join(folder, `real.${kind}`);
      writeFileSync(path, bytes);
      const [tags] = JSON.parse(
        execFileSync('exiftool', ['-json', '-n', '-G', path], { encoding: 'utf8' }),
      ) as Tags[];
      expect([tags!['EXIF:FNumber'], tags!['EXIF:ISO'], tags!['EXIF:FocalLength']]).toEqual([
        told.fNumber,
        told.iso,
        told.focalMm,
      ]);
      expect(await readWhole(`real.${kind}`, bytes)).toMatchObject({ kind: 'photo', photo: told });
    },
    60_000,
  );

  it('TIFF with its directory last, as its standard allows, tells the same', async () => {
    // Offsets of the directories are the only places that say where they lie (TIFF 6.0, section 2).
    const small = files.find((f) => f.kind === 'tif' && f.tags['EXIF:FNumber'])!;
    const bytes = directoryLast(small.bytes, 3 * HEAD_BYTES);
    const path = join(folder, 'last.tif');
    writeFileSync(path, bytes);
    const [tags] = JSON.parse(
      execFileSync('exiftool', ['-json', '-n', '-G', path], { encoding: 'utf8' }),
    ) as Tags[];
    expect(tags!['EXIF:FNumber']).toBe(small.tags['EXIF:FNumber']);
    expect(await readWhole('last.tif', bytes)).toMatchObject({
      kind: 'photo',
      photo: { fNumber: expected(tags!).fNumber },
    });
  });

  it('what tells nothing anywhere still tells nothing', async () => {
    const bare = await sharp(grain, { raw: { width, height, channels: 3 } })
      .webp({ quality: 90, effort: 0 })
      .toBuffer();
    expect(await readWhole('bare.webp', bare)).toEqual({ kind: 'no-data' });
  });
});

/** A TIFF with its first directory copied to behind so many more bytes; all its offsets stay true. */
function directoryLast(bytes: Buffer, more: number): Buffer {
  const isLittle = bytes.toString('latin1', 0, 2) === 'II';
  const at = isLittle ? bytes.readUInt32LE(4) : bytes.readUInt32BE(4);
  const count = isLittle ? bytes.readUInt16LE(at) : bytes.readUInt16BE(at);
  const directory = bytes.subarray(at, at + 2 + 12 * count + 4);
  const even = (bytes.length + more) % 2;
  const moved = Buffer.concat([bytes, Buffer.alloc(more + even), directory]);
  if (isLittle) moved.writeUInt32LE(bytes.length + more + even, 4);
  else moved.writeUInt32BE(bytes.length + more + even, 4);
  return moved;
}
