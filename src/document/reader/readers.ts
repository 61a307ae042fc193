import { packBackup, readBackup } from '../backup';
import { decode } from '../codec';
import { shelfCodec } from '../desk';
import { readLensCsv, readLensfun } from '../formats';
import { readGearLines } from '../formats/gearLines';
import { readPlaces } from '../formats/places';
import { readPhotoTable } from '../formats/photoTable';
import { readShotList } from '../formats/shotList';

/** Everything that reads what comes from outside, by what it reads, and what packs a backup of one's own. */
export const READERS = {
  outing: decode,
  shelf: (text: string) => shelfCodec.read(text),
  lensCsv: readLensCsv,
  lensfun: readLensfun,
  gearLines: readGearLines,
  shotList: readShotList,
  backup: readBackup,
  packing: packBackup,
  photoTable: readPhotoTable,
  places: readPlaces,
} as const;
export type Readers = typeof READERS;
export type ReaderKind = keyof Readers;
