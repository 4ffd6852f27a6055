import type { FieldDocument } from '@arbeit/engine/document';
import { compileField } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { byHand } from './hand-written.ts';
import { throughEngine, throughHand } from './keystroke.ts';
import { type Measured, medianRatio } from './ratio.ts';

/**
 * One keystroke through a field of a kind (edit, format, caret, verdicts, messages), against what the
 * platform takes to format the same value once, and for telephone numbers against the hand-written formatter.
 */

let sink = 0;

function keystrokes(document: Partial<FieldDocument>, text: string): () => void {
  const rules = [{ id: 'needed', check: { type: 'required' } }];
  return throughEngine(
    compileField({ id: 'f', label: 'F', rules, ...document } as FieldDocument, { locale: 'en-GB' }, kinds),
    text,
  );
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

const money = { kind: 'currency', entry: { currency: 'GBP' } } as const;

/** Each measurement by itself, so that one can be taken on a page that knows no other kind. */
export const kindMeasures: readonly (() => Measured)[] = [
  () => medianRatio('a key of £1,234,567.89, to one Intl.NumberFormat#format', 1, keystrokes(money, '1234567.89'), formatted('1234567.89')),
  () => medianRatio('the same with min, max and step', 1, keystrokes({ ...money, rules: [{ id: 'r', check: { type: 'range', min: 1, max: 9_999_999, step: '0.01' } }] }, '1234567.89'), formatted('1234567.89')),
  () => medianRatio('a key of 14/02/2027, to one Intl.DateTimeFormat#format', 0.5, keystrokes({ kind: 'date', entry: {} }, '14022027'), dated(8)),
  () => medianRatio('the same with today to today+18m', null, keystrokes({ kind: 'date', entry: {}, rules: [{ id: 'r', check: { type: 'range', min: 'today', max: 'today+18m' } }] }, '14022027'), dated(8)),
  () => medianRatio('a key of (201) 555-0123 in a phone field, to one by hand', 1.3, keystrokes({ kind: 'phone', entry: { home: 'US' } }, '2015550123'), throughHand(byHand, '2015550123')),
  () => medianRatio('a key of 07400 123456, to one by hand', 1.3, keystrokes({ kind: 'phone', entry: { home: 'GB' } }, '07400123456'), throughHand(byHand, '07400123456')),
]; // biome-ignore format: one measurement a line

/** All of them one after the other in this process: what a page with every kind on it comes to. */
export function kindKeystrokes(): Measured[] {
  const rows = kindMeasures.map((measure) => measure());
  if (sink < 0) throw new RangeError('unreachable');
  return rows;
}
