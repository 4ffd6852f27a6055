import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { FieldEvent, FieldState } from '../field/field-state.ts';
import type { HydratedField } from '../field/kind.ts';
import { applyToForm } from '../form/apply.ts';
import { hydrateAlone, startForm, fieldOf as stateIn } from '../form/form.ts';
import { recordOf } from '../form/record.ts';
import { serverForm } from '../form/server-form.ts';
import type { Action } from '../tape/script.ts';
import { fieldEvents } from '../tape/verbs.ts';
import { actions, fieldOf, sketch, sketchOfList } from './arbitraries.ts';
import { actionsFor, compiledOf, kindNames, sketchOf } from './kinds.ts';

/** Law 12: a page and the server read the same record. Every kind, with random options. */
const runs = {
  numRuns: Number(process.env.ARBEIT_RUNS ?? 80),
  seed: Number(process.env.ARBEIT_SEED ?? 20270210),
};
const today = '2027-02-10';

/** The events of an action of the field itself. */
function eventsOf(action: Action, state: FieldState, field: HydratedField): readonly FieldEvent[] {
  switch (action.do) {
    case 'focus':
    case 'leave':
    case 'submit':
    case 'reset':
    case 'wait':
    case 'answer':
    case 'sent':
      return [];
    default:
      return fieldEvents(action, state, field);
  }
}

/** The record of a page with this field after a tape, and whether the page submits it. */
function sent(field: HydratedField, tape: readonly Action[]) {
  // `not-trivial` checks the raw value, which differs if the record contains typed values.
  const rules = field.rules.filter(({ check }) => check.type !== 'not-trivial');
  const form = hydrateAlone({ ...field, rules });
  let state = applyToForm(form, startForm(form), { type: 'focus', field: field.id }, today);
  for (const action of tape) {
    const { state: own } = stateIn(form, state, field.id);
    for (const event of eventsOf(action, own, field))
      state = applyToForm(form, state, { type: 'field', field: field.id, event }, today);
  }
  state = applyToForm(form, state, { type: 'submit' }, today);
  return { form, record: recordOf(form, state, today), isSent: state.sending.is === 'sending' };
}

/** One record in several forms: raw values, typed values, form data, text with CR LF. */
function spellings(raw: Readonly<Record<string, string>>, values: Readonly<Record<string, unknown>>) {
  const data = new FormData();
  for (const [name, value] of Object.entries(raw)) data.append(name, value);
  // Browsers submit line breaks as CR LF (HTML, form submission).
  const lines = Object.fromEntries(
    Object.entries(raw).map(([name, value]) => [name, value.replace(/\r?\n/g, '\r\n')]),
  );
  return { raw, data, lines, values };
}

/** Texts to paste, because random keys rarely give a value of these kinds. */
const day = fc
  .date({ min: new Date('2027-02-10'), max: new Date('2027-12-20'), noInvalidDate: true })
  .map((date) => date.toISOString());
const brought: Readonly<Record<string, fc.Arbitrary<string>>> = {
  date: fc.oneof(
    day.map((text) => text.slice(0, 10)),
    day.map((text) => text.slice(0, 7)),
  ),
  'date-time': day.map((text) => text.slice(0, 16)),
  time: fc.constantFrom('09:30', '17:30', '12:00 pm', '9:05:30', '8:00 am'),
  duration: fc.constantFrom('1h 30', '45 min', 'PT2H', '90 min', '0.5 h'),
  number: fc.constantFrom('10', '1,234.5', '5000', '99.5', '12.25'),
  currency: fc.constantFrom('20', '1,234.50', '100.-', '0.5', '2500'),
  percent: fc.constantFrom('10%', '0.125', '99.9', '100'),
  phone: fc.constantFrom('+447700900123', '+12015550123', '+33639980010', '+393123456789', '+4915123456789'),
};
const withBrought = (kind: string): fc.Arbitrary<readonly Action[]> =>
  fc.oneof(
    actionsFor(kind as never),
    fc
      .tuple(brought[kind] ?? fc.constant(''), actionsFor(kind as never))
      .map(([text, more]): Action[] => [{ do: 'paste', text }, ...more.slice(0, 2)]),
  );

let [all, right] = [0, 0];
async function agrees(field: HydratedField, tape: readonly Action[]): Promise<void> {
  const { form, record, isSent } = sent(field, tape);
  const server = serverForm(form);
  all++;
  if (isSent) right++;
  for (const [name, spelling] of Object.entries(spellings(record.raw, record.values))) {
    // An incomplete text does not have a value.
    if (name === 'values' && !isSent) continue;
    const checked = await server.check(spelling, { today });
    expect([name, checked.ok]).toEqual([name, isSent]);
    if (!checked.ok) continue;
    // A value can have another raw value than the typed text: 5 for 5.0.
    if (name === 'values')
      expect(checked.record).toMatchObject({ values: record.values, facts: record.facts });
    else expect([name, checked.record]).toEqual([name, record]);
  }
}

describe('the server reads the record that a page submits', () => {
  for (const kind of kindNames)
    test(kind, async () => {
      [all, right] = [0, 0];
      await fc.assert(
        fc.asyncProperty(sketchOf(kind), withBrought(kind), (drawn, tape) => agrees(compiledOf(drawn), tape)),
        runs,
      );
      expect(right).toBeGreaterThan(all / 50);
    });
  test('pattern', () =>
    fc.assert(
      fc.asyncProperty(fc.oneof(sketch, sketchOfList), actions, (drawn, tape) =>
        agrees(fieldOf(drawn), tape),
      ),
      { ...runs, numRuns: runs.numRuns * 4 },
    ));
});
