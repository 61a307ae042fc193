import { outingPost } from '@/server';

export const runtime = 'nodejs';

/** The plan of carrying of a posted outing file; what is answered stands in docs/format.md. */
export function POST(request: Request) {
  return outingPost(request, 'carry');
}
