import { logBuilder, type Photo } from '@/core/log';
import { readPhoto } from '../formats/photoData';
import { readPhotoTable, writePhotoTable } from '../formats/photoTable';
import type { OutingFile } from '../outingFile';
import { simulatedArchive } from './archive';
import { simulatedCard } from './card';

/**
 * All photographs of a year as a table: the regatta's card, and the archive's on days without an outing.
 *
 * @param outings those of the year, the regatta among them
 */
export function simulatedYear(regatta: OutingFile, outings: readonly OutingFile[]): string {
  const builder = logBuilder();
  for (const { path, bytes } of simulatedCard(regatta).files) {
    const [name = '', ...folders] = path.split('/').reverse();
    const folder = folders.reverse().join('/');
    const read = readPhoto({ folder, name, head: bytes.buffer, sidecar: null });
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
