import { outingPost } from '@/server';

export const runtime = 'nodejs';

/** The best lineup of a posted outing file and its alternatives; what is answered stands in docs/format.md. */
export function POST(request: Request) {
  return outingPost(request, 'lineup');
}
