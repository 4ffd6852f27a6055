/** Where the browser keeps what came of trials (`last-results.ts`). */
export const resultsName = 'arbeit-results';

/** Whether trials were ever run in this browser: what would tell of them is fetched only then. Of one that does not say (before 2024, some) it may be. */
export async function wereRun(): Promise<boolean> {
  const all = await indexedDB.databases?.().catch(() => undefined);
  return all?.some(({ name }) => name === resultsName) ?? true;
}
