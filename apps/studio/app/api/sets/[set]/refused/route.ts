import { listRefused } from '../../../../../store/refusing.ts';
import { store } from '../../../../../store/store.ts';
import * as words from '../../../../../words/app/api.ts';
import { answer, problem, setIdOf } from '../../../request.ts';

interface Context {
  readonly params: Promise<{ readonly set: string }>;
}

/** The refused saves of a set, newest first: `{ kept, base, savedAt }` each. */
export function GET(_: Request, { params }: Context): Promise<Response> {
  return answer('list refused saves', async () => {
    const id = setIdOf((await params).set);
    if (!id) return problem(404, { error: words.noSuchSet });
    return Response.json(await (await store()).read((db) => listRefused(db, id)));
  });
}
