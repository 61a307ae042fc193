import { err, ok, type Result } from '@/core/result';

/** Largest size of all files in a backup together, bytes. */
const MAX_BACKUP_BYTES = 400_000_000;

/** What a zip holds: its files, and the names of those that are not as they were written. */
export interface Unzipped {
  readonly files: Readonly<Record<string, Uint8Array>>;
  readonly damaged: readonly string[];
  /** Names that are in it more than once: the last file of each counts. */
  readonly doubled: readonly string[];
}

export type NotUnzipped =
  { readonly code: 'not-zip' } | { readonly code: 'too-large'; readonly bytes: number };

const END_SIGNATURE = 0x06054b50;
const END_BYTES = 22;
const ENTRY_SIGNATURE = 0x02014b50;
const ENTRY_BYTES = 46;
const UTF8_FLAG = 1 << 11;

/**
 * The files of a zip, each held against the checksum written with it; one that is damaged leaves the
 * others as they are.
 */
export async function unzipped(bytes: Uint8Array): Promise<Result<Unzipped, NotUnzipped>> {
  const { strFromU8, unzipSync } = await import('fflate');
  const { default: crc32 } = await import('crc-32');
  const names = new Set<string>();
  const doubled = new Set<string>();
  let size = 0;
  try {
    unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (names.has(name)) doubled.add(name);
        names.add(name);
        size += originalSize;
        return false;
      },
    });
  } catch {
    return err({ code: 'not-zip' });
  }
  if (size > MAX_BACKUP_BYTES) return err({ code: 'too-large', bytes: size });
  const sums = checksumsIn(bytes);
  const files = Object.create(null) as Record<string, Uint8Array>;
  const damaged: string[] = [];
  const whole = contentsOf(() => true);
  for (const name of names) {
    const file = (whole ?? contentsOf((n) => n === name))?.[name];
    const sum = sums.get(name);
    if (file && (sum === undefined || crc32.buf(file) >>> 0 === sum)) files[name] = file;
    else damaged.push(name);
  }
  return ok({ files, damaged, doubled: [...doubled] });

  function contentsOf(isWanted: (name: string) => boolean): Record<string, Uint8Array> | null {
    try {
      return unzipSync(bytes, { filter: ({ name }) => isWanted(name) });
    } catch {
      return null;
    }
  }

  /** CRC-32 by name, as the directory at the end of a zip gives them (APPNOTE.TXT 6.3, 4.3.12 and 4.3.16). */
  function checksumsIn(zip: Uint8Array): Map<string, number> {
    const view = new DataView(zip.buffer, zip.byteOffset, zip.byteLength);
    const found = new Map<string, number>();
    let end = zip.length - END_BYTES;
    while (end > 0 && view.getUint32(end, true) !== END_SIGNATURE) end -= 1;
    let at = view.getUint32(end + 16, true);
    for (let left = view.getUint16(end + 8, true); left > 0; left -= 1) {
      if (at + ENTRY_BYTES > zip.length || view.getUint32(at, true) !== ENTRY_SIGNATURE) break;
      const isUtf8 = (view.getUint16(at + 8, true) & UTF8_FLAG) !== 0;
      const nameEnd = at + ENTRY_BYTES + view.getUint16(at + 28, true);
      const name = strFromU8(zip.subarray(at + ENTRY_BYTES, nameEnd), !isUtf8);
      found.set(name, view.getUint32(at + 16, true));
      at = nameEnd + view.getUint16(at + 30, true) + view.getUint16(at + 32, true);
    }
    return found;
  }
}
