import { latin1At } from '../formats/bytes';
import { HEAD_BYTES, type PhotoRead, readPhoto } from '../formats/photoData';
import { xmpText } from '../formats/xmp';

/** A file to be read: where it lies, the file itself, and the XMP file beside it. */
export interface PhotoFile {
  readonly folder: string;
  readonly name: string;
  readonly file: Blob;
  readonly sidecar: Blob | null;
}

/** Longest XMP text beside a photograph that is read, bytes. */
const LONGEST_SIDECAR = 1_000_000;

/**
 * Longest file that is read whole where its beginning doesn't tell how it was taken, bytes. Few have to
 * be: a camera writes its data first, a program that exports may write them last.
 */
const LONGEST_WHOLE = 100_000_000;

/** What files begin with whose own data may lie behind the picture: TIFF, PNG; ISO media and WebP further in. */
const MAY_LIE_BEHIND = [/^(?:II\*\0|MM\0\*)/, /^\x89PNG/, /^.{4}ftyp/s, /^RIFF.{4}WEBP/s];
const MARK_BYTES = 12;

const mayLieBehind = (head: ArrayBuffer): boolean => {
  const mark = latin1At(head, 0, MARK_BYTES);
  return MAY_LIE_BEHIND.some((begins) => begins.test(mark));
};

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
      sidecar === null ? null : sidecar.slice(0, LONGEST_SIDECAR).arrayBuffer(),
    ]);
    const xmp = beside && xmpText(beside);
    const read = readPhoto({ folder, name, head, sidecar: xmp }, withPlace);
    const isWhole = file.size <= HEAD_BYTES;
    if (read.kind === 'photo' || isWhole || file.size > LONGEST_WHOLE || !mayLieBehind(head))
      return read;
    const all = await file.arrayBuffer();
    return readPhoto({ folder, name, head: all, sidecar: xmp }, withPlace);
  } catch {
    // A card that is drawn out, or a file that is gone, ends nothing but its own reading.
    return { kind: 'damaged' };
  }
}
