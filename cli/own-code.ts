import {
  type CompiledSet,
  compile,
  hasOwnCode,
  type RunOwnCode,
  type SetDocument,
  withOwnCode,
} from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { createSandbox } from '@arbeit/sandbox';
import { quickjs } from '@arbeit/sandbox/node';

/**
 * What runs developers' code: in the engine of the sandbox, at once, in this thread. What takes too long is ended, as on a page; what the engine
 * itself is busy with is not, since nobody waits here but whoever can end the command.
 */
export const runsOwnCode = async (): Promise<RunOwnCode> => createSandbox(await quickjs(), () => {});

/** Documents made ready, and what is done with them: at once where nothing in them is developers' code. */
export function withSets<T>(
  documents: readonly SetDocument[],
  use: (sets: readonly CompiledSet[], run: RunOwnCode | undefined) => T,
): T | Promise<T> {
  const sets = documents.map((document) => compile(document, kinds));
  return documents.some((document) => hasOwnCode(document, kinds))
    ? runsOwnCode().then((run) =>
        use(
          sets.map((set) => withOwnCode(set, run)),
          run,
        ),
      )
    : use(sets, undefined);
}

/** The same of one document. */
export const withSet = <T>(document: SetDocument, use: (set: CompiledSet) => T): T | Promise<T> =>
  withSets([document], ([set]) => use(set!));
