import { type MessagePort, workerData } from 'node:worker_threads';
import { quickjs } from './in-node.ts';
import { answerTo, type Call, type Reply } from './runner.ts';
import { createSandbox, type Sandbox } from './sandbox.ts';

/** The thread of `at-once.ts`. Each reply sets the flag that its caller waits for. */
const { flag, port } = workerData as { readonly flag: Int32Array; readonly port: MessagePort };
const engine = await quickjs();
const fresh = (): Sandbox =>
  createSandbox(engine, () => {
    sandbox = fresh();
  });
let sandbox = fresh();
const tell = (reply: Reply): void => {
  port.postMessage(reply);
  Atomics.store(flag, 0, 1);
  Atomics.notify(flag, 0);
};
port.on('message', (call: Call) => tell(answerTo(call, sandbox)));
tell({ ready: true });
