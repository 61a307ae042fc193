import type { Result } from '@/core/result';
import {
  type NotRead,
  type Read,
  type ReaderKind,
  type Readers,
  readInWorker,
} from '@/document/reader';
import { notify } from '@/ui';
import { partsText } from '@/text';

const t = partsText.readFile;

/** Reading that lasts longer than this is told of, with a way to cancel it, ms. */
const LONG_MS = 1000;

/** Reads a file in a worker; where that lasts, it says so and can be cancelled. */
export async function readFile<K extends ReaderKind>(
  kind: K,
  name: string,
  input: Parameters<Readers[K]>,
): Promise<Result<Read<K>, NotRead>> {
  const control = new AbortController();
  const reading = readInWorker(kind, input, control.signal);
  const timer = setTimeout(
    () =>
      notify(t.reading(name), {
        until: reading,
        action: { label: t.cancel, onClick: () => control.abort() },
      }),
    LONG_MS,
  );
  const read = await reading;
  clearTimeout(timer);
  return read;
}
