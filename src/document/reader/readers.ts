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

/** Largest input of each kind, bytes: several times what the largest valid one has. */
export const LARGEST: Readonly<Record<ReaderKind, number>> = {
  outing: 30_000_000,
  shelf: 30_000_000,
  lensCsv: 10_000_000,
  lensfun: 10_000_000,
  gearLines: 1_000_000,
  shotList: 1_000_000,
  backup: 300_000_000,
  photoTable: 300_000_000,
};
