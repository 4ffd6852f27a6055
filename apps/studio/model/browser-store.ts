import { createStore, type UseStore } from 'idb-keyval';

/**
 * A store in the browser (IndexedDB). Each page has one connection, opened on first use. Each write is
 * committed explicitly instead of on its success event: a page that is going away no longer receives events,
 * and the browser would roll back its open transactions. So a page that is reloaded directly after an edit
 * has already stored the draft.
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
