import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { compileField } from '../document/compile-field.ts';
import type { FieldDocument } from '../document/document.ts';
import { keysOf } from '../field/apply.ts';
import type { FieldEvent } from '../field/field-state.ts';
import type { HydratedField } from '../field/kind.ts';
import { kinds } from '../kinds/registry.ts';
import { applyToForm, type FormEvent, reachOf } from './apply.ts';
import { evaluateInForm } from './evaluate-form.ts';
import { type FormState, fieldOf, type HydratedForm, hydrateAlone, hydrateForm, startForm } from './form.ts';
import type { FormRule } from './form-rule.ts';

const set = { locale: 'en-GB' };
const fieldNamed = (id: string, kind = 'date', entry: object = {}) =>
  compileField({ id, kind, label: id, entry } as FieldDocument, set, kinds);

/** A stay ends after it began; said at the day of departure. */
const order: FormRule = {
  id: 'order',
  field: 'departure',
  check: { type: 'compare', op: 'after', field: 'arrival', by: 'text' },
  reads: ['arrival'],
  say: 'The departure is not after the arrival.',
  code: 'order',
  show: 'leave',
  severity: 'error',
};
const stay = hydrateForm({
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
  evaluateInForm(stay, state, id).shown.map(({ code }) => code);

describe('a rule across fields', () => {
  test('is seen at its field once all it reads has been left, and goes with whichever is mended', () => {
    const departed = run([...typed('departure', '12/02/2027'), { type: 'leave' }]);
    expect(codesAt(departed, 'departure')).toEqual([]);
    const arriving = run(typed('arrival', '14/02/2027'), departed);
    expect(codesAt(arriving, 'departure')).toEqual([]);
    const both = run([{ type: 'leave' }], arriving);
    expect(codesAt(both, 'departure')).toEqual(['order']);
    expect(evaluateInForm(stay, both, 'departure')).toMatchObject({
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

  test('is reached from all it reads, and from nothing else', () => {
    const reached = (from: FormState, event: FormEvent): readonly string[] =>
      reachOf(stay, from, event, applyToForm(stay, from, event));
    const about = (field: string): FormEvent => ({ type: 'field', field, event: keysOf('1')[0]! });
    const state = startForm(stay);
    expect(reached(state, about('arrival'))).toEqual(['arrival', 'departure']);
    expect(reached(state, about('departure'))).toEqual(['departure']);
    expect(reached(state, about('pin'))).toEqual(['pin']);
    const atPin = run([{ type: 'focus', field: 'pin' }]);
    expect(reached(atPin, { type: 'focus', field: 'arrival' })).toEqual(['pin', 'arrival', 'departure']);
    expect(reached(state, { type: 'submit' })).toEqual(['arrival', 'departure', 'pin']);
  });

  test('counts for nothing where a field stands alone, and so does a condition', () => {
    const alone = hydrateAlone({
      ...fieldNamed('departure'),
      when: { field: 'arrival', is: ['2027-02-14'] },
      rules: [order, { ...order, id: 'while', when: { field: 'arrival', is: [null] } }],
    });
    const left = applyToForm(alone, startForm(alone), {
      type: 'field',
      field: 'departure',
      event: { type: 'set', text: '2027-02-12' },
    });
    expect(evaluateInForm(alone, left, 'departure')).toMatchObject({ counts: true, flags: { valid: true } });
  });

  test('about a field that is not there is refused', () => {
    const fields = [fieldNamed('arrival')];
    expect(() => hydrateForm({ id: 'f', title: '', fields, rules: [order] })).toThrow(/"departure"/);
    expect(() => hydrateForm({ id: 'f', title: '', fields: [...fields, ...fields] })).toThrow(RangeError);
    expect(() => run([{ type: 'focus', field: 'nobody' }])).toThrow(/"nobody"/);
  });
});

describe('conditions cost what they are, however they depend on each other', () => {
  const whenYes = (field: string) => ({ field, is: ['yes'] });
  const formOf = (count: number, when: (i: number) => HydratedField['when']) =>
    hydrateForm({
      id: 'f',
      title: '',
      fields: Array.from({ length: count }, (_, i) => ({
        ...fieldNamed(`q${i}`, 'yes-no', { draw: 'radio' }),
        when: i ? when(i) : undefined,
      })),
    });
  const yes = (form: HydratedForm) =>
    form.fields.reduce(
      (state, { id }) =>
        applyToForm(form, state, { type: 'field', field: id, event: { type: 'set', text: 'yes' } }),
      startForm(form),
    );

  // Read anew for each, sixty questions would be 2^60 readings.
  test('two conditions on the question before', () => {
    const form = formOf(60, (i) => ({ all: [whenYes(`q${i - 1}`), whenYes(`q${i - 1}`)] }));
    const state = yes(form);
    expect(form.fields.every(({ id }) => evaluateInForm(form, state, id).counts)).toBe(true);
    const no = applyToForm(form, state, { type: 'field', field: 'q0', event: { type: 'set', text: 'no' } });
    expect(form.fields.filter(({ id }) => evaluateInForm(form, no, id).counts)).toHaveLength(1);
  });

  test('each on the two before', () => {
    const form = formOf(90, (i) => ({ all: [whenYes(`q${i - 1}`), whenYes(`q${Math.max(0, i - 2)}`)] }));
    expect(evaluateInForm(form, yes(form), 'q89').counts).toBe(true);
  });

  test('a chain of three thousand', () => {
    const form = formOf(3000, (i) => whenYes(`q${i - 1}`));
    const rows = yes(formOf(1, () => undefined)).rows[0]!;
    const state: FormState = {
      ...startForm(form),
      rows: startForm(form).rows.map((row) => row.map(() => rows[0]!)),
    };
    expect(evaluateInForm(form, state, 'q2999').counts).toBe(true);
    expect(() => formOf(3000, (i) => whenYes(`q${i === 1500 ? 2999 : i - 1}`))).toThrow(
      /in a circle: q1500 -> .* -> q1500/,
    );
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
        const reached = reachOf(stay, state, event, next);
        for (const { id } of stay.fields)
          if (!reached.includes(id)) {
            expect(fieldOf(stay, next, id).state).toBe(fieldOf(stay, state, id).state);
            expect(evaluateInForm(stay, next, id)).toEqual(evaluateInForm(stay, state, id));
          }
        state = next;
      }
    }),
  );
});
