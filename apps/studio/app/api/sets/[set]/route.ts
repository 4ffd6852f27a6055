import { soundSet } from '../../../../store/documents.ts';
import { changesSince, type SentSave, saveSet } from '../../../../store/save-set.ts';
import { deleteSet, renameSet } from '../../../../store/sets.ts';
import { store } from '../../../../store/store.ts';
import * as words from '../../../../words/app/api.ts';
import { answer, problem, readRename, readSave, revisionOf, setIdOf } from '../../request.ts';

interface Context {
  readonly params: Promise<{ readonly set: string }>;
}

const missing = () => problem(404, { error: words.notInTheStore });

/**
 * A set, by its id, its key, or a former id. With a revision in `?since=` and the store in `&generation=`:
 * the changes after it, or the whole set if the log does not go back so far.
 */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return answer('read a set', async () => {
    const id = setIdOf((await params).set);
    if (!id) return missing();
    const { searchParams } = new URL(request.url);
    const asked = searchParams.get('since');
    const generation = searchParams.get('generation') ?? '';
    const since = asked === null ? undefined : revisionOf(asked);
    if (asked !== null && since === undefined) return problem(400, { error: words.sinceIsARevision });
    const found = await (await store()).read(async (db): Promise<object | undefined> => {
      if (since !== undefined) return changesSince(db, id, since, generation);
      const set = await soundSet(db, id);
      return set && { ...set, faults: undefined };
    });
    return found ? Response.json(found) : missing();
  });
}

/**
 * Saves a set. Body: a save (`store/saving.ts`). Returns what is stored; 409 with the current set, the
 * reason, and the number of the refused save; 422 with the faults of the resulting document.
 */
export function PUT(request: Request, { params }: Context): Promise<Response> {
  return answer('save a set', async () => {
    const read = await readSave(request);
    if (read instanceof Response) return read;
    const id = setIdOf((await params).set);
    if (!id) return missing();
    // The type from Zod has optional members; JSON has no undefined ones.
    const saved = await (await store()).write((db) => saveSet(db, id, read as SentSave));
    const { outcome, ...rest } = saved;
    if (outcome === 'missing') return missing();
    if (saved.outcome === 'faulty')
      return problem(422, { error: words.documentHasErrors, faults: saved.faults });
    return Response.json(rest, { status: outcome === 'saved' ? 200 : 409 });
  });
}

/** Gives a set another id. Body: `{ id }`. Returns `{ id }`; 409 if another set has it. */
export function PATCH(request: Request, { params }: Context): Promise<Response> {
  return answer('rename a set', async () => {
    const read = await readRename(request);
    if (read instanceof Response) return read;
    const id = setIdOf((await params).set);
    if (!id) return missing();
    const done = await (await store()).write((db) => renameSet(db, id, read.id));
    if (done === 'missing') return missing();
    if (done === 'taken') return problem(409, { error: words.idIsTaken(read.id) });
    return Response.json({ id: read.id });
  });
}

/** Deletes a set from the shelf; `restore` restores it. */
export function DELETE(_: Request, { params }: Context): Promise<Response> {
  return answer('take a set away', async () => {
    const id = setIdOf((await params).set);
    const done = id && (await (await store()).write((db) => deleteSet(db, id)));
    return done ? Response.json({ id }) : missing();
  });
}
