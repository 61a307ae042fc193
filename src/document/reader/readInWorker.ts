import { err, ok, type Result } from '@/core/result';
import type { Backup } from '../backup';
import { LARGEST } from './largest';
import type { ReaderKind, Readers } from './readers';

export interface ReadRequest {
  readonly id: number;
  readonly kind: ReaderKind;
  readonly input: readonly unknown[];
}
export type ReadReply =
  | { readonly ready: true }
  | { readonly id: number; readonly value: unknown }
  | { readonly id: number; readonly failed: string };

/** Why something was not read to its end. */
export type NotRead =
  | { readonly code: 'too-large'; readonly mb: number; readonly mostMb: number }
  | { readonly code: 'too-slow'; readonly seconds: number }
  | { readonly code: 'cancelled' | 'no-worker' | 'no-memory' }
  | { readonly code: 'failed'; readonly why: string };

type Input<K extends ReaderKind> = Parameters<Readers[K]>;
export type Read<K extends ReaderKind> = Awaited<ReturnType<Readers[K]>>;

const MB = 1_000_000;
/** Time for each MB, ms, after which a reader is ended. */
const MS_FOR_EACH_MB = 2000;
/** What a machine that is busy with other things may need besides, ms. */
const BUSY_MS = 5000;

/** A worker with the time at which it was ready; one serves all readings, one after another. */
let worker: Worker | null = null;
let turn: Promise<unknown> = Promise.resolve();
let lastId = 0;

/**
 * Reads what comes from outside in a worker of its own, within limits of size and time: whatever it
 * holds, the page goes on, and what is wrong comes back as data.
 */
export function readInWorker<K extends ReaderKind>(
  kind: K,
  input: Input<K>,
  signal?: AbortSignal,
): Promise<Result<Read<K>, NotRead>> {
  const size = sizeOf(input[0]);
  if (size > LARGEST[kind])
    return Promise.resolve(err({ code: 'too-large', mb: size / MB, mostMb: LARGEST[kind] / MB }));
  const done = turn.then(() => inTurn(kind, input, size, signal));
  turn = done.catch(() => undefined);
  return done;
}

async function inTurn<K extends ReaderKind>(
  kind: K,
  input: Input<K>,
  size: number,
  signal: AbortSignal | undefined,
): Promise<Result<Read<K>, NotRead>> {
  if (signal?.aborted) return err(CANCELLED);
  try {
    if (typeof Worker === 'undefined') return await readHere(kind, input);
    const ready = worker ?? (worker = await startWorker());
    if (ready === null) return err({ code: 'no-worker' });
    return await ask<K>(ready, kind, input, size, signal);
  } catch (error) {
    return err(failed(error instanceof Error ? error.message : String(error)));
  }
}

const CANCELLED: NotRead = { code: 'cancelled' };
const failed = (why: string): NotRead => ({ code: 'failed', why });

/** Where there are no workers. */
async function readHere<K extends ReaderKind>(
  kind: K,
  input: Input<K>,
): Promise<Result<Read<K>, NotRead>> {
  const { READERS } = await import('./readers');
  const read = READERS[kind] as (...args: readonly unknown[]) => unknown;
  return ok((await read(...input)) as Read<K>);
}

function startWorker(): Promise<Worker | null> {
  const started = new Worker(new URL('./reader.worker.ts', import.meta.url), { type: 'module' });
  return new Promise((resolve) => {
    started.addEventListener('message', () => resolve(started), { once: true });
    started.addEventListener('error', () => resolve(null), { once: true });
  });
}

function ask<K extends ReaderKind>(
  of: Worker,
  kind: K,
  input: Input<K>,
  size: number,
  signal: AbortSignal | undefined,
): Promise<Result<Read<K>, NotRead>> {
  lastId += 1;
  const id = lastId;
  return new Promise((resolve) => {
    const settle = (result: Result<Read<K>, NotRead>) => {
      clearTimeout(timer);
      of.removeEventListener('message', heard);
      of.removeEventListener('error', broken);
      signal?.removeEventListener('abort', cancel);
      resolve(result);
    };
    const end = (why: NotRead) => {
      of.terminate();
      worker = null;
      settle(err(why));
    };
    const heard = ({ data }: MessageEvent<ReadReply>) => {
      if ('ready' in data || data.id !== id) return;
      settle('failed' in data ? err(failed(data.failed)) : ok(data.value as Read<K>));
    };
    const broken = () => end({ code: 'no-memory' });
    const cancel = () => end(CANCELLED);
    const limitMs = Math.ceil(size / MB) * MS_FOR_EACH_MB + BUSY_MS;
    const timer = isOwn(input[0])
      ? undefined
      : setTimeout(() => end({ code: 'too-slow', seconds: Math.round(limitMs / 1000) }), limitMs);
    of.addEventListener('message', heard);
    of.addEventListener('error', broken);
    signal?.addEventListener('abort', cancel, { once: true });
    of.postMessage({ id, kind, input } satisfies ReadRequest);
  });
}

/** What is made here, not read, takes as long as it takes. */
const isOwn = (input: Input<ReaderKind>[0]): input is Backup =>
  typeof input !== 'string' && !(input instanceof Uint8Array);

function sizeOf(input: Input<ReaderKind>[0]): number {
  if (isOwn(input)) return 0;
  return typeof input === 'string' ? input.length : input.byteLength;
}
