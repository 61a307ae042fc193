import { HEAD_BYTES, type PhotoRead, readPhoto } from '../formats/photoData';

/** A file to be read: where it lies, the file itself, and the XMP file beside it. */
export interface PhotoFile {
  readonly folder: string;
  readonly name: string;
  readonly file: Blob;
  readonly sidecar: Blob | null;
}

/** Longest XMP text beside a photograph that is read, bytes. */
const LONGEST_SIDECAR = 1_000_000;

/** Reads the beginnings of some files, one after another. */
export async function readPhotoFiles(
  files: readonly PhotoFile[],
  withPlace: boolean,
): Promise<PhotoRead[]> {
  const read: PhotoRead[] = [];
  for (const { folder, name, file, sidecar } of files)
    try {
      const head = await file.slice(0, HEAD_BYTES).arrayBuffer();
      const beside = sidecar === null ? null : await sidecar.slice(0, LONGEST_SIDECAR).text();
      read.push(readPhoto({ folder, name, head, sidecar: beside }, withPlace));
    } catch {
      // A card that is drawn out, or a file that is gone, ends nothing but its own reading.
      read.push({ kind: 'damaged' });
    }
  return read;
}
