import { createSet, listSets } from '../../../store/sets.ts';
import { store } from '../../../store/store.ts';
import { answer, readNew } from '../request.ts';

/** All sets, the one changed last first, each with its title and the number of its fields. */
export function GET(): Promise<Response> {
  return answer('list the sets', async () => {
    return Response.json(await (await store()).read(listSets));
  });
}

/** Stores a new set. Body: `{ document }`. Answers the set with its id, 422 with the faults of the document. */
export function POST(request: Request): Promise<Response> {
  return answer('make a set', async () => {
    const read = await readNew(request);
    if (read instanceof Response) return read;
    const made = await (await store()).write((db) => createSet(db, read.document));
    return Response.json(made, { status: 201 });
  });
}
