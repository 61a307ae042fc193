import { logBuilder, type Photo } from '@/core/log';
import { readPhoto } from '../formats/photoData';
import { readPhotoTable, writePhotoTable } from '../formats/photoTable';
import { folderAndName } from '../formats/photoValues';
import type { OutingFile } from '../outingFile';
import { simulatedArchive } from './archive';
import { simulatedCard } from './card';

/** A made-up photographer's year, as texts that a browser stores. */
export interface Season {
  readonly shelf: string;
  readonly settings: string;
  /** The first is the one that is opened. */
  readonly outings: readonly {
    readonly key: `outing:${string}`;
    readonly name: string;
    readonly savedAt: number;
    readonly text: string;
  }[];
  /** A table of its photographs. */
  readonly photographs: string;
}

/**
 * All photographs of a year as a table: the regatta's card, and the archive's on days without an outing.
 *
 * @param outings those of the year, the regatta among them
 */
export function simulatedYear(regatta: OutingFile, outings: readonly OutingFile[]): string {
  const builder = logBuilder();
  for (const { path, bytes } of simulatedCard(regatta).files) {
    const read = readPhoto({ ...folderAndName(path), head: bytes.buffer, sidecar: null });
    if (read.kind === 'photo') builder.add(read.photo);
  }
  const isOnOuting = ({ takenMs }: Photo) => {
    const day = takenMs === null ? '' : new Date(takenMs).toISOString().slice(0, 10);
    return outings.some(
      ({ outing }) =>
        outing.firstDay !== null &&
        day >= outing.firstDay &&
        day <= (outing.lastDay ?? outing.firstDay),
    );
  };
  const archive = readPhotoTable(simulatedArchive());
  if (archive.code === 'read')
    for (const photo of archive.photos) if (!isOnOuting(photo)) builder.add(photo);
  return writePhotoTable(builder.log());
}
