import { compile, readDocument } from '@arbeit/engine/document';
import type { Answer } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { type AskElsewhere, driveFormAsks } from './asking.ts';
import { createFormStore } from './form-store.ts';
import { driveSending } from './sending.ts';

const passes = (on: 'leave' | 'pause') => {
  const result = readDocument(
    {
      arbeit: 2,
      title: 'Passes',
      locale: 'en-GB',
      fields: [
        {
          id: 'pass',
          kind: 'pattern',
          label: 'Pass',
          entry: { pattern: '<2 digit>' },
          rules: [{ id: 'known', check: { type: 'remote', ask: '/passes', timeout: 1000, on } }],
        },
        { id: 'other', kind: 'text', label: 'Other', entry: {} },
      ],
      forms: [{ id: 'passes', fields: ['pass', 'other'] }],
    },
    kinds,
  );
  if (!result.ok) throw new RangeError(JSON.stringify(result.faults));
  return compile(result.document, kinds).forms[0]!;
};

/** A server whose answers come when the test says so, in any order. */
function scene(on: 'leave' | 'pause') {
  const store = createFormStore(passes(on), '2027-02-10');
  const asked: string[] = [];
  const answers: ((answer: Answer) => void)[] = [];
  const ask: AskElsewhere = ({ value }) => {
    asked.push(value);
    return new Promise((resolve) => answers.push(resolve));
  };
  const stop = driveFormAsks(store, ask);
  const pass = store.field('pass');
  const type = (text: string): void => {
    pass.dispatch({ type: 'focus' });
    for (const one of text) pass.dispatch({ type: 'key', text: one });
  };
  return { store, pass, asked, answers, type, stop };
}

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());
const settle = () => vi.advanceTimersByTimeAsync(1);

test('asked on leaving, once, and told by the answer', async () => {
  const { pass, asked, answers, type } = scene('leave');
  type('41');
  await vi.advanceTimersByTimeAsync(2000);
  expect(asked).toEqual([]);
  pass.dispatch({ type: 'leave' });
  expect([asked, pass.evaluation().flags.pending]).toEqual([['41'], true]);
  answers[0]!({ verdict: 'fail', code: 'expired' });
  await settle();
  expect(pass.evaluation()).toMatchObject({ shown: [{ code: 'expired' }], flags: { pending: false } });
  pass.dispatch({ type: 'focus' });
  pass.dispatch({ type: 'leave' });
  expect(asked).toEqual(['41']);
});

test('asked on a pause once nothing has been typed for a while, never of half a value', async () => {
  const { pass, asked, type } = scene('pause');
  type('4');
  await vi.advanceTimersByTimeAsync(1000);
  expect(asked).toEqual([]);
  type('1');
  await vi.advanceTimersByTimeAsync(200);
  pass.dispatch({ type: 'backspace' });
  type('2');
  await vi.advanceTimersByTimeAsync(300);
  expect(asked).toEqual([]);
  await vi.advanceTimersByTimeAsync(200);
  expect(asked).toEqual(['42']);
});

test('an answer that overtakes another says nothing of what is typed now', async () => {
  const { pass, asked, answers, type } = scene('leave');
  type('41');
  pass.dispatch({ type: 'leave' });
  pass.dispatch({ type: 'set', text: '42' });
  expect(asked).toEqual(['41', '42']);
  answers[1]!({ verdict: 'pass' });
  await settle();
  answers[0]!({ verdict: 'fail', code: 'expired' });
  await settle();
  expect(pass.evaluation()).toMatchObject({ shown: [], flags: { valid: true, pending: false } });
});

test('nobody answers in time, or the server throws: unreachable, and asked again on request', async () => {
  const { pass, asked, type, store, stop: stopFirst } = scene('leave');
  type('41');
  pass.dispatch({ type: 'leave' });
  await vi.advanceTimersByTimeAsync(1100);
  expect(pass.evaluation().shown.map(({ code }) => code)).toEqual(['unreachable']);
  pass.dispatch({ type: 'ask-again' });
  expect([asked.length, pass.evaluation().shown]).toEqual([2, []]);
  stopFirst();
  const stop = driveFormAsks(store, () => Promise.reject(new Error('away')));
  pass.dispatch({ type: 'set', text: '43' });
  await settle();
  expect(pass.evaluation().shown.map(({ code }) => code)).toEqual(['unreachable']);
  stop();
});

test('stopped, it asks nothing and hands in nothing', async () => {
  const { pass, asked, answers, type, stop } = scene('leave');
  type('41');
  pass.dispatch({ type: 'leave' });
  stop();
  answers[0]!({ verdict: 'fail', code: 'expired' });
  await settle();
  pass.dispatch({ type: 'set', text: '42' });
  await vi.advanceTimersByTimeAsync(2000);
  expect([asked, pass.evaluation().shown]).toEqual([['41'], []]);
});

test('what was asked when it was stopped is asked again by whoever drives it next', () => {
  const { store, pass, type, stop } = scene('leave');
  type('41');
  pass.dispatch({ type: 'leave' });
  stop();
  const asked: string[] = [];
  driveFormAsks(store, async ({ value }) => {
    asked.push(value);
    return { verdict: 'pass' };
  });
  expect(asked).toEqual(['41']);
});

test('several rules of a field ask once each, whoever begins to drive it and on a pause too', async () => {
  for (const on of ['leave', 'pause'] as const) {
    const rule = (id: string) => ({ id, check: { type: 'remote', ask: `/${id}`, on } });
    const result = readDocument(
      {
        arbeit: 2,
        title: 'Passes',
        locale: 'en-GB',
        fields: [
          {
            id: 'pass',
            kind: 'pattern',
            label: 'Pass',
            entry: { pattern: '<2 digit>' },
            rules: [rule('known'), rule('paid'), rule('here')],
          },
        ],
        forms: [{ id: 'f', fields: ['pass'] }],
      },
      kinds,
    );
    if (!result.ok) throw new RangeError(JSON.stringify(result.faults));
    const store = createFormStore(compile(result.document, kinds).forms[0]!, '2027-02-10');
    const pass = store.field('pass');
    pass.dispatch({ type: 'focus' });
    pass.dispatch({ type: 'set', text: '41' });
    if (on === 'leave') pass.dispatch({ type: 'leave' });
    const asked: string[] = [];
    const stop = driveFormAsks(store, ({ rule: id }) => {
      asked.push(id);
      return new Promise(() => undefined);
    });
    await vi.advanceTimersByTimeAsync(500);
    expect(asked.sort()).toEqual(['here', 'known', 'paid']);
    stop();
  }
});

test('a submit waits for the answer, is sent once, and the server’s word stands at its field', async () => {
  const { store, pass, answers, type } = scene('leave');
  const sent: unknown[] = [];
  let word: (findings: readonly { field: string; code: string; message: string }[]) => void = () => undefined;
  driveSending(store, (record) => {
    sent.push(record.values);
    return new Promise((resolve) => {
      word = resolve;
    });
  });
  type('42');
  store.dispatch({ type: 'submit' });
  store.dispatch({ type: 'submit' });
  expect(sent).toEqual([]);
  answers[0]!({ verdict: 'pass' });
  await settle();
  store.dispatch({ type: 'submit' });
  expect(sent).toEqual([{ pass: '42', other: null }]);
  word([{ field: 'pass', code: 'taken', message: 'Taken.' }]);
  await settle();
  expect([store.state().sending, pass.evaluation().shown[0]?.message]).toEqual([
    { is: 'no', wrong: 'pass' },
    'Taken.',
  ]);
});

test('a reset while it is sent: what comes back is about nothing any more', async () => {
  const { store } = scene('leave');
  let fail: () => void = () => undefined;
  driveSending(
    store,
    () =>
      new Promise((_, no) => {
        fail = () => no(new Error('away'));
      }),
  );
  store.dispatch({ type: 'submit' });
  expect(store.state().sending.is).toBe('sending');
  store.dispatch({ type: 'reset' });
  fail();
  await settle();
  expect(store.state().sending).toEqual({ is: 'no' });
});
