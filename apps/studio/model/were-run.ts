/** The name under which the browser stores results of trials (`last-results.ts`). */
export const resultsName = 'arbeit-results';

/**
 * Whether trials were ever run in this browser; the results are loaded only then. `true` if the browser does
 * not tell.
 */
export async function wereRun(): Promise<boolean> {
  try {
    return (await indexedDB.databases()).some(({ name }) => name === resultsName);
  } catch {
    return true;
  }
}
