import { parentPort } from 'node:worker_threads';
import { readDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';

/** Reads documents for the server, one after the other: what is wrong with each. */
parentPort.on('message', (/** @type {string} */ text) => {
  const read = readDocument(JSON.parse(text), kinds);
  parentPort.postMessage(read.ok ? [] : read.faults);
});
