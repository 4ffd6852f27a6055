import { generationOf } from '../../store/sets.ts';
import { store } from '../../store/store.ts';
import { answer } from '../api/request.ts';

/** Whether the store answers; 503 with the reason if not. For whatever routes requests to servers. */
export function GET(): Promise<Response> {
  return answer('see whether the store answers', async () => {
    await (await store()).read(generationOf);
    return Response.json({ ok: true });
  });
}

export const dynamic = 'force-dynamic';
