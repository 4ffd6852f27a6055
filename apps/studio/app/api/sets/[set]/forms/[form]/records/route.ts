import { browserOf } from '../../../../../../../services/browser-id.ts';
import { takeRecord } from '../../../../../../../services/records.ts';
import { soundSet } from '../../../../../../../store/documents.ts';
import { store } from '../../../../../../../store/store.ts';
import * as words from '../../../../../../../words/app/api.ts';
import { answer, problem, readRecord, setIdOf } from '../../../../../request.ts';

interface Context {
  readonly params: Promise<{ readonly set: string; readonly form: string }>;
}

/**
 * Accepts the record of a form. Body: `{ raw }`, raw values by field. Returns `{ record }` with typed values,
 * or 422 with `{ findings }` by field, from the same rules as on the page.
 */
export function POST(request: Request, { params }: Context): Promise<Response> {
  return answer('take a record', async () => {
    const read = await readRecord(request);
    if (read instanceof Response) return read;
    const { set: given, form } = await params;
    const id = setIdOf(given);
    const opened = await store();
    const set = id && (await opened.read((db) => soundSet(db, id)));
    if (!set) return problem(404, { error: words.notInTheStore });
    const taken = await takeRecord(opened.write, set, form, read.raw, browserOf(request).id);
    if (!taken) return problem(404, { error: words.noSuchForm });
    return taken.ok
      ? Response.json({ record: taken.record })
      : Response.json({ findings: taken.findings }, { status: 422 });
  });
}
