/** Where the browser keeps what came of trials (`last-results.ts`). */
export const resultsName = 'arbeit-results';

/**
 * Whether trials were ever run in this browser: what would tell of them is fetched only then. Of one that
 * does not say, they may have been.
 */
export async function wereRun(): Promise<boolean> {
  try {
    return (await indexedDB.databases()).some(({ name }) => name === resultsName);
  } catch {
    return true;
  }
}
