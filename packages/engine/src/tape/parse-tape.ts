import { nearest } from '../faults/fault.ts';
import { say } from '../faults/say.ts';
import { tapeTexts } from '../faults/texts.ts';
import { Line } from './line.ts';
import type { Action, Expectation, Tape, TapeFault, TapeStep } from './script.ts';
import { readExpectation } from './subjects.ts';
import { actionWords, type Described, isAction, readAction } from './verbs.ts';

export type TapeResult =
  | { readonly ok: true; readonly tape: Tape }
  | { readonly ok: false; readonly faults: readonly TapeFault[] };

/**
 * Parses a tape. Every line that cannot be read is one fault; nothing is half-read.
 *
 * @example
 * const parsed = parseTape('field pass\ntype "12"\nexpect display "RH-12|"');
 * if (!parsed.ok) for (const { line, message } of parsed.faults) console.error(line, message);
 */
export function parseTape(source: string): TapeResult {
  const faults: TapeFault[] = [];
  const steps: TapeStep[] = [];
  let title: string | undefined;
  let target: Tape['target'] | undefined;
  let today: string | undefined;
  for (const [i, text] of source.split(/\r?\n/).entries()) {
    const line = new Line(text, i + 1, faults);
    if (!line.peek()) continue;
    const verb = line.word() ?? '';
    if (verb === 'tape') title = line.text() ?? title;
    else if (verb === 'field' || verb === 'form') {
      if (target) line.complain(say(tapeTexts, 'two-targets'), 0);
      const id = line.name(`the id of a ${verb}`);
      if (id) target ??= { type: verb, id };
    } else if (verb === 'today') {
      const date = line.name('a date such as 2027-02-10');
      if (date && !isDate(date)) line.complain(say(tapeTexts, 'invalid-date', { text: date }), 1);
      today = date;
    } else {
      const step = readStep(verb, line);
      if (step) steps.push({ line: i + 1, source: text.trim(), ...step });
    }
    line.end();
  }
  if (!target && faults.length === 0)
    faults.push({
      line: 1,
      column: 1,
      ...say(tapeTexts, 'no-target'),
    });
  if (faults.length || !target) return { ok: false, faults };
  return { ok: true, tape: { title: title ?? 'Untitled', target, ...(today ? { today } : {}), steps } };
}

function isDate(text: string): boolean {
  const date = /^\d{4}-\d{2}-\d{2}$/.test(text) ? new Date(`${text}T00:00:00Z`) : undefined;
  return date !== undefined && !Number.isNaN(+date) && date.toISOString().startsWith(text);
}

/**
 * Every line of a tape that says what it is about, with what it takes.
 *
 * @example
 * headSpellings.map(({ word }) => word);
 */
export const headSpellings: readonly Described[] = [
  { word: 'tape', takes: '"title"', says: 'The title of the tape.' },
  { word: 'field', takes: 'id', says: 'The field that the tape is played on.' },
  { word: 'form', takes: 'id', says: 'The form that the tape is played on.' },
  { word: 'today', takes: 'date', says: 'The date that the clock shows (ISO 8601).' },
];

const tapeWords: readonly string[] = [...actionWords, 'expect', ...headSpellings.map(({ word }) => word)];

function readStep(verb: string, line: Line): Action | Expectation | undefined {
  if (verb === 'expect') return readExpectation(line);
  if (isAction(verb)) return readAction(verb, line);
  const meant = nearest(verb, tapeWords);
  return line.complain(
    meant
      ? say(tapeTexts, 'unknown-action/meant', { word: verb, meant })
      : say(tapeTexts, 'unknown-action', { word: verb, known: tapeWords.join(', ') }),
    0,
  );
}
