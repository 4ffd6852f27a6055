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

/** The built thread beside this file. */
const thread = new URL('./custom-code-thread.js', import.meta.url);

/**
 * Functions that run developers' code in the sandbox, in a thread that is ended if a call does not return.
 * Run from sources, they run in this thread.
 */
export const runsCustomCode = async (): Promise<RunCustomCode> =>
  existsSync(fileURLToPath(thread)) ? createAtOnce(thread) : createSandbox(await quickjs(), () => {});

/** Compiles documents and calls `work` with them, in a sandbox if they contain custom code. */
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

/** The same for one document. */
export const withSet = <T>(document: SetDocument, use: (set: CompiledSet) => T): T | Promise<T> =>
  withSets([document], ([set]) => use(set!));
