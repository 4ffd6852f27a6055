import { kinds } from '@arbeit/engine/kinds';
import { todayIn } from '../../../../model/clock.ts';
import { proofSheet } from '../../../../model/proof-sheet.ts';
import { soundSet } from '../../../../store/documents.ts';
import { store } from '../../../../store/store.ts';
import * as words from '../../../../words/app/proof-sheet.ts';
import { answer, problem, setIdOf } from '../../../api/request.ts';

interface Context {
  readonly params: Promise<{ readonly set: string }>;
}

/** The proof sheet of a set, to be printed; with `?download`, as a file. Its policy is in `proxy.ts`. */
export function GET(request: Request, { params }: Context): Promise<Response> {
  return answer('write a proof sheet', async () => {
    const id = setIdOf((await params).set);
    const found = id && (await (await store()).read((db) => soundSet(db, id)));
    if (!found) return problem(404, { error: words.notInTheStore });
    const { document: set, faults } = found;
    if (faults.length > 0) return problem(422, { error: words.documentHasErrors, faults });
    const isFile = new URL(request.url).searchParams.has('download');
    const today = todayIn(found.id) ?? new Date().toISOString().slice(0, 10);
    return new Response(proofSheet({ set, kinds, today, isFile }), {
      headers: {
        'content-type': 'text/html; charset=utf-8',
        'cache-control': 'no-store',
        ...(isFile ? { 'content-disposition': `attachment; filename="${found.id}-proof-sheet.html"` } : {}),
      },
    });
  });
}
