import { parentPort, workerData } from 'node:worker_threads';
import { hasCustomCode, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { type Audit, auditSet } from '@arbeit/engine/proof';
import { runsCustomCode } from './custom-code.ts';

/** A thread of `arbeit audit`: runs its share of the tapes and reports step by step. */
const { document, wanted } = workerData as { readonly document: SetDocument; readonly wanted: Audit };
const run = hasCustomCode(document, kinds) ? await runsCustomCode() : undefined;
for (const step of auditSet(document, kinds, { ...wanted, run })) parentPort?.postMessage(step);
