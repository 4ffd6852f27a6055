import { restoreSet } from '../../../../../store/sets.ts';
import { store } from '../../../../../store/store.ts';
import * as words from '../../../../../words/app/api.ts';
import { answer, problem, setIdOf } from '../../../request.ts';

/** Restores a deleted set. */
export function POST(_: Request, { params }: { params: Promise<{ set: string }> }): Promise<Response> {
  return answer('put a set back', async () => {
    const id = setIdOf((await params).set);
    const done = id && (await (await store()).write((db) => restoreSet(db, id)));
    return done ? Response.json({ id }) : problem(404, { error: words.notDeleted });
  });
}
