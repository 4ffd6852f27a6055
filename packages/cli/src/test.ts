import { watch, writeFileSync } from 'node:fs';
import { basename, dirname } from 'node:path';
import { say } from '@arbeit/engine/faults';
import { holds, type Outcome, runTrial } from '@arbeit/engine/tape';
import { today } from './clock.ts';
import { withSet } from './custom-code.ts';
import { load, loadDocument } from './files.ts';
import { type Case, junit } from './junit.ts';
import { type Output, report as reportError, reportUnwritten } from './report.ts';
import { cliTexts } from './words.ts';

/** A trial with its name in reports. */
interface Told {
  readonly id: string;
  readonly name?: string;
  readonly tape: string;
  /** The place of a line of its tape. */
  at(line: number): string;
}

/** Options of `arbeit test`. */
export interface TestOptions {
  /** Runs only trials whose name or id contains one of these texts, ignoring case. Empty for all. */
  readonly names?: readonly string[];
  /** Whether to print one JSON object per trial instead of text. */
  readonly json?: boolean;
  /** Path of a JUnit XML report. */
  readonly report: string | undefined;
  readonly output: Output;
}

/**
 * `arbeit test`. Runs the trials of a document, and tapes. Returns the exit code: 0 all hold, 1 one does not,
 * 2 something cannot be read or there is nothing to run.
 */
export function testDocument(
  path: string,
  tapes: readonly string[],
  wanted: TestOptions,
): number | Promise<number> {
  const { report, output, names = [] } = wanted;
  const document = loadDocument(path, output);
  if (!document) return 2;
  const own = (document.trials ?? []).map(
    (trial): Told => ({ ...trial, at: (line) => `${path}: trial "${trial.id}", line ${line}` }),
  );
  const beside = tapes.map((tape): Told | undefined => {
    const text = load(tape, output);
    return text === undefined
      ? undefined
      : { id: basename(tape), tape: text, at: (line) => `${tape}:${line}` };
  });
  const all = [...own, ...beside].filter((one) => one !== undefined);
  if (beside.includes(undefined)) return 2;
  if (all.length === 0) {
    reportError(output, path, say(cliTexts, 'no-trials'));
    return 2;
  }
  const isWanted = ({ id, name = '' }: Told): boolean =>
    names.some((text) => `${id}\n${name}`.toLowerCase().includes(text.toLowerCase()));
  const trials = names.length > 0 ? all.filter(isWanted) : all;
  if (trials.length === 0) {
    const known = all.map(({ name, id }) => name ?? id).join(', ');
    reportError(output, '', say(cliTexts, 'no-matching-trial', { known }));
    return 2;
  }
  return withSet(document, (set) => {
    const clock = today();
    const cases = trials.map((one) => {
      const from = performance.now();
      const outcome = runTrial(set, one, clock);
      return { one, outcome, seconds: (performance.now() - from) / 1000 };
    });
    const code = told(cases, wanted);
    if (report !== undefined && !write(report, junit(document.title, cases.map(asCase)), output)) return 2;
    return code;
  });
}

/** A trial that was run. */
interface Run {
  readonly one: Told;
  readonly outcome: Outcome;
  readonly seconds: number;
}

/** Reports the results. Returns the exit code. */
function told(cases: readonly Run[], { output, json }: TestOptions): number {
  for (const { one, outcome, seconds } of cases)
    if (json) output.out(JSON.stringify(asJson(one, outcome, seconds)));
    else tell(one, outcome, output);
  const problems = cases.filter(({ outcome }) => outcome.faults.length > 0 || outcome.expected === 0).length;
  const missed = cases.filter(({ outcome }) => outcome.misses.length > 0).length;
  const held = cases.length - problems - missed;
  const seconds = cases.reduce((sum, one) => sum + one.seconds, 0);
  if (!json)
    output.out(
      `${held} of ${cases.length} ${cases.length === 1 ? 'trial passes' : 'trials pass'}, in ${Math.ceil(seconds * 1000)} ms`,
    );
  return problems ? 2 : missed ? 1 : 0;
}

/** A result as JSON: verdict `pass`, `fail` or `error`, with the failed expectations and their places. */
const asJson = (one: Told, outcome: Outcome, seconds: number) => ({
  id: one.id,
  name: outcome.name,
  verdict: holds(outcome) ? 'pass' : outcome.misses.length > 0 ? 'fail' : 'error',
  milliseconds: Math.round(seconds * 1e6) / 1000,
  failures: outcome.misses.map(({ line, source, expected, found }) => ({
    at: one.at(line),
    source,
    expected,
    found,
  })),
  errors: [
    ...outcome.faults.map(({ line, code, message }) => ({ at: one.at(line), code, message })),
    ...(outcome.faults.length === 0 && outcome.expected === 0
      ? [{ at: one.at(1), ...say(cliTexts, 'no-expectations') }]
      : []),
  ],
});

function tell(one: Told, outcome: Outcome, output: Output): void {
  const { name, expected, misses, faults } = outcome;
  for (const fault of faults) reportError(output, one.at(fault.line), fault);
  if (faults.length === 0 && expected === 0) reportError(output, one.at(1), say(cliTexts, 'no-expectations'));
  output.out(`${holds(outcome) ? 'pass' : 'FAIL'}  ${name}`);
  for (const { line, source, expected: wanted, found } of misses)
    output.out(`  ${one.at(line)}: ${source}\n    expected ${wanted}\n    found    ${found}`);
}

const asCase = ({ outcome, seconds }: { readonly outcome: Outcome; readonly seconds: number }): Case => ({
  name: outcome.name,
  seconds,
  misses: outcome.misses,
  problems: [
    ...outcome.faults.map(({ line, message }) => `line ${line}: ${message}`),
    ...(outcome.faults.length === 0 && outcome.expected === 0
      ? [say(cliTexts, 'no-expectations').message]
      : []),
  ],
});

function write(path: string, text: string, output: Output): boolean {
  try {
    writeFileSync(path, text);
    return true;
  } catch (error) {
    reportUnwritten(output, path, error);
    return false;
  }
}

/**
 * Runs `once` now, and again whenever one of the files has changed. Watches their folders, because most
 * editors replace a file when they save it. Never resolves.
 */
export function watching(paths: readonly string[], once: () => unknown): Promise<never> {
  let waiting: NodeJS.Timeout | undefined;
  const names = new Set(paths.map((path) => basename(path)));
  for (const folder of new Set(paths.map((path) => dirname(path))))
    watch(folder, (_, name) => {
      if (name !== null && !names.has(name)) return;
      // A file is written in several steps, so wait until they are over.
      clearTimeout(waiting);
      waiting = setTimeout(once, 60);
    });
  once();
  return new Promise(() => {});
}
