import { createSet } from '../../../store/sets.ts';
import { store } from '../../../store/store.ts';
import { answer, readNew } from '../request.ts';

/** Stores a new set. Body: `{ document }`. Answers the set with its id, 422 with the faults of the document. */
export function POST(request: Request): Promise<Response> {
  return answer('make a set', async () => {
    const read = await readNew(request);
    if (read instanceof Response) return read;
    const made = await (await store()).write((db) => createSet(db, read.document));
    return Response.json(made, { status: 201 });
  });
}
