import { compileField } from '@arbeit/engine/document';
import type { FieldState, HydratedField } from '@arbeit/engine/field';
import { apply, evaluate, keysOf, start } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import { byHand, byHandInGroups } from './hand-written.ts';
import { type Measured, medianRatio } from './ratio.ts';

/**
 * One keystroke through the engine (edit, format, caret, verdicts, messages) against the usual hand-written
 * way.
 */

const digits = '5550123456'.repeat(100);
let sink = 0;

function fieldFor(pattern: string): HydratedField {
  return compileField(
    {
      id: 'phone',
      kind: 'pattern',
      label: 'Phone',
      entry: { pattern },
      rules: [{ id: 'needed', check: { type: 'required' } }],
    },
    { locale: 'en-GB' },
    kinds,
  );
}

/** Types a text into an empty field, reading everything after each key. */
export function throughEngine(field: HydratedField, text: string): () => void {
  const keys = keysOf(text);
  const empty: FieldState = { ...apply(field, start(field), { type: 'focus' }), touched: true };
  return () => {
    let state = empty;
    for (const key of keys) {
      state = apply(field, state, key);
      const evaluation = evaluate(field, state, '2027-02-10');
      sink +=
        evaluation.display.length +
        state.start +
        evaluation.findings.length +
        evaluation.shown.length +
        evaluation.raw.length;
    }
  };
}

export function throughHand(format: (text: string) => string, text: string): () => void {
  const keys = [...text];
  return () => {
    let display = '';
    for (const key of keys) {
      display = format(display + key);
      sink += display.length;
    }
  };
}

/** The same in the middle of a full line: take a digit out, put another in. */
function midEngine(field: HydratedField, count: number): () => void {
  let full: FieldState = { ...apply(field, start(field), { type: 'focus' }), touched: true };
  for (const key of keysOf(digits.slice(0, count))) full = apply(field, full, key);
  const at = Math.floor(full.body.display.length / 2);
  full = apply(field, full, { type: 'select', start: at, end: at });
  return () => {
    let state = apply(field, full, { type: 'backspace' });
    sink += evaluate(field, state).shown.length;
    state = apply(field, state, { type: 'key', text: '7' });
    sink += evaluate(field, state).display.length;
  };
}

function midHand(format: (text: string) => string, count: number): () => void {
  let full = '';
  for (const key of digits.slice(0, count)) full = format(full + key);
  const at = Math.floor(full.length / 2);
  return () => {
    const less = format(full.slice(0, at - 1) + full.slice(at));
    const more = format(`${less.slice(0, at)}7${less.slice(at)}`);
    sink += more.length;
  };
}

export function keystrokes(): Measured[] {
  const rows: Measured[] = [];
  const phone = fieldFor('(<3 digit>) <3 digit>-<4 digit>');
  rows.push(
    medianRatio(
      'type a phone number (10 cells)',
      1,
      throughEngine(phone, digits.slice(0, 10)),
      throughHand(byHand, digits.slice(0, 10)),
    ),
  );
  rows.push(medianRatio('edit its middle', 1, midEngine(phone, 10), midHand(byHand, 10)));
  for (const cells of [10, 100, 1000]) {
    const pattern = Array.from({ length: Math.floor(cells / 3) }, () => '<3 digit>')
      .join(' ')
      .concat(' <digit>');
    const field = fieldFor(pattern);
    const hand = (text: string) => byHandInGroups(text, cells);
    rows.push(
      medianRatio(
        `type into ${cells} cells in threes`,
        null,
        throughEngine(field, digits.slice(0, cells)),
        throughHand(hand, digits.slice(0, cells)),
      ),
    );
    rows.push(
      medianRatio(`edit the middle of ${cells} cells`, null, midEngine(field, cells), midHand(hand, cells)),
    );
  }
  if (sink < 0) throw new RangeError('unreachable');
  return rows;
}
