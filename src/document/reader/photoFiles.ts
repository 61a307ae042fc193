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

/** Reads the beginnings of some files, all at once: most of the time is waited for the disk. */
export function readPhotoFiles(
  files: readonly PhotoFile[],
  withPlace: boolean,
): Promise<PhotoRead[]> {
  return Promise.all(files.map((file) => readPhotoFile(file, withPlace)));
}

async function readPhotoFile(
  { folder, name, file, sidecar }: PhotoFile,
  withPlace: boolean,
): Promise<PhotoRead> {
  try {
    const [head, beside] = await Promise.all([
      // Cutting costs more than reading; what is small enough is read as it is.
      (file.size <= HEAD_BYTES ? file : file.slice(0, HEAD_BYTES)).arrayBuffer(),
      sidecar === null ? null : sidecar.slice(0, LONGEST_SIDECAR).text(),
    ]);
    return readPhoto({ folder, name, head, sidecar: beside }, withPlace);
  } catch {
    // A card that is drawn out, or a file that is gone, ends nothing but its own reading.
    return { kind: 'damaged' };
  }
}
