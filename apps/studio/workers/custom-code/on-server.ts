import { join } from 'node:path';
import type { CodeInput } from '@arbeit/engine/rules';
import { createRunner, type Origin, type Reply, type Runner } from '@arbeit/sandbox';

const held = globalThis as { arbeitRunner?: Runner };

/** The folder of the studio that the server was started in, from which other files are found. */
const folder = (): string => process.env.ARBEIT_STUDIO ?? process.cwd();

/** Threads for custom code. Code that does not return blocks one of them, and the others go on. */
const threads = 3;

/** Runs custom code on the server, in threads that end with it. */
export function runnerOnServer(): Runner {
  held.arbeitRunner ??= createRunner((onReply, onFailure) => {
    // Imported by name at run time: a bundler that sees a thread started would include its file, and look
    // for it in the bundle.
    const { Worker } = process.getBuiltinModule('node:worker_threads');
    const { createRequire } = process.getBuiltinModule('node:module');
    const file = createRequire(join(folder(), 'package.json')).resolve('@arbeit/sandbox/thread');
    const worker = new Worker(file, { resourceLimits: { maxOldGenerationSizeMb: 64 } });
    worker.on('message', (reply: Reply) => onReply(reply));
    worker.on('error', onFailure);
    worker.unref();
    return { post: (call) => worker.postMessage(call), end: () => void worker.terminate() };
  }, threads);
  return held.arbeitRunner;
}

/**
 * Runs custom code on the server in a session of its own and returns promises, for callers that must wait.
 */
export function settledOnServer(origin?: Origin) {
  const { check, shape, settled } = runnerOnServer().session(origin);
  const wait = async <T>(ask: () => T | undefined): Promise<T> => {
    for (;;) {
      const outcome = ask();
      if (outcome !== undefined) return outcome;
      await settled();
    }
  };
  return {
    check: (code: string, input: CodeInput) => wait(() => check(code, input)),
    shape: (code: string, content: string) => wait(() => shape(code, content)),
  };
}
