import { indexSets } from '../../../store/sets.ts';
import { store } from '../../../store/store.ts';
import { answer } from '../request.ts';

/** Most sets in the index. Others are found on the shelf. */
const most = 200;

/** The sets with the names of their fields and forms, the last changed first, for the command palette. */
export function GET(): Promise<Response> {
  return answer('list the fields', async () =>
    Response.json(await (await store()).read((db) => indexSets(db, most))),
  );
}
