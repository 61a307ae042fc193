import { outingJsonSchema } from '@/document';

export const dynamic = 'force-static';

/** The JSON Schema of the outing file, made from the schema that reads it. */
export function GET() {
  return Response.json(outingJsonSchema(), {
    headers: { 'content-type': 'application/schema+json' },
  });
}
