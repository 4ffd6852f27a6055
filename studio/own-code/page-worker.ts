import variant from '@jitl/quickjs-singlefile-browser-release-sync';
import { newQuickJSWASMModuleFromVariant } from 'quickjs-emscripten-core';
import type { Call } from './runner.ts';
import { createSandbox } from './sandbox.mjs';

/** The thread of a page in which own code runs. */
const fresh = async (): Promise<ReturnType<typeof createSandbox>> =>
  createSandbox(await newQuickJSWASMModuleFromVariant(variant), () => {
    sandbox = fresh();
  });
let sandbox = fresh();

self.addEventListener('message', async ({ data }: MessageEvent<Call>) => {
  const run = await sandbox;
  self.postMessage({ id: data.id, outcome: run(data.code, data.input) });
});
self.postMessage({ ready: await sandbox.then(() => true) });
