// Texts of `store/embedded.ts`.

export const theStoreWasClosed = 'The store was closed.';
export const theDatabaseDidNotRespond = 'The database did not respond in time. Try again.';
