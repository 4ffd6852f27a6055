import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { FieldEvent } from '../field/field-state.ts';
import type { Answer } from '../rules/checks.ts';
import { applyToForm, type FormEvent, reachOf } from './apply.ts';
import { checkRecord } from './check-record.ts';
import { evaluateInForm } from './evaluate-form.ts';
import { type FormState, fieldOf, startForm } from './form.ts';
import { recordOf } from './record.ts';
import { put, run, stayWith } from './stay.fixture.ts';

const form = stayWith({}, { 'key-box': { rules: [{ id: 'easy', check: { type: 'not-trivial' } }] } });
/**
 * The same with a warning in front of what holds the form back: it is told instead where one message is
 * shown.
 */
const warned = stayWith(
  {},
  {
    'key-box': {
      rules: [
        { id: 'odd', check: { type: 'in', values: ['0000'] }, severity: 'warning' },
        { id: 'easy', check: { type: 'not-trivial' } },
      ],
    },
  },
);
const today = '2027-02-10';
const ids = form.fields.map(({ id }) => id);

/** What the server says of a pass: the same of the same pass, whenever it is asked. */
const truth = (about: string): Answer =>
  /[13579]$/.test(about) ? { verdict: 'fail', code: 'expired', data: { why: about } } : { verdict: 'pass' };

const key = (text: string): FormEvent => ({ type: 'field', event: { type: 'key', text } });
const bare = (type: 'backspace' | 'undo' | 'redo'): FormEvent => ({ type: 'field', event: { type } });

/**
 * What happens to a form, and to what it has asked: the n-th open question is answered, or nobody answers it.
 */
type Happening = FormEvent | { readonly settles: number; readonly by: 'server' | 'nobody' };

const happening: fc.Arbitrary<Happening> = fc.oneof(
  fc.constantFrom(...ids).map((field): Happening => ({ type: 'focus', field })),
  fc.constantFrom<Happening>(
    { type: 'leave' },
    { type: 'submit' },
    bare('backspace'),
    bare('undo'),
    bare('redo'),
  ),
  fc.constantFrom(...'RHx-0123456789').map(key),
  fc.constantFrom<Happening>(
    put('arrival', '2027-02-14'), put('arrival', '2027-02-20'), put('departure', '2027-02-16'), put('dog', 'yes'), put('dog', 'no'),
    put('dog-name', 'Bruno'), put('dog-name', ''), put('pass', 'RH-41'), put('pass', 'RH-42'), put('pass', ''), put('key-box', '1234'),
  ), // biome-ignore format: a list
  fc.record({ settles: fc.nat(3), by: fc.constantFrom('server', 'nobody') }) as fc.Arbitrary<Happening>,
  fc.constant<Happening>({ type: 'field', field: 'pass', event: { type: 'ask-again' } }),
);

const ofPass = (event: FieldEvent): FormEvent => ({ type: 'field', field: 'pass', event });
const openIn = (state: FormState) => fieldOf(form, state, 'pass').state.questions.open;

/** The form with what it asks put as questions, as whoever drives it does after every event. */
function driven(state: FormState): FormState {
  const { asks } = evaluateInForm(form, state, 'pass', today);
  return asks.reduce(
    (now, { rule, about }, i) =>
      run(form, [ofPass({ type: 'ask', id: `${about}/${i}/${openIn(now).length}`, rule, about })], now),
    state,
  );
}

function happen(state: FormState, one: Happening): FormState {
  if ('type' in one) return driven(run(form, [one], state));
  const question = openIn(state)[one.settles];
  if (!question) return state;
  const answer: Answer = one.by === 'nobody' ? { verdict: 'unreachable' } : truth(question.about);
  return driven(run(form, [ofPass({ type: 'answer', id: question.id, answer })], state));
}

/** The form left, with all it asks answered. */
function settled(from: FormState): FormState {
  let state = driven(
    run(form, [{ type: 'focus', field: 'pass' }, { type: 'leave' }, ofPass({ type: 'ask-again' })], from),
  );
  for (let question = openIn(state)[0]; question; question = openIn(state)[0])
    state = driven(
      run(form, [ofPass({ type: 'answer', id: question.id, answer: truth(question.about) })], state),
    );
  return state;
}

const verdictsIn = (state: FormState) =>
  ids.map((id) =>
    evaluateInForm(form, state, id, today).findings.map(({ verdict, code, data }) => ({
      verdict,
      code,
      data,
    })),
  );

const happenings = fc.array(happening, { maxLength: 40 });

describe('whatever the order of keys, leaves, answers and failures', () => {
  test('once all is settled the verdicts are those of the same values set at once', () => {
    fc.assert(
      fc.property(happenings, (all) => {
        const end = settled(all.reduce(happen, startForm(form)));
        const raws = form.fields.map(({ id, kind, plan }) =>
          put(id, kind.raw(plan, fieldOf(form, end, id).state.body)),
        );
        const fresh = settled(run(form, raws));
        expect(verdictsIn(end)).toEqual(verdictsIn(fresh));
      }),
      { numRuns: 300 },
    );
  });

  test('an answer for an older value changes no message', () => {
    fc.assert(
      fc.property(happenings, fc.nat(3), (all, n) => {
        const state = all.reduce(happen, startForm(form));
        const question = openIn(state)[n];
        const raw = evaluateInForm(form, state, 'pass').raw;
        if (!question || question.about === raw) return;
        const after = run(
          form,
          [ofPass({ type: 'answer', id: question.id, answer: { verdict: 'fail', code: 'x' } })],
          state,
        );
        expect(evaluateInForm(form, after, 'pass', today)).toEqual(
          evaluateInForm(form, state, 'pass', today),
        );
      }),
      { numRuns: 300 },
    );
  });

  test('what is submitted is what the fields say, of those that count, and nothing wrong is ever sent', () => {
    fc.assert(
      fc.property(happenings, (all) => {
        let state = run(form, [put('arrival', '2027-02-14')]);
        for (const one of all) {
          const next = happen(state, one);
          if (next.sending.is === 'sending' && state.sending.is !== 'sending') {
            expect(next.sending.record).toEqual(recordOf(form, next, today));
            for (const id of ids) {
              const { counts, value, raw, flags } = evaluateInForm(form, next, id, today);
              expect(flags.valid).toBe(true);
              expect(id in next.sending.record.values).toBe(counts);
              if (counts)
                expect([next.sending.record.values[id], next.sending.record.raw[id]]).toEqual([value, raw]);
            }
          }
          state = next;
        }
      }),
      { numRuns: 300 },
    );
  });

  test('the server takes what the page would send, and nothing else', async () => {
    await fc.assert(
      fc.asyncProperty(happenings, async (all) => {
        const end = settled(
          run(warned, [put('arrival', '2027-02-14'), put('dog', 'no')], all.reduce(happen, startForm(form))),
        );
        const { raw } = recordOf(warned, end, today);
        const isRight = ids.every((id) => evaluateInForm(warned, end, id, today).flags.valid);
        const checked = await checkRecord(warned, raw, today, async ({ about }) => truth(about));
        expect(checked.ok).toBe(isRight);
        if (checked.ok) expect(checked.record).toEqual(recordOf(warned, end, today));
      }),
      { numRuns: 200 },
    );
  });

  test('what an event does not reach is read as before', () => {
    fc.assert(
      fc.property(happenings, (all) => {
        let state = startForm(form);
        for (const one of all) {
          if (!('type' in one)) {
            state = happen(state, one);
            continue;
          }
          const next = applyToForm(form, state, one, today);
          const reached = new Set(reachOf(form, state, one, next));
          for (const id of ids)
            if (!reached.has(id))
              expect(evaluateInForm(form, next, id, today)).toEqual(evaluateInForm(form, state, id, today));
          state = driven(next);
        }
      }),
      { numRuns: 150 },
    );
  });
});
