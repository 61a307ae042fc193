import { outingJsonSchema } from '@/document';
import { appText } from '@/text';

export const dynamic = 'force-static';

/** The JSON Schema of the outing file, made from the schema that reads it. */
export function GET() {
  return Response.json(outingJsonSchema(appText.outingSchema), {
    headers: { 'content-type': 'application/schema+json' },
  });
}
