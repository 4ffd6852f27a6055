import { parentPort } from 'node:worker_threads';
import { readDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';

/** Replies to each document (JSON) with its faults. */
parentPort.on('message', (/** @type {string} */ text) => {
  const read = readDocument(JSON.parse(text), kinds);
  parentPort.postMessage(read.ok ? [] : read.faults);
});
