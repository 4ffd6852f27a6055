import { z } from 'zod';
import type { DocumentFault, SetDocument } from '../../../engine/compile/document.ts';
import { readDocument } from '../../../engine/compile/read-document.ts';

/** The most a request may hold, in characters. A set of a thousand fields stays well below. */
const most = 2_000_000;

const withDocument = z.object({ document: z.unknown() });
const withBase = withDocument.extend({ base: z.int().min(1) });

export type Problem = { readonly error: string; readonly faults?: readonly DocumentFault[] };

export const problem = (status: number, body: Problem): Response => Response.json(body, { status });

/** Reads a request that carries a document: the document checked, or the answer that says what is wrong. */
async function readWith<T extends { document?: unknown }>(
  request: Request,
  shape: z.ZodType<T>,
): Promise<(T & { document: SetDocument }) | Response> {
  const text = await request.text();
  if (text.length > most)
    return problem(413, { error: 'This is more than a set can hold (2 million characters).' });
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return problem(400, { error: 'The request is not JSON.' });
  }
  const parsed = shape.safeParse(json);
  if (!parsed.success) return problem(400, { error: z.prettifyError(parsed.error) });
  const result = readDocument(parsed.data.document);
  if (!result.ok) return problem(422, { error: 'The document has faults.', faults: result.faults });
  return { ...parsed.data, document: result.document };
}

export const readSave = (request: Request) => readWith(request, withBase);
export const readNew = (request: Request) => readWith(request, withDocument);

/** Runs a handler; what goes wrong in the store becomes an answer that says so, not a page of stack. */
export async function answer(work: () => Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    console.error(error);
    const isInUse = error instanceof Error && error.name === 'FolderInUse';
    return problem(503, {
      error: isInUse ? error.message : 'The store did not answer. Nothing was changed; try again.',
    });
  }
}
