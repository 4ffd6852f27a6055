import { behave, mannerOf } from '../../../../services/manner.ts';
import { makeCode } from '../../../../services/sender.ts';
import { codeMessage, deliver } from '../../../../services/telephones.ts';
import { store } from '../../../../store/store.ts';
import * as words from '../../../../words/app/api.ts';
import { answer, problem, readAddress } from '../../request.ts';

/**
 * Sends a code. Body: `{ to }`. Returns `{ seconds }`, the time until another may be sent; 429 with the same
 * if it is too soon.
 */
export function POST(request: Request): Promise<Response> {
  return answer('send a code', async () => {
    const read = await readAddress(request);
    if (read instanceof Response) return read;
    if (!(await behave(mannerOf(request)))) return problem(503, { error: words.simulatedFailure });
    const sent = await (await store()).write((db) => makeCode(db, read.to));
    const { seconds } = sent;
    if (!sent.ok)
      return Response.json(
        { error: words.nextCodeIn(seconds), seconds },
        { status: 429, headers: { 'retry-after': String(seconds) } },
      );
    deliver(read.to, codeMessage(sent.code, new URL(request.url).hostname), new Date());
    return Response.json({ seconds });
  });
}
