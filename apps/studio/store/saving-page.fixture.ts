import type { SetDocument } from '@arbeit/engine/document';
import type { Database } from './database.ts';
import { type Json, operationsBetween } from './operations.ts';
import { type SentSave, saveSet } from './save-set.ts';
import type { StoredSet } from './sets.ts';

/**
 * A page that saves whole documents: what it knows of the store goes on with each save that is taken, as in a
 * browser.
 */
export function savingPage(db: Database, set: StoredSet, name = 'page') {
  let { revision: base, document: known } = set;
  let counter = 0;
  return {
    /** Sends it as the next save, or as one of another number. */
    async save(document: SetDocument, more: { counter?: number; base?: number; generation?: string } = {}) {
      const operations = operationsBetween(known as unknown as Json, document as unknown as Json);
      const save = {
        generation: set.generation,
        page: name,
        counter: counter + 1,
        base,
        operations,
        ...more,
      };
      const result = await saveSet(db, set.key, save);
      if (result.outcome === 'saved' && !('counter' in more)) {
        counter++;
        base = result.revision;
        known = document;
      }
      return { ...result, save };
    },
    again: (save: SentSave) => saveSet(db, set.key, save),
  };
}
