import { createStore, type UseStore } from 'idb-keyval';

/**
 * A store in the browser (IndexedDB): one connection a page, opened when first asked for, and each change
 * committed as it is made, without waiting for its own answer. Left open, a transaction would wait for the
 * page to be told of the writing; a page that goes away is told nothing any more, and what it put would be
 * undone. So a page reloaded in the next moment has already handed its last words to the browser.
 */
export function browserStore(database: string, table: string): UseStore {
  let opened: UseStore | undefined;
  return (mode, use) => {
    opened ??= createStore(database, table);
    return opened(mode, (records) => {
      const done = use(records);
      if (mode === 'readwrite') records.transaction.commit();
      return done;
    });
  };
}
