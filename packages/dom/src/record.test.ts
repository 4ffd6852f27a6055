import { compileField, type FieldDocument } from '@arbeit/engine/document';
import { evaluate } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import { parseTape, play } from '@arbeit/engine/tape';
import { expect, test } from 'vitest';
import { record } from './record.ts';
import { createStore } from './store.ts';

const storeOf = (field: object) =>
  createStore(compileField(field as FieldDocument, { locale: 'en-GB' }, kinds), evaluate);
const phone = { id: 'phone', kind: 'pattern', label: 'Phone', entry: { pattern: '<3 digit> <3 digit>' } };

test('what is done to a field is a tape that leads to the same when it is played', () => {
  const store = storeOf({ ...phone, initial: '12' });
  const recording = record(store, '2027-02-10');
  store.dispatch({ type: 'focus' });
  for (const text of '3x45') store.dispatch({ type: 'key', text });
  store.dispatch({ type: 'select', start: 2, end: 2 });
  store.dispatch({ type: 'select', start: 1, end: 1 });
  store.dispatch({ type: 'backspace' });
  store.dispatch({ type: 'paste', text: '98' });
  store.dispatch({ type: 'undo' });
  store.dispatch({ type: 'leave' });
  const text = recording.text();
  expect(text).toBe(
    'tape "Recorded in Phone"\nfield phone\ntoday 2027-02-10\nset "12"\nfocus\ntype "3x45"\ncaret 2\ncaret 1\nbackspace\npaste "98"\nundo\nleave\n',
  );
  const tape = parseTape(text);
  if (!tape.ok) throw new RangeError(JSON.stringify(tape.faults));
  const played = play({ fields: [store.field], forms: [] }, tape.tape);
  expect(played).toMatchObject({ misses: [] });
  expect('rows' in played && played.rows.at(-1)?.display).toBe(store.state().body.display);
  recording.stop();
  store.dispatch({ type: 'set', text: '' });
  expect(recording.text()).toBe(text);
});

test.each([
  { id: 'box', kind: 'pin', label: 'Box', entry: { length: 4 } },
  { id: 'secret', kind: 'text', label: 'Secret', entry: { conceal: true } },
  { id: 'word', kind: 'text', label: 'Word', entry: {}, html: { autocomplete: 'current-password' } },
])('what a concealed field holds is no part of its tape: %j', (field) => {
  const store = storeOf({ ...field, initial: '19' });
  const recording = record(store, '2027-02-10');
  for (const type of ['key', 'insert', 'paste', 'set', 'autofill'] as const)
    store.dispatch({ type, text: '7' });
  expect(recording.text()).not.toMatch(/[179]"/);
  expect(recording.text()).toContain('type "•"');
  expect(recording.text()).toContain('# Concealed');
});

test('it ends where there is too much of it, and says so', () => {
  const store = storeOf(phone);
  const recording = record(store, '2027-02-10');
  for (let i = 0; i < 3000; i++) {
    store.dispatch({ type: 'key', text: '1' });
    store.dispatch({ type: 'backspace' });
  }
  expect(recording.text()).toContain('# It ends here: more than 5000 events.');
  expect(recording.text().length).toBeLessThan(100_000);
});
