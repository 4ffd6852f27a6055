import { compileField } from '../engine/compile/compile.ts';
import type { FieldDocument } from '../engine/compile/document.ts';
import { read } from '../engine/rules/reading.ts';
import { apply, type FieldState, keysOf, start } from '../engine/run/state.ts';
import { byHand } from './hand-written.ts';
import { type Measured, medianRatio } from './ratio.ts';

/**
 * One keystroke through a field of a kind (edit, format, caret, verdicts, messages), against what the platform takes to
 * format the same value once, and for telephone numbers against the hand-written formatter.
 */

let sink = 0;

function keystrokes(document: Partial<FieldDocument>, text: string): () => void {
  const field = compileField(
    {
      id: 'f',
      label: 'F',
      rules: [{ id: 'needed', check: { type: 'required' } }],
      ...document,
    } as FieldDocument,
    { locale: 'en-GB' },
  );
  const keys = keysOf(text);
  const empty: FieldState = { ...apply(field, start(field), { type: 'focus' }), touched: true };
  return () => {
    let state = empty;
    for (const key of keys) {
      state = apply(field, state, key);
      const reading = read(field, state);
      sink += reading.display.length + state.start + reading.raw.length + reading.findings.length;
    }
  };
}

/** The values that typing leads through, each formatted once. */
function formatted(text: string): () => void {
  const format = new Intl.NumberFormat('en-GB', { style: 'currency', currency: 'GBP' });
  const values = [...text].map((_, i) => Number(text.slice(0, i + 1)));
  return () => {
    for (const value of values) sink += format.format(value).length;
  };
}

function dated(count: number): () => void {
  const format = new Intl.DateTimeFormat('en-GB', { day: '2-digit', month: '2-digit', year: 'numeric' });
  const date = new Date(2027, 1, 14);
  return () => {
    for (let i = 0; i < count; i++) sink += format.format(date).length;
  };
}

function handWritten(text: string): () => void {
  return () => {
    let display = '';
    for (const key of text) {
      display = byHand(display + key);
      sink += display.length;
    }
  };
}

export function kindKeystrokes(): Measured[] {
  const money = { kind: 'currency', entry: { currency: 'GBP' } } as const;
  const rows = [
    medianRatio('a key of £1,234,567.89, to one Intl.NumberFormat#format', 1, keystrokes(money, '1234567.89'), formatted('1234567.89')),
    medianRatio('the same with min, max and step', null, keystrokes({ ...money, rules: [{ id: 'r', check: { type: 'range', min: 1, max: 9_999_999, step: '0.01' } }] }, '1234567.89'), formatted('1234567.89')),
    medianRatio('a key of 14/02/2027, to one Intl.DateTimeFormat#format', 0.5, keystrokes({ kind: 'date', entry: {} }, '14022027'), dated(8)),
    medianRatio('the same with today to today+18m', null, keystrokes({ kind: 'date', entry: {}, rules: [{ id: 'r', check: { type: 'range', min: 'today', max: 'today+18m' } }] }, '14022027'), dated(8)),
    medianRatio('a key of (201) 555-0123 in a phone field, to one by hand', 2, keystrokes({ kind: 'phone', entry: { home: 'US' } }, '2015550123'), handWritten('2015550123')),
    medianRatio('a key of 07400 123456, to one by hand', 2, keystrokes({ kind: 'phone', entry: { home: 'GB' } }, '07400123456'), handWritten('07400123456')),
  ]; // biome-ignore format: one measurement a line
  if (sink < 0) throw new RangeError('unreachable');
  return rows;
}
