import { localToday } from '@arbeit/dom';
import { todayIn } from '../../../model/clock.ts';
import { services } from '../../../services/ask.ts';
import { browserOf } from '../../../services/browser-id.ts';
import { behave, mannerOf } from '../../../services/manner.ts';
import { store } from '../../../store/store.ts';
import * as words from '../../../words/app/api.ts';
import { answer, problem, readAsked } from '../request.ts';

/** The current date for the services: that of the demo. */
const today = (): string => todayIn('ridge-huts') ?? localToday();

/**
 * A route that answers a rule's request as the service with that path, with the behaviour that the browser
 * has set.
 */
export const answerQuestion =
  (path: string) =>
  (request: Request): Promise<Response> =>
    answer('ask a service', async () => {
      const asked = await readAsked(request);
      if (asked instanceof Response) return asked;
      const service = services[path];
      if (!service || !(await behave(mannerOf(request))))
        return problem(503, { error: words.simulatedFailure });
      const { write } = await store();
      const { id, headers } = browserOf(request);
      return Response.json(await service(asked, today(), write, id), { headers });
    });
