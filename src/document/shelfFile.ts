import { z } from 'zod';
import { type Shelf, shelf } from '@/core/gear';
import { err, ok, type Result } from '@/core/result';
import { plainMessage } from './messages';

const SHELF_FORMAT = 'armreach-shelf';
const SHELF_VERSION = 1;

const shelfFile = z.strictObject({
  format: z.literal(SHELF_FORMAT),
  version: z.literal(SHELF_VERSION),
  shelf,
});

/** A shelf by itself as JSON, to be taken to another outing or browser. */
export function encodeShelf(of: Shelf): string {
  return `${JSON.stringify({ format: SHELF_FORMAT, version: SHELF_VERSION, shelf: of }, null, 2)}\n`;
}

/** Reads a shelf; what is wrong is said with the path of the field. */
export function decodeShelf(
  text: string,
): Result<Shelf, { readonly code: 'bad-shelf'; readonly message: string }> {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return err({ code: 'bad-shelf', message: 'it is not JSON' });
  }
  const read = shelfFile.safeParse(value, { error: plainMessage });
  if (read.success) return ok(read.data.shelf);
  const [first] = read.error.issues;
  return err({
    code: 'bad-shelf',
    message: `${first?.path.join('.') || 'the file'} ${first?.message ?? 'cannot be read'}`,
  });
}

/** What two pieces must share to be taken for the same one. */
const sameKey = (item: { readonly name: string; readonly maker: string }) =>
  `${item.maker} ${item.name}`
    .toLowerCase()
    .replace(/[\s–-]+/g, ' ')
    .trim();

/** Ids of added pieces that stand on the shelf already under another id. */
export function duplicatesOn(
  of: Pick<Shelf, 'lenses' | 'bodies'>,
  added: readonly { readonly id: string; readonly name: string; readonly maker: string }[],
): ReadonlySet<string> {
  const known = new Map(
    [...of.lenses, ...of.bodies].map((item) => [sameKey(item), item.id as string]),
  );
  return new Set(
    added.flatMap((item) => {
      const other = known.get(sameKey(item));
      return other !== undefined && other !== item.id ? [item.id] : [];
    }),
  );
}
