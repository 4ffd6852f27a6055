import { existsSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import { hasCustomCode, type SetDocument } from '@arbeit/engine/document';
import { say } from '@arbeit/engine/faults';
import { kinds } from '@arbeit/engine/kinds';
import {
  type Audit,
  type Audited,
  auditSet,
  type Counterexample,
  lawWords,
  together,
} from '@arbeit/engine/proof';
import { today } from './clock.ts';
import { runsCustomCode } from './custom-code.ts';
import { loadDocument } from './files.ts';
import { type Output, report } from './report.ts';
import { cliTexts } from './words.ts';

/** Options of `arbeit laws`. */
export interface AuditOptions {
  readonly fields: readonly string[];
  readonly events: number;
  /** Time limit in seconds, all fields together. */
  readonly seconds: number | undefined;
  readonly seed: number;
  readonly threads: number | undefined;
  readonly output: Output;
}

/** The built thread beside this file. Run from sources, there is no thread to start. */
const thread = new URL('./audit-thread.js', import.meta.url);

/** Runs the shares of a law check, in threads if there are several. `hear` returns whether to continue. */
async function run(
  document: SetDocument,
  audit: Audit,
  threads: number,
  hear: (step: Audited) => boolean,
): Promise<void> {
  if (threads === 1 || !existsSync(fileURLToPath(thread))) {
    const own = hasCustomCode(document, kinds) ? await runsCustomCode() : undefined;
    for (const step of auditSet(document, kinds, { ...audit, run: own })) if (!hear(step)) return;
    return;
  }
  const workers: Worker[] = [];
  const end = (): void => {
    for (const worker of workers) void worker.terminate();
  };
  const shares = Array.from({ length: threads }, (_, first) => {
    const worker = new Worker(thread, {
      workerData: { document, wanted: { ...audit, first, every: threads } },
    });
    workers.push(worker);
    return new Promise<void>((done, fail) => {
      worker.on('message', (step: Audited) => {
        if (!hear(step)) end();
      });
      worker.on('error', fail);
      worker.on('exit', () => done());
    });
  });
  try {
    await Promise.all(shares);
  } finally {
    end();
  }
}

/**
 * `arbeit laws`. Runs the law check on the fields of a document. Returns the exit code: 0 no law is broken,
 * 1 one is, 2 the document cannot be read or has no such field.
 */
export async function auditDocument(path: string, wanted: AuditOptions): Promise<number> {
  const { output, seed, events, seconds } = wanted;
  const document = loadDocument(path, output);
  if (!document) return 2;
  const all = document.fields.map(({ id }) => id);
  if (all.length === 0) {
    report(output, path, say(cliTexts, 'no-fields'));
    return 2;
  }
  const fields = wanted.fields.length > 0 ? wanted.fields : all;
  const unknown = fields.filter((id) => !all.includes(id));
  for (const id of unknown)
    report(output, path, say(cliTexts, 'unknown-field', { id, known: all.join(', ') }));
  if (unknown.length > 0) return 2;
  const threads = wanted.threads ?? availableParallelism();
  const from = performance.now();
  const found = new Map<string, Counterexample[]>(fields.map((id) => [id, []]));
  const played = new Map<string, number>();
  await run(document, { fields, events, seed, today: today() }, threads, (step) => {
    played.set(step.field, (played.get(step.field) ?? 0) + step.events);
    if (step.found) found.get(step.field)?.push(step.found);
    return seconds === undefined || performance.now() - from < seconds * 1000;
  });
  let broken = 0;
  for (const [id, examples] of found) {
    const some = together(examples);
    if (some.length > 0) broken++;
    tell(id, some, played.get(id) ?? 0, output);
  }
  const count = [...played.values()].reduce((sum, one) => sum + one, 0);
  const took = (performance.now() - from) / 1000;
  output.out(
    `${fields.length - broken} of ${fields.length} ${fields.length === 1 ? 'field passes' : 'fields pass'} the law check, in ${count} events and ${took.toFixed(1)} s; seed ${seed}`,
  );
  return broken > 0 ? 1 : 0;
}

function tell(id: string, examples: readonly Counterexample[], events: number, output: Output): void {
  // A field that was not reached is reported as such: nothing is known about it.
  const word = examples.length > 0 ? 'FAIL' : events > 0 ? 'pass' : 'not tested';
  output.out(`${word} ${id} (${events} events)`);
  for (const { law, expected, found, tape } of examples) {
    output.out(`  law ${law}: ${lawWords[law]}`);
    output.out(`    expected ${expected}`);
    output.out(`    found    ${found}`);
    for (const line of tape.trimEnd().split('\n')) output.out(`      ${line}`);
  }
}
