import { findSet, saveSet } from '../../../../store/sets.ts';
import { store } from '../../../../store/store.ts';
import { answer, problem, readSave } from '../../request.ts';

interface Context {
  readonly params: Promise<{ readonly set: string }>;
}

const missing = () => problem(404, { error: 'This set is no longer in the store.' });

export function GET(_: Request, { params }: Context): Promise<Response> {
  return answer(async () => {
    const found = await findSet(await store(), (await params).set);
    return found ? Response.json(found) : missing();
  });
}

/**
 * Saves a set. Body: `{ base, document }`, `base` the revision it was made on. Answers `{ revision }`; 409 with
 * the set as it is now and the number the refused one is kept under; 422 with the faults of the document.
 */
export function PUT(request: Request, { params }: Context): Promise<Response> {
  return answer(async () => {
    const read = await readSave(request);
    if (read instanceof Response) return read;
    const saved = await saveSet(await store(), (await params).set, read.base, read.document);
    if (saved.outcome === 'missing') return missing();
    if (saved.outcome === 'saved') return Response.json({ revision: saved.revision });
    return Response.json({ theirs: saved.theirs, kept: saved.kept }, { status: 409 });
  });
}
