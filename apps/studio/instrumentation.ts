/**
 * Opens the store when the server starts, so that a folder in use is reported immediately, not on the first
 * page.
 */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { refuseMethods } = await import('./app/methods.ts');
  refuseMethods();
  const { store } = await import('./store/store.ts');
  const { endWell } = await import('./app/ending.ts');
  endWell(async () => (await store()).close());
  try {
    await store();
  } catch (error) {
    process.stderr.write(`\n${error instanceof Error ? error.message : String(error)}\n\n`);
    process.exit(1);
  }
}
