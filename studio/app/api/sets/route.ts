import { createSet } from '../../../store/sets.ts';
import { store } from '../../../store/store.ts';
import { answer, readNew } from '../request.ts';

/** Stores a new set. Body: `{ document }`. Answers the set with its id, 422 with the faults of the document. */
export function POST(request: Request): Promise<Response> {
  return answer(async () => {
    const read = await readNew(request);
    if (read instanceof Response) return read;
    return Response.json(await createSet(await store(), read.document), { status: 201 });
  });
}
