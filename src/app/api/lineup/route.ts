import { NextResponse } from 'next/server';
import { decode } from '@/document';
import { answerInFull } from '@/workers/answerLineup';

export const runtime = 'nodejs';

/** Largest outing file that may be posted. */
const MAX_BYTES = 8_000_000;

/** The best lineup of a posted outing file and its rivals: 200, 413 when too large, 422 with field paths when bad. */
export async function POST(request: Request) {
  const text = await readLimited(request);
  if (text === null) {
    return NextResponse.json(
      { error: { code: 'too-large', message: `The outing is larger than ${MAX_BYTES} bytes.` } },
      { status: 413 },
    );
  }
  const file = decode(text);
  if (!file.ok) return NextResponse.json({ error: file.error }, { status: 422 });
  return NextResponse.json(await answerInFull(file.value));
}

/** Reads the body and stops as soon as it is too large, whatever length the sender claims. */
async function readLimited(request: Request): Promise<string | null> {
  if (Number(request.headers.get('content-length') ?? 0) > MAX_BYTES) return null;
  const reader = request.body?.getReader();
  if (!reader) return '';
  const decoder = new TextDecoder();
  let text = '';
  let bytes = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return text + decoder.decode();
    bytes += value.byteLength;
    if (bytes > MAX_BYTES) {
      await reader.cancel();
      return null;
    }
    text += decoder.decode(value, { stream: true });
  }
}
