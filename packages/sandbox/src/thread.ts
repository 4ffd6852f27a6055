import { parentPort } from 'node:worker_threads';
import { quickjs } from './in-node.ts';
import { answerTo, type Call, type Reply } from './runner.ts';
import { createSandbox, type Sandbox } from './sandbox.ts';

/** A thread under Node in which custom code runs. */
const fresh = async (): Promise<Sandbox> =>
  createSandbox(await quickjs(), () => {
    sandbox = fresh();
  });
let sandbox = fresh();

const tell = (reply: Reply): void => parentPort?.postMessage(reply);
parentPort?.on('message', async (call: Call) => tell(answerTo(call, await sandbox)));
await sandbox;
tell({ ready: true });
