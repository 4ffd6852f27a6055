import { MessageChannel, receiveMessageOnPort, Worker } from 'node:worker_threads';
import type { RunShape, Shaped } from '@arbeit/engine/field';
import type { CodeInput, CodeOutcome, RunCode } from '@arbeit/engine/rules';
import type { Reply } from './runner.ts';

/**
 * How long a call, and the start of a thread, may take before it is ended, in milliseconds: many times what
 * the steps of a call take on a busy machine.
 */
const patience = { call: 5000, start: 60_000 };

const undecided =
  'Not decided: the call did not come back. Run it again, or look for a search through a very long text.';

/** A thread that is called like a function: the caller waits. */
interface Line {
  /** Returns the reply; `undefined` if there was none in time. */
  call(message: object): Reply | undefined;
  end(): void;
}

function lineTo(file: URL): Line | undefined {
  // 1 once a reply is there.
  const flag = new Int32Array(new SharedArrayBuffer(4));
  const { port1: own, port2: port } = new MessageChannel();
  const worker = new Worker(file, { workerData: { flag, port }, transferList: [port] });
  worker.unref();
  own.unref();
  const hear = (milliseconds: number): Reply | undefined => {
    Atomics.wait(flag, 0, 0, milliseconds);
    Atomics.store(flag, 0, 0);
    return receiveMessageOnPort(own)?.message as Reply | undefined;
  };
  const end = (): void => {
    own.close();
    void worker.terminate();
  };
  if (!hear(patience.start)) {
    end();
    return undefined;
  }
  return {
    call(message) {
      own.postMessage(message);
      return hear(patience.call);
    },
    end,
  };
}

/**
 * Runs own code at once, in a thread of its own that is ended with a call that does not come back: for a
 * command line, which waits for the answer. `file` is the built `at-once-thread.js`.
 *
 * @example const { check } = createAtOnce(new URL('./custom-code-thread.js', import.meta.url));
 */
export function createAtOnce(file: URL): { readonly check: RunCode; readonly shape: RunShape; end(): void } {
  let line: Line | undefined;
  let count = 0;
  /** Code that did not return from a call. It is not called again. */
  const hanging = new Set<string>();
  const end = (): void => {
    line?.end();
    line = undefined;
  };
  const ask = <T>(code: string, about: object, failed: (why: string) => T): T => {
    if (hanging.has(code)) return failed(undecided);
    line ??= lineTo(file);
    if (!line) return failed('The sandbox for custom code could not be started.');
    const reply = line.call({ ...about, code, id: ++count });
    // A reply carries the id of its call.
    if (reply && 'id' in reply) return reply.outcome as T;
    end();
    hanging.add(code);
    return failed(undecided);
  };
  return {
    check: (code, input: CodeInput) => ask<CodeOutcome>(code, { input }, (why) => ({ undecided: why })),
    shape: (code, content: string) => ask<Shaped>(code, { content }, (why) => ({ broken: why })),
    end,
  };
}
