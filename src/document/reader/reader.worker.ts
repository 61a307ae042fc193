import * as z from 'zod';
import { READERS } from './readers';
import type { ReadRequest, ReadReply } from './readInWorker';

z.config({ jitless: true });

const tell = (said: ReadReply) => postMessage(said);

addEventListener('message', ({ data: { id, kind, input } }: MessageEvent<ReadRequest>) => {
  const read = READERS[kind] as (...args: readonly unknown[]) => unknown;
  // A reader that is at its end is an answer like another: never an error that nobody hears.
  Promise.resolve()
    .then(() => read(...input))
    .then(
      (value) => tell({ id, value }),
      (error: unknown) =>
        tell({ id, failed: error instanceof Error ? error.message : String(error) }),
    );
});
tell({ ready: true });
