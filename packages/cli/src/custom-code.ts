import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import {
  type CompiledSet,
  compile,
  hasCustomCode,
  type RunCustomCode,
  type SetDocument,
  withCustomCode,
} from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { createSandbox } from '@arbeit/sandbox';
import { createAtOnce } from '@arbeit/sandbox/at-once';
import { quickjs } from '@arbeit/sandbox/node';

/** Built beside this file. */
const thread = new URL('./custom-code-thread.js', import.meta.url);

/**
 * What runs developers' code: in the engine of the sandbox, at once, in a thread that is ended where a call does not come back. Where the command line is run from
 * its sources there is no such thread: it runs in this one.
 */
export const runsCustomCode = async (): Promise<RunCustomCode> =>
  existsSync(fileURLToPath(thread)) ? createAtOnce(thread) : createSandbox(await quickjs(), () => {});

/** Documents made ready, and what is done with them: at once where nothing in them is developers' code. */
export function withSets<T>(
  documents: readonly SetDocument[],
  use: (sets: readonly CompiledSet[], run: RunCustomCode | undefined) => T,
): T | Promise<T> {
  const sets = documents.map((document) => compile(document, kinds));
  return documents.some((document) => hasCustomCode(document, kinds))
    ? runsCustomCode().then((run) =>
        use(
          sets.map((set) => withCustomCode(set, run)),
          run,
        ),
      )
    : use(sets, undefined);
}

/** The same of one document. */
export const withSet = <T>(document: SetDocument, use: (set: CompiledSet) => T): T | Promise<T> =>
  withSets([document], ([set]) => use(set!));
