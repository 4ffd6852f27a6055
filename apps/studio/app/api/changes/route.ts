import { revisionsOf } from '../../../store/sets.ts';
import { store } from '../../../store/store.ts';
import * as words from '../../../words/app/api.ts';
import { ending } from '../../ending.ts';
import { answer, problem, setIdOf } from '../request.ts';
import { changeStream } from './stream.ts';

/** Most streams of one server, and most sets in one stream. */
const mostPages = 1_000;
const mostSets = 200;

// Next gives each route a copy of this module. The count is shared by all of them.
const place = globalThis as { arbeitFollowers?: number };

/** Streams each change of the sets `?set=key&set=key`, made on any server, as server-sent events. */
export function GET(request: Request): Promise<Response> {
  return answer('follow sets', async () => {
    const asked = [...new Set(new URL(request.url).searchParams.getAll('set'))];
    if (asked.length > mostSets) return problem(400, { error: words.mostFollowed(mostSets) });
    const ids = asked.map(setIdOf).filter((id) => id !== undefined);
    const opened = await store();
    const now = () => opened.read((db) => revisionsOf(db, ids));
    const keys = (await now()).map(({ key }) => key);
    if (keys.length === 0) return problem(404, { error: words.noneInTheStore });
    if ((place.arbeitFollowers ?? 0) >= mostPages)
      return problem(503, { error: words.tooManyPages(mostPages) });
    place.arbeitFollowers = (place.arbeitFollowers ?? 0) + 1;
    const body = changeStream({
      follow: (listener) => {
        const all = keys.map((key) => opened.follow(key, (change) => listener({ key, ...change })));
        return () => {
          for (const end of all) end();
        };
      },
      now,
      signals: [request.signal, ending],
      ended: () => {
        place.arbeitFollowers = (place.arbeitFollowers ?? 1) - 1;
      },
    });
    return new Response(body, {
      headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform' },
    });
  });
}
