import type { FieldDocument } from '@arbeit/engine/document';
import { compileField } from '@arbeit/engine/document';
import { evaluate, keysOf } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import { expect, test } from 'vitest';
import { onCompletion, onNextEdit } from './completion.ts';
import { follow, share } from './share.ts';
import { createStore, type FieldStore } from './store.ts';

const storeOf = (field: Pick<FieldDocument, 'kind' | 'entry'>, locale = 'en-GB'): FieldStore =>
  createStore(compileField({ id: 'f', label: 'F', ...field } as FieldDocument, { locale }, kinds), evaluate);
const type = (store: FieldStore, text: string): void => {
  store.dispatch({ type: 'focus' });
  for (const key of keysOf(text)) store.dispatch(key);
};
const shown = (store: FieldStore): string => store.state().body.display;

test('a walk in minutes and in hours and minutes', () => {
  const minutes = storeOf({ kind: 'duration', entry: { units: ['min'] } });
  const both = storeOf({ kind: 'duration', entry: {} });
  share([minutes, both]);
  type(minutes, '90');
  expect(shown(both)).toBe('1 h 30 min');
  minutes.dispatch({ type: 'leave' });
  // What was handed over stays as it came until the field itself is left.
  type(both, '');
  expect(shown(both)).toBe('90 min');
  both.dispatch({ type: 'leave' });
  type(both, '');
  both.dispatch({ type: 'backspace' });
  expect([shown(both), shown(minutes)]).toEqual(['1 h 3 min', '63 min']);
  expect(both.state().start).toBe('1 h 3'.length);
});

test('an amount filled left and right, in two locales, without an echo', () => {
  const left = storeOf({ kind: 'currency', entry: { currency: 'GBP' } });
  const right = storeOf({ kind: 'currency', entry: { currency: 'GBP', fill: 'right' } });
  const german = storeOf({ kind: 'currency', entry: { currency: 'GBP' } }, 'de-DE');
  const events: string[] = [];
  left.subscribe((_, event) => event && events.push(event.type));
  const letGo = share([left, right, german]);
  type(left, '1234.5');
  expect([shown(right), shown(german)]).toEqual(['£1,234.50', '1.234,50\u00a0£']);
  expect(events).toEqual(['focus', 'key', 'key', 'key', 'key', 'key', 'key']);
  expect(left.state().start).toBe('£1,234.5'.length);
  letGo();
  left.dispatch({ type: 'backspace' });
  expect(shown(right)).toBe('£1,234.50');
});

test('a field that cannot contain the value is empty, and changes nothing by being entered and left', () => {
  const fine = storeOf({ kind: 'number', entry: { decimals: { min: 0, max: 2 } } });
  const whole = storeOf({ kind: 'number', entry: {} });
  share([fine, whole]);
  type(fine, '12');
  expect(shown(whole)).toBe('12');
  type(fine, '.5');
  fine.dispatch({ type: 'leave' });
  expect(shown(whole)).toBe('');
  for (const event of ['focus', 'leave'] as const) whole.dispatch({ type: event });
  expect(fine.evaluation().value).toBe('12.5');
  type(whole, '7');
  expect(fine.evaluation().value).toBe('7');
});

test('a code is reported once for each completion, and a wrong one is forgotten at the next key', () => {
  const code = storeOf({ kind: 'one-time-code', entry: { length: 4 } });
  const reported: string[] = [];
  onCompletion(code, (value) => {
    reported.push(value);
    onNextEdit(code, () => reported.push('edited'));
  });
  type(code, '4815');
  code.dispatch({ type: 'select', start: 1, end: 1 });
  code.dispatch({ type: 'key', text: '9' });
  code.dispatch({ type: 'leave' });
  expect(reported).toEqual(['4815', 'edited']);
  let wrong = true;
  onNextEdit(code, () => {
    wrong = false;
  });
  code.dispatch({ type: 'focus' });
  expect(wrong).toBe(true);
  code.dispatch({ type: 'backspace' });
  expect(wrong).toBe(false);
  code.dispatch({ type: 'undo' });
  code.dispatch({ type: 'paste', text: '' });
  expect(reported).toEqual(['4815', 'edited', '4815', 'edited']);
});

test('a field that follows shows the value of another, and what is typed into it stays there', () => {
  const leader = storeOf({ kind: 'currency', entry: { currency: 'GBP' } });
  const german = storeOf({ kind: 'currency', entry: { currency: 'GBP' } }, 'de-DE');
  type(leader, '12');
  const letGo = follow(leader, [german]);
  expect(shown(german)).toBe('12,00\u00a0£');
  type(leader, '.5');
  expect(german.evaluation().raw).toBe('12.5');
  type(german, '7');
  expect([german.evaluation().raw, leader.evaluation().raw]).toEqual(['12.57', '12.5']);
  letGo();
  type(leader, '9');
  expect([german.evaluation().raw, leader.evaluation().raw]).toEqual(['12.57', '12.59']);
});
