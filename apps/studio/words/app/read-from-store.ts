// Texts of `app/read-from-store.tsx`.

export { tryAgain } from '../every-page.ts';

export const noResponseFromTheDatabase = 'No response from the database. Try again.';
export const theDatabaseIsNotResponding = 'The database is not responding.';
