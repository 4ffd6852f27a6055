import { listRevisions } from '../../../../../store/revisions.ts';
import { findSet } from '../../../../../store/sets.ts';
import { store } from '../../../../../store/store.ts';
import * as words from '../../../../../words/app/api.ts';
import { answer, problem, setIdOf } from '../../../request.ts';

/** The revisions of a set, the latest first: `{ revision, name, savedAt }` each. */
export function GET(_: Request, { params }: { params: Promise<{ set: string }> }): Promise<Response> {
  return answer('list the revisions of a set', async () => {
    const id = setIdOf((await params).set);
    const all =
      id &&
      (await (
        await store()
      ).read(async (db) => ((await findSet(db, id)) ? listRevisions(db, id) : undefined)));
    return all ? Response.json(all) : problem(404, { error: words.notInTheStore });
  });
}
