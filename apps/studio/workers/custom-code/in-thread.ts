import { hasCustomCode, type RunCustomCode, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';

/**
 * The engine for custom code and its synchronous caller, for use inside a worker. Loaded only if a set has
 * custom code.
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

/** Runs the custom code of sets synchronously, in worlds of its own; `undefined` if they have none. */
export async function runnerFor(...sets: readonly SetDocument[]): Promise<RunCustomCode | undefined> {
  if (!sets.some((set) => hasCustomCode(set, kinds))) return undefined;
  const [engine, { createSandbox }] = await sandboxInThread();
  return createSandbox(engine, () => {
    // An engine that was ended in the middle may be in an undefined state: the next call gets a new one.
    fetched = undefined;
  });
}
