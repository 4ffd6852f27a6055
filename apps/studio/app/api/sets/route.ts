import { createSet, findSets, listSets } from '../../../store/sets.ts';
import { store } from '../../../store/store.ts';
import * as words from '../../../words/app/api.ts';
import { answer, problem, readNew } from '../request.ts';

/** Most sets in one response. */
const atATime = 50;
/** Longest search text, in characters. */
const mostLookedFor = 200;

/**
 * All sets, the last changed first, with their titles and numbers of fields. With `?title=` and `&from=`: `{
 * sets, count }`, up to fifty sets whose title contains the text, and the count of all that match.
 */
export function GET(request: Request): Promise<Response> {
  return answer('list the sets', async () => {
    const { searchParams } = new URL(request.url);
    const title = searchParams.get('title');
    const opened = await store();
    if (title === null) return Response.json(await opened.read(listSets));
    const from = searchParams.get('from') ?? '0';
    if (!/^\d{1,9}$/.test(from)) return problem(400, { error: words.fromIsANumber });
    if (title.length > mostLookedFor) return problem(400, { error: words.titleIsTooLong(mostLookedFor) });
    const asked = { title, from: Number(from), most: atATime };
    return Response.json(await opened.read((db) => findSets(db, asked)));
  });
}

/**
 * Stores a new set. Body: `{ document }`. Returns the set with its id, or 422 with the faults of the
 * document.
 */
export function POST(request: Request): Promise<Response> {
  return answer('make a set', async () => {
    const read = await readNew(request);
    if (read instanceof Response) return read;
    const made = await (await store()).write((db) => createSet(db, read.document));
    return Response.json(made, { status: 201 });
  });
}
