import { compileField } from '@arbeit/engine/document';
import { keysOf } from '@arbeit/engine/field';
import { hydrateForm } from '@arbeit/engine/form';
import { kinds } from '@arbeit/engine/kinds';
import { expect, test, vi } from 'vitest';
import { createFormStore } from './form-store.ts';

const pin = (id: string) =>
  compileField(
    { id, kind: 'pattern', label: id, entry: { pattern: '<4 digit>' } },
    { locale: 'en-GB' },
    kinds,
  );
const form = hydrateForm({
  id: 'box',
  title: 'Key box',
  fields: [pin('first'), pin('again'), pin('other')],
  rules: [
    {
      id: 'same',
      field: 'again',
      check: { type: 'compare', op: 'same', field: 'first', by: 'text' },
      reads: ['first'],
      say: 'The two differ.',
      code: 'differs',
      show: 'leave',
      severity: 'error',
    },
  ],
});

test('a key is told to its field and to those rules of the form speak of, and to nobody else', () => {
  const store = createFormStore(form);
  const told = { first: vi.fn(), again: vi.fn(), other: vi.fn(), form: vi.fn() };
  for (const id of ['first', 'again', 'other'] as const) store.field(id).subscribe(told[id]);
  store.subscribe(told.form);
  const readings = ['first', 'again', 'other'].map((id) => store.evaluation(id));
  const [key] = keysOf('1');
  store.field('first').dispatch(key!);
  expect(told.first).toHaveBeenCalledExactlyOnceWith(store.field('first').state(), key);
  expect(told.again).toHaveBeenCalledExactlyOnceWith(store.field('again').state(), null);
  expect(told.other).not.toHaveBeenCalled();
  expect(told.form).toHaveBeenCalledTimes(1);
  expect(['first', 'again', 'other'].map((id, i) => store.evaluation(id) === readings[i])).toEqual([
    false,
    false,
    true,
  ]);
});

test('a field of a form is one place with the form: focus moves, submit and reset reach all, ready follows', () => {
  const store = createFormStore(form);
  const [first, again, other] = ['first', 'again', 'other'].map((id) => store.field(id));
  expect(store.field('first')).toBe(first);
  first!.dispatch({ type: 'focus' });
  again!.dispatch({ type: 'focus' });
  expect([first!.state().focused, first!.state().touched, store.state().focus]).toEqual([
    false,
    true,
    'again',
  ]);
  // What has no focus has nothing to leave.
  first!.dispatch({ type: 'leave' });
  expect(store.state().focus).toBe('again');
  expect(store.isReady()).toBe(true);
  for (const [field, text] of [
    [first, '4815'],
    [again, '4816'],
  ] as const)
    field!.dispatch({ type: 'set', text });
  expect(store.isReady()).toBe(false);
  again!.dispatch({ type: 'leave' });
  expect(again!.evaluation().shown.map(({ message }) => message)).toEqual(['The two differ.']);
  first!.dispatch({ type: 'set', text: '4816' });
  expect([store.isReady(), again!.evaluation().shown]).toEqual([true, []]);
  const before = other!.state();
  store.dispatch({ type: 'submit' });
  expect(store.form.fields.every(({ id }) => store.field(id).state().submitted)).toBe(true);
  store.dispatch({ type: 'reset' });
  expect([first!.state().body.display, again!.state().touched]).toEqual(['', false]);
  other!.restore(before);
  expect(other!.state()).toBe(before);
});

test('of two changes, one made by a listener, all hear the first one first', () => {
  const store = createFormStore(form);
  const first = store.field('first');
  const heard: string[] = [];
  first.subscribe((state) => {
    if (state.body.content === '1') first.dispatch(keysOf('2')[0]!);
  });
  first.subscribe((state) => heard.push(state.body.content));
  first.dispatch(keysOf('1')[0]!);
  expect(heard).toEqual(['1', '12']);
});
