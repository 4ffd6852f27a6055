import schema from '@arbeit/engine/document.schema.json' with { type: 'json' };

export const dynamic = 'force-static';

/** The JSON Schema of the document, for editors and other tools. */
export function GET(): Response {
  return Response.json(schema, { headers: { 'content-type': 'application/schema+json' } });
}
