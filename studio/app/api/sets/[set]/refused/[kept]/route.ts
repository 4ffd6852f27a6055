import { findRefused } from '../../../../../../store/sets.ts';
import { store } from '../../../../../../store/store.ts';
import { answer, problem } from '../../../../request.ts';

interface Context {
  readonly params: Promise<{ readonly set: string; readonly kept: string }>;
}

/** The document of a refused save, as a file. */
export function GET(_: Request, { params }: Context): Promise<Response> {
  return answer(async () => {
    const { set, kept } = await params;
    const document = /^\d{1,15}$/.test(kept)
      ? await findRefused(await store(), set, Number(kept))
      : undefined;
    if (!document) return problem(404, { error: 'No refused version is kept under this number.' });
    return new Response(`${JSON.stringify(document, null, 2)}\n`, {
      headers: {
        'content-type': 'application/json',
        'content-disposition': `attachment; filename="${set}-refused-${kept}.arbeit.json"`,
      },
    });
  });
}
