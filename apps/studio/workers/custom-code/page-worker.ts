import { answerTo, type Call, createSandbox, type Reply, type Sandbox } from '@arbeit/sandbox';
import { quickjs } from '@arbeit/sandbox/browser';

/** The worker of a page in which custom code runs. */
const fresh = async (): Promise<Sandbox> =>
  createSandbox(await quickjs(), () => {
    sandbox = fresh();
  });
let sandbox = fresh();

const tell = (reply: Reply): void => self.postMessage(reply);
self.addEventListener('message', async ({ data }: MessageEvent<Call>) => tell(answerTo(data, await sandbox)));
await sandbox;
tell({ ready: true });
