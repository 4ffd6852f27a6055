import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { compile } from '../document/compile.ts';
import { readDocument } from '../document/read-document.ts';
import type { FieldEvent } from '../field/field-state.ts';
import { sharedText } from '../field/shared-text.ts';
import { kinds } from '../kinds/registry.ts';
import { applyToForm, type FormEvent, reachOf } from './apply.ts';
import { checkRecord } from './check-record.ts';
import { evaluateInForm } from './evaluate-form.ts';
import { type FormState, fieldOf, type HydratedForm, startForm } from './form.ts';
import { recordOf } from './record.ts';
import { put, run, typed } from './stay.fixture.ts';

const today = '2027-02-10';

/** A form of fields that share a value, of their kinds’ several ways to show one. */
function formOf(fields: readonly object[], form: object = {}): HydratedForm {
  const ids = fields.map((field) => (field as { id: string }).id);
  const document = {
    arbeit: 2,
    title: 'Walk',
    locale: 'en-GB',
    fields,
    forms: [{ id: 'walk', fields: ids, ...form }],
  };
  const result = readDocument(document, kinds);
  if (!result.ok) throw new RangeError(JSON.stringify(result.faults));
  return compile(result.document, kinds).forms[0]!;
}

const pairs = {
  duration: [{ units: ['h', 'min'] }, { units: ['min'] }],
  date: [{}, { order: 'ymd' }],
  number: [{}, { grouping: 'never' }],
  phone: [{ home: 'GB' }, { home: 'GB', style: 'international' }],
} as const;
type PairName = keyof typeof pairs;

const pair = (kind: PairName, more: object = {}): HydratedForm =>
  formOf([
    { id: 'one', kind, label: 'One', entry: pairs[kind][0], ...more },
    { id: 'other', kind, label: 'Other', entry: pairs[kind][1], sameValueAs: 'one' },
  ]);

const textOf = (form: HydratedForm, state: FormState, id: string): string => {
  const { field, state: own } = fieldOf(form, state, id);
  return sharedText(field, own.body);
};
const displayOf = (form: HydratedForm, state: FormState, id: string): string =>
  fieldOf(form, state, id).state.body.display;

const walk = pair('duration');

test('what is typed into one is seen in the other, in its own way, while it is typed', () => {
  const state = run(walk, typed('one', '1 h 30'));
  expect(displayOf(walk, state, 'other')).toBe('90 min');
  const back = run(walk, typed('other', '5'), run(walk, [put('other', 'PT4M'), { type: 'leave' }], state));
  expect(evaluateInForm(walk, back, 'one', today).value).toBe(
    evaluateInForm(walk, back, 'other', today).value,
  );
});

test('an edit is undone in both, and a reset empties both', () => {
  const before = run(walk, typed('one', '20'));
  const undone = run(walk, [{ type: 'field', event: { type: 'undo' } }], before);
  expect(textOf(walk, undone, 'other')).toBe(textOf(walk, undone, 'one'));
  const reset = run(walk, [{ type: 'reset' }], before);
  expect([textOf(walk, reset, 'one'), textOf(walk, reset, 'other')]).toEqual(['', '']);
});

test('the initial value is that of both, also after a reset', () => {
  const form = pair('duration', { initial: '90' });
  const { values } = recordOf(form, startForm(form), today);
  expect(values.other).toBe(values.one);
  expect(values.one).not.toBeNull();
  expect(recordOf(form, run(form, [put('other', 'PT5M'), { type: 'reset' }]), today).values).toEqual(values);
});

test('two fields with the value of a third share it where that one is not in the form', () => {
  const fields = [
    { id: 'one', kind: 'duration', label: 'One', entry: {} },
    { id: 'two', kind: 'duration', label: 'Two', entry: { units: ['min'] }, sameValueAs: 'one' },
    { id: 'three', kind: 'duration', label: 'Three', entry: {}, sameValueAs: 'one' },
  ];
  const form = formOf(fields, { fields: ['two', 'three'] });
  const state = run(form, typed('two', '75'));
  expect(displayOf(form, state, 'three')).toContain('15');
  const alone = formOf(fields, { fields: ['two'] });
  expect(alone.sharing.size).toBe(0);
});

test('what one can hold and the other cannot leaves the other empty', () => {
  const form = formOf([
    { id: 'fine', kind: 'number', label: 'Fine', entry: { decimals: { min: 0, max: 2 } } },
    { id: 'whole', kind: 'number', label: 'Whole', entry: {}, sameValueAs: 'fine' },
  ]);
  const state = run(form, typed('fine', '1.25'));
  expect(['fine', 'whole'].map((id) => textOf(form, state, id))).toEqual(['1.25', '']);
  const later = run(form, [{ type: 'focus', field: 'whole' }, { type: 'leave' }, { type: 'submit' }], state);
  expect(textOf(form, later, 'fine')).toBe('1.25');
  const back = run(
    form,
    [
      { type: 'focus', field: 'fine' },
      ...Array.from({ length: 3 }, () => ({ type: 'field', event: { type: 'backspace' } }) as const),
    ],
    state,
  );
  expect(textOf(form, back, 'whole')).toBe('1');
});

describe('on a server', () => {
  test('one that was left empty has the value of the other', async () => {
    const checked = await checkRecord(walk, { one: '', other: '90' }, today);
    expect(checked).toMatchObject({ ok: true });
    if (checked.ok) expect(checked.record.values.one).toBe(checked.record.values.other);
  });
  test('two values are a finding, and neither replaces the other', async () => {
    const checked = await checkRecord(walk, { one: '20', other: '90' }, today);
    expect(checked).toMatchObject({ ok: false, findings: [{ field: 'other', code: 'differs' }] });
  });
});

const events = (ids: readonly string[]): fc.Arbitrary<FormEvent> =>
  fc.oneof(
    fc.constantFrom(...ids).map((field): FormEvent => ({ type: 'focus', field })),
    fc.constantFrom<FormEvent>({ type: 'leave' }, { type: 'submit' }, { type: 'reset' }),
    fc
      .constantFrom<FieldEvent>({ type: 'backspace' }, { type: 'undo' }, { type: 'redo' })
      .map((event): FormEvent => ({ type: 'field', event })),
    fc
      .constantFrom(...'0123456789:h+-. ')
      .map((text): FormEvent => ({ type: 'field', event: { type: 'key', text } })),
    fc.constantFrom('90', '14.02.2027', '2027-02-14', '1,234.5', '+447700900123', '').map(
      (text): FormEvent => ({ type: 'field', event: { type: 'paste', text } }),
    ),
  ); // biome-ignore format: a list

describe.each(Object.keys(pairs) as PairName[])('%s', (kind) => {
  const form = pair(kind);
  const tapes = fc.array(events(['one', 'other']), { maxLength: 30 });

  test('after every event both have one value', () => {
    fc.assert(
      fc.property(tapes, (all) => {
        let state = startForm(form);
        for (const event of all) {
          state = applyToForm(form, state, event, today);
          const [one, other] = ['one', 'other'].map((id) => textOf(form, state, id));
          expect(other).toBe(one);
        }
      }),
    );
  });

  test('whatever an event changes is reached by it', () => {
    fc.assert(
      fc.property(tapes, (all) => {
        let state = startForm(form);
        for (const event of all) {
          const next = applyToForm(form, state, event, today);
          const reached = reachOf(form, state, event, next);
          for (const { id } of form.fields)
            if (!reached.includes(id))
              expect(evaluateInForm(form, next, id, today)).toEqual(evaluateInForm(form, state, id, today));
          state = next;
        }
      }),
    );
  });
});
