import { hasCustomCode, type RunCustomCode, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';

/**
 * The engine that runs developers' code, and what calls it, in a thread that waits for it; fetched where
 * there is any.
 */
export const sandboxInThread = () => {
  fetched ??= Promise.all([
    import('@arbeit/sandbox/browser').then(({ quickjs }) => quickjs()),
    import('@arbeit/sandbox'),
  ]);
  return fetched;
};
let fetched:
  | Promise<readonly [Awaited<ReturnType<Browser['quickjs']>>, typeof import('@arbeit/sandbox')]>
  | undefined;
type Browser = typeof import('@arbeit/sandbox/browser');

/** What runs the code of sets at once, in worlds of its own; nothing, where they have none. */
export async function runnerFor(...sets: readonly SetDocument[]): Promise<RunCustomCode | undefined> {
  if (!sets.some((set) => hasCustomCode(set, kinds))) return undefined;
  const [engine, { createSandbox }] = await sandboxInThread();
  return createSandbox(engine, () => {
    // Ended in the middle an engine left something behind: the next to ask has another one.
    fetched = undefined;
  });
}
