import { deleteSet, findSet, renameSet, saveSet } from '../../../../store/sets.ts';
import { store } from '../../../../store/store.ts';
import { answer, problem, readRename, readSave, setIdOf } from '../../request.ts';

interface Context {
  readonly params: Promise<{ readonly set: string }>;
}

const missing = () => problem(404, { error: 'This set is no longer in the store.' });

export function GET(_: Request, { params }: Context): Promise<Response> {
  return answer('read a set', async () => {
    const id = setIdOf((await params).set);
    const found = id && (await (await store()).read((db) => findSet(db, id)));
    return found ? Response.json(found) : missing();
  });
}

/**
 * Saves a set. Body: `{ base, document, from }`, `base` the revision it was made on, `from` the page it was made on.
 * Answers `{ revision }`; 409 with the set as it is now and the number the refused one is kept under; 422 with the
 * faults of the document.
 */
export function PUT(request: Request, { params }: Context): Promise<Response> {
  return answer('save a set', async () => {
    const read = await readSave(request);
    if (read instanceof Response) return read;
    const id = setIdOf((await params).set);
    if (!id) return missing();
    const { base, document, from = '' } = read;
    const saved = await (await store()).write((db) => saveSet(db, id, base, document, from));
    if (saved.outcome === 'missing') return missing();
    if (saved.outcome === 'saved') return Response.json({ revision: saved.revision });
    return Response.json({ theirs: saved.theirs, kept: saved.kept }, { status: 409 });
  });
}

/** Gives a set another id. Body: `{ id }`. Answers `{ id }`; 409 where another set has it. */
export function PATCH(request: Request, { params }: Context): Promise<Response> {
  return answer('rename a set', async () => {
    const read = await readRename(request);
    if (read instanceof Response) return read;
    const id = setIdOf((await params).set);
    if (!id) return missing();
    const done = await (await store()).write((db) => renameSet(db, id, read.id));
    if (done === 'missing') return missing();
    if (done === 'taken') return problem(409, { error: `Another set is called ${read.id} already.` });
    return Response.json({ id: read.id });
  });
}

/** Takes a set off the shelf; `restore` puts it back. */
export function DELETE(_: Request, { params }: Context): Promise<Response> {
  return answer('take a set away', async () => {
    const id = setIdOf((await params).set);
    const done = id && (await (await store()).write((db) => deleteSet(db, id)));
    return done ? Response.json({ id }) : missing();
  });
}
