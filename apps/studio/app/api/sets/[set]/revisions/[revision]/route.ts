import { findRevision, nameRevision } from '../../../../../../store/revisions.ts';
import { findSet } from '../../../../../../store/sets.ts';
import { store } from '../../../../../../store/store.ts';
import * as words from '../../../../../../words/app/api.ts';
import { answer, problem, readRevisionName, revisionOf, setIdOf } from '../../../../request.ts';

interface Context {
  readonly params: Promise<{ readonly set: string; readonly revision: string }>;
}

const missing = () => problem(404, { error: words.noSuchRevision });

/** A set at a revision. Returns `{ document }`. */
export function GET(_: Request, { params }: Context): Promise<Response> {
  return answer('read a revision', async () => {
    const given = await params;
    const [id, revision] = [setIdOf(given.set), revisionOf(given.revision)];
    if (!id || !revision) return missing();
    const document = await (await store()).read(async (db) =>
      (await findSet(db, id)) ? findRevision(db, id, revision) : undefined,
    );
    return document ? Response.json({ document }) : missing();
  });
}

/** Names a revision. Body: `{ name }`; `null` removes the name. Returns `{ name }`. */
export function PATCH(request: Request, { params }: Context): Promise<Response> {
  return answer('name a revision', async () => {
    const read = await readRevisionName(request);
    if (read instanceof Response) return read;
    const given = await params;
    const [id, revision] = [setIdOf(given.set), revisionOf(given.revision)];
    if (!id || !revision) return missing();
    const done = await (await store()).write((db) => nameRevision(db, id, revision, read.name));
    return done ? Response.json({ name: read.name }) : missing();
  });
}
