import * as z from 'zod';
import { FOLDER_VARIABLE, lensLookup, USUAL_FOLDER } from '@/server';

export const runtime = 'nodejs';

const positive = z.coerce.number().positive().finite();
/** A lens by what it has to have. */
const asked = z.object({
  mount: z.string().min(1).max(60),
  wideMm: positive,
  longMm: positive,
  fNumberWide: positive,
  fNumberLong: positive,
});

/**
 * What the open lens database on this machine has for `q`, or for a `mount` from `wideMm` to `longMm`, at
 * `fNumberWide` and `fNumberLong`. Where it is not here, 404 with how to get it, or nothing for a lens that
 * nobody asked to see.
 */
export async function GET(request: Request) {
  const given = new URL(request.url).searchParams;
  const by = asked.safeParse(Object.fromEntries(given));
  const found = await (by.success
    ? lensLookup().satisfying(by.data)
    : lensLookup().search(given.get('q') ?? ''));
  if (found) return Response.json(found, { headers: { 'cache-control': 'no-store' } });
  if (by.success) return new Response(null, { status: 204 });
  const error = { code: 'no-database', folder: USUAL_FOLDER, variable: FOLDER_VARIABLE };
  return Response.json({ error }, { status: 404 });
}
