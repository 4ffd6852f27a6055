import type { FieldDocument } from '@arbeit/engine/document';
import { compileField } from '@arbeit/engine/document';
import { apply, evaluate, start } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import fc from 'fast-check';
import { describe, expect, test, vi } from 'vitest';
import { evaluateOn, localToday } from './clock.ts';
import { dropIn, dropped } from './drag.ts';
import { eventFor } from './input-types.ts';
import { changeOf, replaced } from './replaced.ts';
import { createStore } from './store.ts';
import '../../../scripts/seed.ts';

const fieldOf = (kind: string, entry: object, rules: FieldDocument['rules'] = []) =>
  compileField({ id: 'f', kind, label: 'F', entry, rules } as FieldDocument, { locale: 'en-GB' }, kinds);
const digits = fieldOf('pattern', { pattern: '<2 digit>-<4 digit>' });

describe('the clock', () => {
  test.each([
    [new Date(2027, 0, 5, 23, 59), '2027-01-05'],
    [new Date(2027, 11, 31, 0, 0), '2027-12-31'],
    [new Date(2028, 1, 29, 12, 0), '2028-02-29'],
    [new Date(2027, 9, 1), '2027-10-01'],
  ])('%s is %s', (now, today) => expect(localToday(now)).toBe(today));

  test('a fixed day stands, without one it is the device’s', () => {
    const field = fieldOf('date', {}, [{ id: 'r', check: { type: 'range', min: 'today' } }]);
    const state = apply(field, start(field), { type: 'set', text: '2027-02-14' });
    const verdictOn = (today?: string) => evaluateOn(today)(field, state).findings[1]!.verdict;
    vi.useFakeTimers({ now: new Date(2027, 1, 14, 8) });
    expect([verdictOn('2027-02-15'), verdictOn('2027-02-14'), verdictOn()]).toEqual(['fail', 'pass', 'pass']);
    vi.setSystemTime(new Date(2027, 1, 15, 8));
    expect(verdictOn()).toBe('fail');
    vi.useRealTimers();
  });
});

describe('the store', () => {
  test('tells of changes alone', () => {
    const store = createStore(digits, evaluate);
    const told: string[] = [];
    const stop = store.subscribe((_, event) => told.push(event?.type ?? 'restored'));
    store.dispatch({ type: 'backspace' });
    store.dispatch({ type: 'select', start: 0, end: 0 });
    store.restore(store.state());
    expect(told).toEqual([]);
    store.dispatch({ type: 'key', text: '1' });
    store.restore(start(digits));
    stop();
    store.dispatch({ type: 'key', text: '2' });
    expect(told).toEqual(['key', 'restored']);
  });

  test('tells each event with the state of its own, in order, also when a listener dispatches', () => {
    const store = createStore(digits, evaluate);
    const first: string[] = [];
    const second: string[] = [];
    store.subscribe((state, event) => {
      first.push(`${event?.type} ${state.body.display}`);
      if (event?.type === 'key') store.dispatch({ type: 'paste', text: '9' });
    });
    store.subscribe((state, event) => second.push(`${event?.type} ${state.body.display}`));
    store.dispatch({ type: 'key', text: '1' });
    expect(first).toEqual(['key 1', 'paste 19']);
    expect(second).toEqual(first);
  });

  test('a listener that throws keeps the others from nothing', () => {
    const store = createStore(digits, evaluate);
    const heard: string[] = [];
    store.subscribe(() => {
      throw new Error('mine');
    });
    store.subscribe((state) => heard.push(state.body.display));
    expect(() => store.dispatch({ type: 'key', text: '1' })).toThrow('mine');
    expect(() => store.dispatch({ type: 'key', text: '2' })).toThrow('mine');
    expect([heard, store.state().body.display]).toEqual([['1', '12'], '12']);
  });

  test('a value handed back as it was told changes nothing', () => {
    const store = createStore(digits, evaluate);
    store.dispatch({ type: 'paste', text: '1234' });
    const at = store.dispatch({ type: 'select', start: 1, end: 1 });
    expect(store.dispatch({ type: 'set', text: '1234' })).toBe(at);
    expect(store.dispatch({ type: 'set', text: '' }).body.display).toBe('');
  });
});

describe('what the browser announces', () => {
  const full = apply(digits, apply(digits, start(digits), { type: 'focus' }), {
    type: 'paste',
    text: '123456',
  });
  const done = (inputType: string, from: number, to = from, data: string | null = null) => {
    let state = apply(digits, full, { type: 'select', start: from, end: to });
    const events = eventFor({ inputType, data, dataTransfer: null } as InputEvent, state);
    for (const event of events ?? []) state = apply(digits, state, event);
    return events ? state.body.display : undefined;
  };
  test.each<[string, number, number, string | undefined]>([
    ['deleteSoftLineBackward', 3, 3, '34-56'],
    ['deleteHardLineBackward', 4, 4, '45-6'],
    ['deleteSoftLineForward', 3, 3, '12'],
    ['deleteSoftLineForward', 1, 1, '1'],
    ['deleteEntireSoftLine', 1, 3, undefined],
    ['deleteWordForward', 0, 0, '34-56'],
    ['deleteWordForward', 3, 3, '12'],
    ['deleteWordForward', 1, 4, '14-56'],
    ['deleteWordBackward', 7, 7, '12'],
    ['deleteContentForward', 2, 2, '12-456'],
    ['deleteByCut', 0, 2, '34-56'],
    ['formatBold', 0, 0, undefined],
  ])('%s at %i to %i', (inputType, from, to, display) => expect(done(inputType, from, to)).toBe(display));
});

describe('a range that is known to have been replaced', () => {
  test('is told by that range, however much looks the same', () => {
    fc.assert(
      fc.property(
        fc.string({ maxLength: 12 }),
        fc.nat(12),
        fc.nat(12),
        fc.string({ maxLength: 8 }),
        (text, a, b, put) => {
          const [start, end] = [Math.min(a, b, text.length), Math.min(Math.max(a, b), text.length)];
          const now = text.slice(0, start) + put + text.slice(end);
          expect(replaced({ text, start, end }, now)).toEqual({ start, end, text: put });
        },
      ),
    );
  });
  test('something else that changed is no such thing', () => {
    expect(replaced({ text: '12-34', start: 1, end: 2 }, '92-34')).toBeUndefined();
    expect(changeOf({ text: '12-34', start: 1, end: 2 }, '12-34', '92-34', 1)).toEqual({
      start: 0,
      end: 1,
      text: '9',
    });
    expect(changeOf(null, '20/03/2027', '2027-02-14', 10).text).not.toBe('2027-02-14');
  });
});

test.each<[number, number, number, string]>([
  [0, 2, 5, '34-5612'],
  [3, 7, 0, '34-5612'],
  [0, 1, 1, '21-3456'],
  [6, 7, 2, '12-6345'],
  [1, 4, 1, '12-3456'],
])('text from %i to %i dropped at %i of the rest', (from, to, at, display) => {
  let state = apply(digits, apply(digits, start(digits), { type: 'focus' }), {
    type: 'paste',
    text: '123456',
  });
  const range = { text: state.body.display, start: from, end: to };
  for (const event of dropped(digits, state.body, range, { at, isMove: true }))
    state = apply(digits, state, event);
  expect(state.body.display).toBe(display);
});

test.each([
  // Where browsers have the selection afterwards: at the text, behind it, where it was before.
  ['moved', '12-3456', [0, 1], '2-31456', [3, 4], { at: 3, isMove: true }],
  ['moved, the caret behind it', '12-3456', [0, 1], '2-31456', [4, 4], { at: 3, isMove: true }],
  ['copied', '12-3456', [0, 1], '12-31456', [4, 5], { at: 4, isMove: false }],
  ['copied, nothing said of where', '12-3456', [0, 1], '12-31456', [null, null], { at: 4, isMove: false }],
  ['one of two equal places', '11-1111', [0, 1], '11-11111', [5, 6], { at: 5, isMove: false }],
  ['put back where it was', '12-3456', [3, 5], '12-3456', [3, 5], { at: 3, isMove: true }],
  ['moved, a part of it taken out', '12-3456', [3, 5], '12-3563', [6, 7], undefined],
  ['moved behind, a part of it taken out', '12-3456', [3, 5], '12-35634', [6, 8], { at: 5, isMove: true }],
  ['moved before, a part of it taken out', '12-3456', [3, 5], '3412-456', [0, 2], { at: 0, isMove: true }],
  ['something else', '12-3456', [0, 1], '12-345', [3, 3], undefined],
  ['of that length, something else', '12-3456', [0, 1], '99-9999', [3, 3], undefined],
] as const)('where a text was dropped: %s', (_, text, [start, end], now, selection, drop) => {
  expect(dropIn({ text, start, end }, now, selection)).toEqual(drop);
});
