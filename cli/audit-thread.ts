import { parentPort, workerData } from 'node:worker_threads';
import type { SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { type Audit, auditSet } from '@arbeit/engine/proof';

/** A thread of `arbeit audit`: its share of the tapes, told step by step. */
const { document, wanted } = workerData as { readonly document: SetDocument; readonly wanted: Audit };
for (const step of auditSet(document, kinds, wanted)) parentPort?.postMessage(step);
