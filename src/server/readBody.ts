import { err, ok, type Result } from '@/core/result';

/** Largest outing file that may be posted, unpacked, bytes. */
const MAX_BYTES = 8_000_000;

export interface Unread {
  readonly code: 'too-large' | 'encoding' | 'damaged';
}

/**
 * Reads a body as text, gzip unpacked, and stops as soon as it is too large, whatever length the
 * sender claims and however little it was packed.
 */
export async function readBody(request: Request): Promise<Result<string, Unread>> {
  const encoding = (request.headers.get('content-encoding') ?? 'identity').trim().toLowerCase();
  if (encoding !== 'identity' && encoding !== 'gzip') return err({ code: 'encoding' });
  if (Number(request.headers.get('content-length') ?? 0) > MAX_BYTES)
    return err({ code: 'too-large' });
  if (!request.body) return ok('');
  const body =
    encoding === 'gzip'
      ? request.body.pipeThrough(
          new DecompressionStream('gzip') as TransformStream<Uint8Array, Uint8Array>,
        )
      : request.body;
  try {
    return await readLimited(body.getReader());
  } catch {
    return err({ code: 'damaged' });
  }
}

async function readLimited(
  reader: ReadableStreamDefaultReader<Uint8Array>,
): Promise<Result<string, Unread>> {
  const decoder = new TextDecoder();
  let text = '';
  let bytes = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return ok(text + decoder.decode());
    bytes += value.byteLength;
    if (bytes > MAX_BYTES) {
      await reader.cancel();
      return err({ code: 'too-large' });
    }
    text += decoder.decode(value, { stream: true });
  }
}
