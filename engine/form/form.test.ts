import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { compileField } from '../document/compile.ts';
import type { FieldDocument } from '../document/document.ts';
import type { FieldEvent } from '../field/moment.ts';
import { read } from '../field/reading.ts';
import { keysOf } from '../field/state.ts';
import { kinds } from '../kinds/table.ts';
import { passed } from '../rules/finding.ts';
import {
  applyToForm,
  type FormEvent,
  type FormState,
  fieldOf,
  openForm,
  reachOf,
  startForm,
} from './form.ts';
import { readInForm } from './form-reading.ts';
import type { FormRule } from './form-rule.ts';

const set = { locale: 'en-GB' };
const fieldNamed = (id: string, kind = 'date', entry: object = {}) =>
  compileField({ id, kind, label: id, entry } as FieldDocument, set, kinds);

/** A stay ends after it began; said at the day of departure. */
const order: FormRule = {
  id: 'order',
  field: 'departure',
  reads: ['arrival', 'departure'],
  say: 'The departure is not after the arrival.',
  code: 'order',
  show: 'leave',
  severity: 'error',
  judge: ([arrival = '', departure = '']) =>
    departure > arrival ? passed : { verdict: 'fail', code: 'differs', data: {} },
};
const stay = openForm({
  id: 'stay',
  title: 'Stay',
  fields: [fieldNamed('arrival'), fieldNamed('departure'), fieldNamed('pin', 'pin')],
  rules: [order],
});

const run = (events: readonly FormEvent[], from = startForm(stay)): FormState =>
  events.reduce((state, event) => applyToForm(stay, state, event), from);
const typed = (field: string, text: string): FormEvent[] => [
  { type: 'focus', field },
  ...keysOf(text).map((event): FormEvent => ({ type: 'field', event })),
];
const codesAt = (state: FormState, id: string): string[] =>
  readInForm(stay, state, id).shown.map(({ code }) => code);

describe('a rule across fields', () => {
  test('is seen at its field once all it reads has been left, and goes with whichever is mended', () => {
    const departed = run([...typed('departure', '12/02/2027'), { type: 'leave' }]);
    expect(codesAt(departed, 'departure')).toEqual([]);
    const arriving = run(typed('arrival', '14/02/2027'), departed);
    expect(codesAt(arriving, 'departure')).toEqual([]);
    const both = run([{ type: 'leave' }], arriving);
    expect(codesAt(both, 'departure')).toEqual(['order']);
    expect(readInForm(stay, both, 'departure')).toMatchObject({
      problem: 'The departure is not after the arrival.',
      flags: { valid: false },
    });
    expect(codesAt(both, 'arrival')).toEqual([]);
    const mends: FormEvent[][] = [
      [{ type: 'field', field: 'arrival', event: { type: 'set', text: '2027-02-11' } }],
      [{ type: 'field', field: 'departure', event: { type: 'set', text: '2027-02-15' } }],
      // Without a value there is nothing to compare.
      [...typed('arrival', ''), { type: 'field', event: { type: 'backspace' } }],
    ];
    for (const mend of mends) expect(codesAt(run(mend, both), 'departure')).toEqual([]);
  });

  test('stands behind what the field itself says, and is seen once submitted', () => {
    const early = run([
      ...typed('arrival', '14/02/2027'),
      ...typed('departure', '31/02/2027'),
      { type: 'submit' },
    ]);
    expect(codesAt(early, 'departure')).toEqual(['no-such-date']);
    const mended = run(
      [{ type: 'field', field: 'departure', event: { type: 'set', text: '2027-02-10' } }],
      early,
    );
    expect(codesAt(mended, 'departure')).toEqual(['order']);
  });

  test('is asked only when one of its fields is read, and reached from all it reads', () => {
    const about = (field: string): FormEvent => ({ type: 'field', field, event: { type: 'backspace' } });
    const state = startForm(stay);
    expect(reachOf(stay, state, about('arrival'))).toEqual(['arrival', 'departure']);
    expect(reachOf(stay, state, about('departure'))).toEqual(['departure']);
    expect(reachOf(stay, state, about('pin'))).toEqual(['pin']);
    expect(reachOf(stay, { ...state, focus: 'pin' }, { type: 'focus', field: 'arrival' })).toEqual([
      'pin',
      'arrival',
      'departure',
    ]);
    expect(reachOf(stay, state, { type: 'submit' })).toEqual(['arrival', 'departure', 'pin']);
  });

  test('about a field that is not there is refused', () => {
    const fields = [fieldNamed('arrival')];
    expect(() => openForm({ id: 'f', title: '', fields, rules: [order] })).toThrow(/"departure"/);
    expect(() => openForm({ id: 'f', title: '', fields: [...fields, ...fields] })).toThrow(RangeError);
    expect(() => run([{ type: 'focus', field: 'nobody' }])).toThrow(/"nobody"/);
  });
});

const anyEvent: fc.Arbitrary<FormEvent> = fc.oneof(
  fc.constantFrom('arrival', 'departure', 'pin').map((field): FormEvent => ({ type: 'focus', field })),
  fc.constantFrom('leave', 'submit', 'reset').map((type): FormEvent => ({ type: type as 'leave' })),
  fc
    .record({
      field: fc.option(fc.constantFrom('arrival', 'departure', 'pin'), { nil: undefined }),
      event: fc.oneof(
        fc.constantFrom(...keysOf('0123459/')),
        fc.constantFrom<FieldEvent>(
          { type: 'backspace' },
          { type: 'undo' },
          { type: 'set', text: '2027-02-11' },
          { type: 'ask', id: 'q', rule: 'r' },
          { type: 'answer', id: 'q', answer: { verdict: 'fail', code: 'taken' } },
        ),
      ),
    })
    .map(({ field, event }): FormEvent => ({ type: 'field', event, ...(field ? { field } : {}) })),
);

test('what an event does not reach is neither another state nor read differently', () => {
  fc.assert(
    fc.property(fc.array(anyEvent, { maxLength: 30 }), (events) => {
      let state = startForm(stay);
      for (const event of events) {
        const next = applyToForm(stay, state, event);
        const reached = reachOf(stay, state, event);
        for (const { id } of stay.fields)
          if (!reached.includes(id)) {
            expect(fieldOf(stay, next, id).state).toBe(fieldOf(stay, state, id).state);
            expect(readInForm(stay, next, id)).toEqual(readInForm(stay, state, id));
          }
        state = next;
      }
    }),
  );
});

test('what was asked and answered is kept with the value it was about', () => {
  const field = fieldNamed('pin', 'pin');
  const form = openForm({ id: 'f', title: '', fields: [field] });
  const at = (state: FormState, event: FieldEvent): FormState =>
    applyToForm(form, state, { type: 'field', field: 'pin', event });
  const own = (state: FormState) => fieldOf(form, state, 'pin').state;
  const pending = (state: FormState): boolean => read(field, own(state)).flags.pending;
  let state = at(startForm(form), { type: 'set', text: '4815' });
  state = at(state, { type: 'ask', id: 'a', rule: 'known' });
  expect(pending(state)).toBe(true);
  const changed = at(state, { type: 'set', text: '4816' });
  expect(pending(changed)).toBe(false);
  // An answer nobody waits for, and one to an older asking, change nothing.
  const asked = at(changed, { type: 'ask', id: 'b', rule: 'known' });
  expect(at(asked, { type: 'answer', id: 'a', answer: { verdict: 'pass' } })).toBe(asked);
  expect(at(asked, { type: 'answer', id: 'z', answer: { verdict: 'pass' } })).toBe(asked);
  const answered = at(asked, { type: 'answer', id: 'b', answer: { verdict: 'fail', code: 'taken' } });
  expect(pending(answered)).toBe(false);
  expect(own(answered).questions.answered).toEqual([
    { id: 'b', rule: 'known', value: '4816', answer: { verdict: 'fail', code: 'taken' } },
  ]);
  // Only a reset forgets.
  expect(own(at(answered, { type: 'backspace' })).questions).toBe(own(answered).questions);
  expect(own(at(answered, { type: 'reset' })).questions.answered).toEqual([]);
});

test('checks are given the day, the values of other fields and the answers about the value', () => {
  const given: unknown[] = [];
  const arrival = fieldNamed('arrival');
  const spied = {
    ...arrival,
    kind: {
      ...arrival.kind,
      judge: (...[plan, body, check, all]: Parameters<NonNullable<typeof arrival.kind.judge>>) => {
        given.push(all);
        return arrival.kind.judge?.(plan, body, check, all);
      },
    },
  };
  const form = openForm({
    id: 'f',
    title: '',
    fields: [spied, fieldNamed('departure')],
    rules: [{ ...order, field: 'arrival' }],
  });
  const at = (state: FormState, field: string, event: FieldEvent): FormState =>
    applyToForm(form, state, { type: 'field', field, event });
  let state = at(startForm(form), 'arrival', { type: 'set', text: '2027-02-14' });
  state = at(state, 'departure', { type: 'set', text: '2027-02-16' });
  state = at(state, 'arrival', { type: 'ask', id: 'a', rule: 'free' });
  state = at(state, 'arrival', { type: 'answer', id: 'a', answer: { verdict: 'pass' } });
  readInForm(form, state, 'arrival', '2027-02-10');
  expect(given.at(-1)).toEqual({
    today: '2027-02-10',
    others: { arrival: '2027-02-14', departure: '2027-02-16' },
    answers: { free: { verdict: 'pass' } },
  });
});
