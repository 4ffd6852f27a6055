import { existsSync } from 'node:fs';
import { join } from 'node:path';
import {
  migrated,
  type ReadOptions,
  readDocument,
  type SetDocument,
  withEntries,
} from '@arbeit/engine/document';
import type { DocumentFault } from '@arbeit/engine/faults';
import { kinds } from '@arbeit/engine/kinds';
import * as words from '../words/store/read-on-server.ts';
import { StoreError } from './store-error.ts';

/** A valid document, or the faults of an invalid one. */
export type ReadDocument =
  | { readonly ok: true; readonly document: SetDocument }
  | { readonly ok: false; readonly faults: readonly DocumentFault[] };

/** Largest document read on the main thread, in characters of JSON. This takes a few milliseconds. */
const mostInline = 100_000;

/** Time limit for one document, in milliseconds. */
const budget = 8_000;
/** Most documents that wait for a thread. */
const mostWaiting = 20;
/** Time after which an idle thread ends, in milliseconds. */
const mostIdle = 60_000;
const threads = 2;
const memory = { maxOldGenerationSizeMb: 512 };

type Known = NonNullable<ReadOptions['known']>;

/** State of the process. Next gives each route a copy of this module. The state is shared by all of them. */
const place = globalThis as { arbeitReading?: Threads; arbeitKnown?: Known };

/** Valid fields with the character classes they were read with. They are not read again. */
const known = (): Known => {
  place.arbeitKnown ??= new WeakMap();
  return place.arbeitKnown;
};

/** Reads a document on the calling thread, whatever its size. Fields that were read before are skipped. */
export const reads = (document: unknown): ReadDocument => readDocument(document, kinds, { known: known() });

interface Job {
  readonly text: string;
  resolve(faults: readonly DocumentFault[]): void;
  reject(why: Error): void;
}

interface Threads {
  readonly waiting: Job[];
  /** Number of threads that are reading a document. */
  running: number;
  readonly idle: Set<Thread>;
}
type Thread = InstanceType<typeof import('node:worker_threads').Worker>;
const all = (): Threads => {
  place.arbeitReading ??= { waiting: [], running: 0, idle: new Set() };
  return place.arbeitReading;
};

const threadFile = (): string =>
  join(process.env.ARBEIT_STUDIO ?? process.cwd(), 'store', 'reading-thread.mjs');

/** Starts a thread. The file name is built at run time, because a bundler would otherwise move the file. */
function newThread(): Thread {
  const { Worker } = process.getBuiltinModule('node:worker_threads');
  const thread = new Worker(threadFile(), { resourceLimits: memory });
  thread.unref();
  return thread;
}

function next(): void {
  const threadsNow = all();
  if (threadsNow.running >= threads) return;
  const job = threadsNow.waiting.shift();
  if (!job) return;
  threadsNow.running++;
  const [ready] = threadsNow.idle;
  if (ready) threadsNow.idle.delete(ready);
  readIn(ready ?? newThread(), job);
}

/** Reads a document in `thread`. Ends the thread if it exceeds the limits of time or memory. */
function readIn(thread: Thread, { text, resolve, reject }: Job): void {
  const done = (): void => {
    clearTimeout(timer);
    // Only these listeners: without its own, a worker stops working.
    for (const event of ['message', 'error', 'exit']) thread.removeAllListeners(event);
    all().running--;
    next();
  };
  const fail = (message: string): void => {
    done();
    // Errors while it ends do not matter.
    thread.on('error', () => undefined);
    void thread.terminate();
    resolve([{ path: '$', code: 'reading-failed', message }]);
  };
  const timer = setTimeout(() => fail(words.readingTheSetTakesLonger(budget / 1000)), budget);
  thread.once('message', (faults: readonly DocumentFault[]) => {
    done();
    keepReady(thread);
    resolve(faults);
  });
  thread.once('error', (error: NodeJS.ErrnoException) => {
    if (error.code === 'ERR_WORKER_OUT_OF_MEMORY') return fail(words.readingTheSetTakesToo);
    done();
    reject(error);
  });
  thread.postMessage(text);
}

function keepReady(thread: Thread): void {
  const { idle } = all();
  idle.add(thread);
  const timer = setTimeout(() => {
    if (idle.delete(thread)) void thread.terminate();
  }, mostIdle);
  timer.unref();
  thread.once('exit', () => {
    clearTimeout(timer);
    idle.delete(thread);
  });
}

function readApart(text: string): Promise<readonly DocumentFault[]> {
  const { waiting } = all();
  if (waiting.length >= mostWaiting) return Promise.reject(new StoreError(words.arbeitIsReadingManyLarge));
  return new Promise((resolve, reject) => {
    waiting.push({ text, resolve, reject });
    next();
  });
}

/** Size of the parts of a document that were not read before, in characters of JSON. */
function sizeToRead(document: SetDocument): number {
  const { fields, classes } = document;
  const before = known();
  const isNew = (field: unknown): boolean =>
    typeof field !== 'object' || field === null || before.get(field) !== classes || !before.has(field);
  const rest = Array.isArray(fields) ? fields.filter(isNew) : fields;
  return JSON.stringify({ ...document, fields: rest }).length;
}

/**
 * Reads a document, a large one in a thread, so that other requests do not wait. Throws `StoreError` if too
 * many documents wait.
 */
export async function readOnServer(json: unknown): Promise<ReadDocument> {
  const document = migrated(json) as SetDocument;
  const isLarge = typeof document === 'object' && document !== null && sizeToRead(document) > mostInline;
  if (!isLarge || !existsSync(threadFile())) return reads(document);
  const faults = await readApart(JSON.stringify(document));
  if (faults.length > 0) return { ok: false, faults };
  const whole = withEntries(document);
  for (const field of whole.fields) known().set(field, whole.classes);
  return { ok: true, document: whole };
}
