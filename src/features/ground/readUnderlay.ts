import { err, ok, type Result } from '@/core/result';

/** A picture to lay under a plan, small enough to be kept in it. */
export interface ReadPicture {
  readonly image: string;
  /** Height over width. */
  readonly ratio: number;
}

export type NotAPicture = { readonly code: 'too-large' | 'kind' | 'broken' };

/** Larger files are not read, bytes. */
const MOST_BYTES = 20_000_000;
/** Letters of what is kept. */
const MOST_LETTERS = 1_390_000;
/** Sides that are tried, px, until it is small enough. */
const SIDES_PX = [2400, 1800, 1300, 900, 600];
/** The side of a drawing that has none of its own, px. */
const USUAL_PX = 1600;
const QUALITY = 0.82;

/** How files of each kind begin. */
const KINDS: readonly (readonly [string, (head: Uint8Array, text: string) => boolean])[] = [
  ['image/png', (b) => b[0] === 0x89 && b[1] === 0x50],
  ['image/jpeg', (b) => b[0] === 0xff && b[1] === 0xd8],
  ['image/webp', (_, text) => text.startsWith('RIFF') && text.slice(8, 12) === 'WEBP'],
  ['image/svg+xml', (_, text) => /^\s*<(?:\?xml|!--|!DOCTYPE|svg)/i.test(text)],
];

/**
 * Reads a picture and draws it anew, so that nothing of the file itself is kept: what it says of itself,
 * scripts and links of a drawing are gone. A drawing is shown as a picture, in which a browser runs no
 * script and fetches nothing.
 */
export async function readUnderlay(file: File): Promise<Result<ReadPicture, NotAPicture>> {
  if (file.size > MOST_BYTES) return err({ code: 'too-large' });
  const bytes = new Uint8Array(await file.arrayBuffer());
  const text = new TextDecoder('latin1').decode(bytes.subarray(0, 300)).replace('ï»¿', '');
  const kind = KINDS.find(([, begins]) => begins(bytes, text))?.[0];
  if (kind === undefined) return err({ code: 'kind' });
  const address = URL.createObjectURL(new Blob([bytes], { type: kind }));
  try {
    const picture = new Image();
    picture.src = address;
    await picture.decode();
    const kept = keptOf(picture);
    return kept === null ? err({ code: 'broken' }) : ok(kept);
  } catch {
    return err({ code: 'broken' });
  } finally {
    URL.revokeObjectURL(address);
  }
}

/** A picture drawn as large as it may be kept. */
function keptOf(picture: HTMLImageElement): ReadPicture | null {
  const width = picture.naturalWidth || USUAL_PX;
  const height = picture.naturalHeight || USUAL_PX;
  for (const side of SIDES_PX) {
    const scale = Math.min(1, side / Math.max(width, height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.max(1, Math.round(width * scale));
    canvas.height = Math.max(1, Math.round(height * scale));
    const context = canvas.getContext('2d');
    if (!context) return null;
    context.fillStyle = 'white';
    context.fillRect(0, 0, canvas.width, canvas.height);
    context.drawImage(picture, 0, 0, canvas.width, canvas.height);
    const image = canvas.toDataURL('image/jpeg', QUALITY);
    if (image.length <= MOST_LETTERS && image.startsWith('data:image/jpeg'))
      return { image, ratio: canvas.height / canvas.width };
  }
  return null;
}
