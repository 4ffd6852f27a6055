import type { MakeProgress } from '../../../../../screens/handoff/made.ts';
import { makeHandOff } from '../../../../../screens/handoff/on-server.ts';
import { soundSet } from '../../../../../store/documents.ts';
import { store } from '../../../../../store/store.ts';
import * as words from '../../../../../words/app/api.ts';
import { answer, logError, problem, readChoice, setIdOf } from '../../../request.ts';

interface Context {
  readonly params: Promise<{ readonly set: string }>;
}

/**
 * Builds a hand-off. Body: `{ fields, forms, uses }`, the ids and names to include. Returns a line of JSON
 * per step and a last one with the files, their sizes and snippets, or with an error.
 */
export function POST(request: Request, { params }: Context): Promise<Response> {
  return answer('make a hand-off', async () => {
    const choice = await readChoice(request);
    if (choice instanceof Response) return choice;
    const id = setIdOf((await params).set);
    const found = id && (await (await store()).read((db) => soundSet(db, id)));
    if (!found) return problem(404, { error: words.notInTheStore });
    const { document, faults } = found;
    if (faults.length > 0) return problem(422, { error: words.documentHasErrors, faults });
    const encoder = new TextEncoder();
    const body = new ReadableStream<Uint8Array>({
      async start(controller) {
        const tell = (told: MakeProgress): void => {
          if (!request.signal.aborted) controller.enqueue(encoder.encode(`${JSON.stringify(told)}\n`));
        };
        try {
          await makeHandOff(document, choice, tell, request.signal);
        } catch (error) {
          logError('make a hand-off', error);
          tell({ problem: words.handOffFailed });
        }
        if (!request.signal.aborted) controller.close();
      },
    });
    return new Response(body, {
      headers: {
        'content-type': 'application/x-ndjson',
        'cache-control': 'no-store',
        'x-accel-buffering': 'no',
      },
    });
  });
}
