import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { type ReadOptions, readDocument, type SetDocument, withEntries } from '@arbeit/engine/document';
import type { DocumentFault } from '@arbeit/engine/faults';
import { kinds } from '@arbeit/engine/kinds';
import { StoreTrouble } from './trouble.ts';

/** A document as the engine reads it, or what is wrong with it. */
export type Read =
  | { readonly ok: true; readonly document: SetDocument }
  | { readonly ok: false; readonly faults: readonly DocumentFault[] };

/** What is read on the server's own thread, in characters of JSON: some milliseconds. */
const mostHere = 100_000;

/** How long reading a document may take, in milliseconds. */
const budget = 8_000;
/** So many documents may wait to be read. */
const mostWaiting = 20;
/** A thread that has nothing to do for so long is ended, in milliseconds. */
const mostIdle = 60_000;
const threads = 2;
const memory = { maxOldGenerationSizeMb: 512 };

/** Fields that were found sound, so that they are not read again, with the classes of characters they were read with. */
const known: NonNullable<ReadOptions['known']> = new WeakMap();

/** Reads a document at once, whatever it takes; fields that were read before are not read again. */
export const reads = (document: unknown): Read => readDocument(document, kinds, { known });

interface Job {
  readonly text: string;
  resolve(faults: readonly DocumentFault[]): void;
  reject(why: Error): void;
}

/** The threads of the process: Next gives each route a copy of this module. */
interface Threads {
  readonly waiting: Job[];
  /** Threads that are reading, or ready to. */
  running: number;
  readonly idle: Set<Thread>;
}
type Thread = InstanceType<typeof import('node:worker_threads').Worker>;
const place = globalThis as { arbeitReading?: Threads };
const all = (): Threads => {
  place.arbeitReading ??= { waiting: [], running: 0, idle: new Set() };
  return place.arbeitReading;
};

const threadFile = (): string =>
  join(process.env.ARBEIT_STUDIO ?? process.cwd(), 'store', 'reading-thread.mjs');

/** Asked for by name where it runs: a bundler that sees a thread started takes its file along, and looks for it there. */
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

/** Has a thread read a document. One that takes too long, or all the memory there is for it, is ended; the server goes on. */
function readIn(thread: Thread, { text, resolve, reject }: Job): void {
  const done = (): void => {
    clearTimeout(timer);
    // Not all of them: a thread has some of its own.
    for (const event of ['message', 'error', 'exit']) thread.removeAllListeners(event);
    all().running--;
    next();
  };
  const fail = (message: string): void => {
    done();
    // What it says while it ends is of no more interest.
    thread.on('error', () => undefined);
    void thread.terminate();
    resolve([{ path: '$', message }]);
  };
  const timer = setTimeout(
    () => fail(`Reading the set takes longer than ${budget / 1000} seconds. Split it into smaller sets.`),
    budget,
  );
  thread.once('message', (faults: readonly DocumentFault[]) => {
    done();
    keepReady(thread);
    resolve(faults);
  });
  thread.once('error', (error: NodeJS.ErrnoException) => {
    if (error.code === 'ERR_WORKER_OUT_OF_MEMORY')
      return fail('Reading the set takes too much memory. Split it into smaller sets.');
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
  if (waiting.length >= mostWaiting)
    return Promise.reject(new StoreTrouble('Arbeit is reading many large sets just now. Try again.'));
  return new Promise((resolve, reject) => {
    waiting.push({ text, resolve, reject });
    next();
  });
}

/** How much of a document there is to read, in characters of JSON: fields that were read before cost nothing. */
function toRead(document: SetDocument): number {
  const { fields, classes } = document;
  const isNew = (field: unknown): boolean =>
    typeof field !== 'object' || field === null || known.get(field) !== classes || !known.has(field);
  const rest = Array.isArray(fields) ? fields.filter(isNew) : fields;
  return JSON.stringify({ ...document, fields: rest }).length;
}

/** Reads a document: a large one in a thread, so that it keeps nobody waiting. Throws `StoreTrouble` where too many wait for that. */
export async function readWell(json: unknown): Promise<Read> {
  const document = json as SetDocument;
  const isLarge = typeof json === 'object' && json !== null && toRead(document) > mostHere;
  if (!isLarge || !existsSync(threadFile())) return reads(json);
  const faults = await readApart(JSON.stringify(json));
  if (faults.length > 0) return { ok: false, faults };
  const whole = withEntries(document);
  for (const field of whole.fields) known.set(field, whole.classes);
  return { ok: true, document: whole };
}
