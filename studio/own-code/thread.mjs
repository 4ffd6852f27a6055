import { parentPort } from 'node:worker_threads';
import variant from '@jitl/quickjs-wasmfile-release-sync';
import { newQuickJSWASMModuleFromVariant } from 'quickjs-emscripten-core';
import { createSandbox } from './sandbox.mjs';

/** The thread of the server in which own code runs. */
const fresh = async () =>
  createSandbox(await newQuickJSWASMModuleFromVariant(variant), () => {
    sandbox = fresh();
  });
let sandbox = fresh();

parentPort.on('message', async ({ id, code, input }) => {
  const run = await sandbox;
  parentPort.postMessage({ id, outcome: run(code, input) });
});
await sandbox;
parentPort.postMessage({ ready: true });
