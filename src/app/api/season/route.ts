import { season } from '@/server';

export const runtime = 'nodejs';

/** A made-up photographer's year: her shelf, her outings and the photographs of them. */
export function GET() {
  return Response.json(season());
}
