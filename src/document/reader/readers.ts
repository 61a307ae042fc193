import { readBackup } from '../backup';
import { decode } from '../codec';
import { shelfCodec } from '../desk';
import { readLensCsv, readLensfun } from '../formats';
import { readGearLines } from '../formats/gearLines';
import { readPhotoTable } from '../formats/photoTable';
import { readShotList } from '../formats/shotList';

/** Everything that reads what comes from outside, by what it reads. */
export const READERS = {
  outing: decode,
  shelf: (text: string) => shelfCodec.read(text),
  lensCsv: readLensCsv,
  lensfun: readLensfun,
  gearLines: readGearLines,
  shotList: readShotList,
  backup: readBackup,
  photoTable: readPhotoTable,
} as const;
export type Readers = typeof READERS;
export type ReaderKind = keyof Readers;
