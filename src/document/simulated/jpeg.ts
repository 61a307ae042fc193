import piexif from 'piexifjs';
import { exifTime } from '../formats/photoValues';

/** What a simulated camera writes into a file. */
export interface Shot {
  /** The camera's clock, ms as if it were UTC. */
  readonly clockMs: number;
  readonly zone: string;
  readonly body: { readonly make: string; readonly model: string; readonly serial: string };
  readonly lens: {
    readonly make: string;
    readonly model: string;
    readonly range: readonly [wideMm: number, longMm: number, fWide: number, fLong: number];
  };
  readonly focalMm: number;
  readonly equivalentMm: number;
  readonly fNumber: number;
  readonly timeS: number;
  readonly iso: number;
  readonly subjectM: number | null;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly upright: boolean;
  /** Stars; 0 for none given. */
  readonly rating: number;
}

/** Tags that came with Exif 2.31, after the writer's own table. */
const OFFSET_TIME_ORIGINAL = 0x9011;
piexif.TAGS.Exif[OFFSET_TIME_ORIGINAL] = { name: 'OffsetTimeOriginal', type: 'Ascii' };

/** A grey picture of 12 × 8 pixels, so that the files are real and small. */
const GREY_JPEG = atob(
  '/9j/2wBDABALDA4MChAODQ4SERATGCgaGBYWGDEjJR0oOjM9PDkzODdASFxOQERXRTc4UG1RV19iZ2hnPk1xeXBkeFxlZ2P/' +
    '2wBDARESEhgVGC8aGi9jQjhCY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2P/wAAR' +
    'CAAIAAwDASIAAhEBAxEB/8QAFQABAQAAAAAAAAAAAAAAAAAAAAT/xAAUEAEAAAAAAAAAAAAAAAAAAAAA/8QAFAEBAAAAAAAA' +
    'AAAAAAAAAAAAAv/EABQRAQAAAAAAAAAAAAAAAAAAAAD/2gAMAwEAAhEDEQA/AIQDB//Z',
);

/** A JPEG file with the Exif data of a shot. */
export function jpegOf(shot: Shot): Uint8Array<ArrayBuffer> {
  const tenths = (value: number): readonly [number, number] => [Math.round(value * 10), 10];
  const [wide, long, fWide, fLong] = shot.lens.range;
  const exif = piexif.dump({
    '0th': {
      0x010f: ascii(shot.body.make),
      0x0110: ascii(shot.body.model),
      0x0112: shot.upright ? 8 : 1,
      ...(shot.rating > 0 ? { 0x4746: shot.rating } : {}),
    },
    Exif: {
      0x829a: shot.timeS < 1 ? [1, Math.round(1 / shot.timeS)] : tenths(shot.timeS),
      0x829d: tenths(shot.fNumber),
      0x8827: shot.iso,
      0x9003: exifTime(shot.clockMs),
      [OFFSET_TIME_ORIGINAL]: shot.zone,
      0x9291: String(shot.clockMs % 1000).padStart(3, '0'),
      ...(shot.subjectM === null ? {} : { 0x9206: [Math.round(shot.subjectM * 100), 100] }),
      0x9209: 16,
      0x920a: tenths(shot.focalMm),
      0xa002: shot.widthPx,
      0xa003: shot.heightPx,
      0xa405: Math.round(shot.equivalentMm),
      0xa431: shot.body.serial,
      0xa432: [tenths(wide), tenths(long), tenths(fWide), tenths(fLong)],
      0xa433: ascii(shot.lens.make),
      0xa434: ascii(shot.lens.model),
    },
  });
  const bytes = piexif.insert(exif, GREY_JPEG);
  return Uint8Array.from(bytes, (byte) => byte.charCodeAt(0));
}

/** Exif's own texts are plain ASCII. */
function ascii(text: string): string {
  return text.replaceAll('–', '-').replaceAll('×', 'x');
}
