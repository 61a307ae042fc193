import { type Remote, wrap } from 'comlink';
import type { Photo } from '@/core/log';
import type { PhotoRead } from '../formats/photoData';
import { folderAndName } from '../formats/photoValues';
import type { PhotoFile } from './photoFiles';
import type { PhotoService } from './photos.worker';

/** A file that was found in a folder, dropped, or chosen. */
export interface FoundFile {
  /** From the place that was opened, with `/`. */
  readonly path: string;
  readonly file: Blob;
}

/** How far a reading has come, and what it found. */
export interface ReadingCount {
  readonly files: number;
  readonly done: number;
  readonly read: number;
  /** Pictures that tell nothing of how they were taken. */
  readonly noData: number;
  readonly damaged: number;
  /** Endings of photographs of a kind that can't be read yet, one for each file. */
  readonly notYet: readonly string[];
  readonly notPhotos: number;
}

/** Workers that read side by side. */
const WORKERS = 2;
/** Files that a worker is given at once: few enough to be told of soon, enough to keep it busy. */
const BATCH = 100;

interface ReadingOptions {
  readonly withPlace: boolean;
  readonly signal: AbortSignal;
  /** Given photographs as they are read. */
  readonly take: (photos: readonly Photo[], count: ReadingCount) => void;
}

/** Two workers that read the beginnings of files; started when they are first needed, or before. */
export function createPhotoReaders() {
  let services: readonly Remote<PhotoService>[] | null = null;
  const start = () =>
    (services ??= Array.from({ length: WORKERS }, () =>
      wrap<PhotoService>(
        new Worker(new URL('./photos.worker.ts', import.meta.url), { type: 'module' }),
      ),
    ));
  return {
    /** Starts the workers, so that the first reading doesn't wait for them. */
    warm: () => void start(),
    /** Reads files; what was read by the time it is cancelled is kept. */
    async read(found: readonly FoundFile[], options: ReadingOptions): Promise<ReadingCount> {
      const photos = sorted(found);
      let count: ReadingCount = {
        files: photos.length,
        done: 0,
        read: 0,
        noData: 0,
        damaged: 0,
        notYet: [],
        notPhotos: 0,
      };
      let next = 0;
      const work = async (service: Remote<PhotoService>) => {
        while (next < photos.length && !options.signal.aborted) {
          const batch = photos.slice(next, next + BATCH);
          next += BATCH;
          const read = await orAborted(service, batch, options);
          if (read === null) return;
          count = counted(count, batch, read);
          const taken = read.flatMap((r) => (r.kind === 'photo' ? [r.photo] : []));
          options.take(taken, count);
        }
      };
      await Promise.all(start().map(work));
      return count;
    },
  };
}

/** What a batch gives; null when it is cancelled first. */
function orAborted(
  service: Remote<PhotoService>,
  batch: readonly PhotoFile[],
  { withPlace, signal }: { readonly withPlace: boolean; readonly signal: AbortSignal },
): Promise<readonly PhotoRead[] | null> {
  return new Promise((resolve, reject) => {
    const stop = () => resolve(null);
    signal.addEventListener('abort', stop, { once: true });
    service
      .read(batch as PhotoFile[], withPlace)
      .then(resolve, reject)
      .finally(() => signal.removeEventListener('abort', stop));
  });
}

/** Raw files whose data lie where the reading package doesn't look. */
const NOT_YET = /\.(x3f|mrw|3fr|iiq|gpr)$/i;

/** The count after a batch of files. */
export function counted(
  count: ReadingCount,
  files: readonly PhotoFile[],
  read: readonly PhotoRead[],
): ReadingCount {
  const isNotYet = (i: number) => read[i]!.kind !== 'photo' && NOT_YET.test(files[i]!.name);
  const notYet = files.flatMap(({ name }, i) =>
    isNotYet(i) ? [NOT_YET.exec(name)![0].toLowerCase()] : [],
  );
  const of = (kind: PhotoRead['kind']) =>
    read.filter((r, i) => r.kind === kind && !isNotYet(i)).length;
  return {
    files: count.files,
    done: count.done + read.length,
    read: count.read + of('photo'),
    noData: count.noData + of('no-data'),
    damaged: count.damaged + of('damaged'),
    notYet: [...count.notYet, ...notYet],
    notPhotos: count.notPhotos + of('not-a-photo'),
  };
}

/** Photographs with the XMP files beside them; those aren't files of their own. Hidden files are left out. */
export function sorted(found: readonly FoundFile[]): PhotoFile[] {
  const sidecars = new Map<string, Blob>();
  const rest: FoundFile[] = [];
  for (const entry of found) {
    const isSidecar = /\.xmp$/i.test(entry.path);
    if (isSidecar) sidecars.set(entry.path.replace(/\.xmp$/i, '').toLowerCase(), entry.file);
    else rest.push(entry);
  }
  return rest
    .filter(({ path }) => !/(?:^|\/)\./.test(path))
    .map(({ path, file }): PhotoFile => {
      const lower = path.toLowerCase();
      // Beside DSC_1.NEF stands DSC_1.xmp, or DSC_1.NEF.xmp.
      const sidecar = sidecars.get(lower) ?? sidecars.get(lower.replace(/\.[^./]*$/, '')) ?? null;
      return { ...folderAndName(path), file, sidecar };
    });
}
