import { join } from 'node:path';
import type { CodeInput } from '@arbeit/engine/rules';
import { createRunner, type Origin, type Reply, type Runner } from '@arbeit/sandbox';

const held = globalThis as { arbeitRunner?: Runner };

/** The studio the server was started in: what it needs beside itself is found from there. */
const folder = (): string => process.env.ARBEIT_STUDIO ?? process.cwd();

/** Threads side by side: code that does not come back takes one of them, and others go on. */
const threads = 3;

/** What runs own code on the server, in threads that end with it. */
export function runnerOnServer(): Runner {
  held.arbeitRunner ??= createRunner((onReply, onFailure) => {
    // Asked for by name where it runs: a bundler that sees a thread started takes its file along, and looks
    // for it there.
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
 * Own code run on the server as a promise of what it comes to, in a session of its own: for what has to wait
 * for it.
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
