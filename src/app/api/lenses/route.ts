import { FOLDER_VARIABLE, lensLookup, USUAL_FOLDER } from '@/server';

export const runtime = 'nodejs';

/** What the open lens database on this machine has for `q`; 404 with how to get it where it is not here. */
export async function GET(request: Request) {
  const found = await lensLookup().search(new URL(request.url).searchParams.get('q') ?? '');
  if (found) return Response.json(found, { headers: { 'cache-control': 'no-store' } });
  const error = { code: 'no-database', folder: USUAL_FOLDER, variable: FOLDER_VARIABLE };
  return Response.json({ error }, { status: 404 });
}
