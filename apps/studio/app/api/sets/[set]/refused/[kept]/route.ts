import { dropRefused, findRefused } from '../../../../../../store/refusing.ts';
import { store } from '../../../../../../store/store.ts';
import * as words from '../../../../../../words/app/api.ts';
import { answer, problem, setIdOf } from '../../../../request.ts';

interface Context {
  readonly params: Promise<{ readonly set: string; readonly kept: string }>;
}

const missing = () => problem(404, { error: words.noSuchConflict });

/** Set and number of a refused save; `undefined` if the address is invalid. */
async function read({ params }: Context) {
  const { set, kept } = await params;
  const id = setIdOf(set);
  return id && /^\d{1,15}$/.test(kept) ? { id, kept: Number(kept) } : undefined;
}

/** The document of a refused save, as a file. */
export function GET(_: Request, context: Context): Promise<Response> {
  return answer('read a refused save', async () => {
    const asked = await read(context);
    if (!asked) return missing();
    const document = await (await store()).read((db) => findRefused(db, asked.id, asked.kept));
    if (!document) return missing();
    return new Response(`${JSON.stringify(document, null, 2)}\n`, {
      headers: {
        'content-type': 'application/json',
        'content-disposition': `attachment; filename="${asked.id}-refused-${asked.kept}.arbeit.json"`,
      },
    });
  });
}

/** Deletes a refused save that was restored or discarded. */
export function DELETE(_: Request, context: Context): Promise<Response> {
  return answer('forget a refused save', async () => {
    const asked = await read(context);
    if (!asked) return missing();
    const gone = await (await store()).write((db) => dropRefused(db, asked.id, asked.kept));
    return gone ? Response.json({}) : missing();
  });
}
