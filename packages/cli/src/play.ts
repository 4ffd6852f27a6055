import type { CompiledSet } from '@arbeit/engine/document';
import { parseTape, play } from '@arbeit/engine/tape';
import { today } from './clock.ts';
import { withSet } from './custom-code.ts';
import { load, loadDocument } from './files.ts';
import { type Output, report } from './report.ts';

/**
 * `arbeit play`. Returns the exit code: 0 every expectation holds, 1 one does not, 2 a file cannot be read.
 * With `json`, standard output has one JSON object per action and nothing else.
 */
export function playTapes(
  documentPath: string,
  tapes: readonly string[],
  { json, output }: { readonly json: boolean; readonly output: Output },
): number | Promise<number> {
  const document = loadDocument(documentPath, output);
  return document ? withSet(document, (set) => playAll(set, tapes, json, output)) : 2;
}

function playAll(set: CompiledSet, tapes: readonly string[], json: boolean, output: Output): number {
  let code = 0;
  let held = 0;
  let missed = 0;
  for (const path of tapes) {
    const result = playFile(set, path, json, output);
    if (result === undefined) code = 2;
    else {
      held += result.held;
      missed += result.missed;
    }
  }
  const say = json ? output.err : output.out;
  if (code === 0) say(`${held} ${held === 1 ? 'expectation' : 'expectations'} passed, ${missed} failed`);
  return code || (missed > 0 ? 1 : 0);
}

function playFile(
  set: CompiledSet,
  path: string,
  json: boolean,
  output: Output,
): { held: number; missed: number } | undefined {
  const text = load(path, output);
  if (text === undefined) return undefined;
  const result = parseTape(text);
  if (!result.ok) {
    for (const fault of result.faults) report(output, `${path}:${fault.line}:${fault.column}`, fault);
    return undefined;
  }
  const played = play(set, result.tape, today());
  if ('message' in played) {
    report(output, `${path}:${played.line}:1`, played);
    return undefined;
  }
  // The members of a row are documented (docs, tapes); those only for a form's expectations are not.
  if (json) for (const { focus: _, submitted: __, ...row } of played.rows) output.out(JSON.stringify(row));
  for (const miss of played.misses) {
    const say = json ? output.err : output.out;
    say(`${path}:${miss.line}: ${miss.source}\n  expected ${miss.expected}\n  found    ${miss.found}`);
  }
  const expectations = result.tape.steps.filter((step) => step.do === 'expect').length;
  return { held: expectations - played.misses.length, missed: played.misses.length };
}
