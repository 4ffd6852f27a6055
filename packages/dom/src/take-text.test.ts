import { apply, type FieldEvent, type FieldState, start } from '@arbeit/engine/field';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { fieldOf } from './adapters.fixture.ts';
import { evaluateOn } from './clock.ts';
import { createStore, type FieldStore } from './store.ts';
import { takeText } from './take-text.ts';
import '../../../scripts/seed.ts';

const live = (id: string, text = ''): FieldStore => {
  const store = createStore(fieldOf(id), evaluateOn('2027-02-10'));
  store.dispatch({ type: 'focus' });
  if (text) store.dispatch({ type: 'set', text });
  return store;
};
const at = (store: FieldStore, from: number, to = from): FieldStore => {
  store.dispatch({ type: 'select', start: from, end: to });
  return store;
};
const seen = (store: FieldStore) => {
  const { body, start, end } = store.state();
  return [body.display, start, end];
};

/** What a text control of a mobile platform does by itself with a key or an insertion. */
function edited({ body, start, end }: FieldState, event: FieldEvent): { text: string; caret: number } {
  const { display } = body;
  if (event.type === 'insert')
    return {
      text: display.slice(0, start) + event.text + display.slice(end),
      caret: start + event.text.length,
    };
  const isForward = event.type === 'delete';
  const from = start < end || isForward ? start : Math.max(0, start - 1);
  const to = start < end ? end : isForward ? Math.min(display.length, start + 1) : start;
  return { text: display.slice(0, from) + display.slice(to), caret: from };
}

describe('the text of a control that reports its edits afterwards', () => {
  test('is the edit at the selection, even between equal characters', () => {
    const store = at(live('pass', '113'), 4);
    takeText(store, { text: 'RH-1113' });
    expect(seen(store)).toEqual(['RH-1113', 5, 5]);
    takeText(store, { text: 'RH-113' });
    expect(seen(store)).toEqual(['RH-113', 4, 4]);
  });

  test('is the edit before the caret moved, if the notice about the caret came first', () => {
    const store = at(live('pass', '113'), 4);
    at(store, 5);
    takeText(store, { text: 'RH-1113', noticed: { start: 4, end: 4, caret: 5 } });
    expect(seen(store)).toEqual(['RH-1113', 5, 5]);
    at(store, 4);
    takeText(store, { text: 'RH-113', noticed: { start: 5, end: 5, caret: 4 } });
    expect(seen(store)).toEqual(['RH-113', 4, 4]);
  });

  test('removes what is before fixed text, and keeps what the field refuses out', () => {
    const store = at(live('price', '1234'), 3);
    takeText(store, { text: '£1234' });
    expect(seen(store)).toEqual(['£234', 1, 1]);
    takeText(store, { text: '£x234' });
    expect(seen(store)).toEqual(['£234', 1, 1]);
  });

  test('is a suggestion that replaces a word elsewhere than at the caret', () => {
    const store = live('remarks', 'teh hut');
    at(store, 7);
    takeText(store, { text: 'the hut' });
    expect(store.evaluation().raw).toBe('the hut');
  });

  test('is filled in if it replaces all that was there', () => {
    const store = live('phone', '+442079460958');
    takeText(store, { text: '+33 1 99 00 12 34' });
    expect(store.evaluation().raw).toBe('+33199001234');
  });

  test('says where the control has its caret', () => {
    expect(takeText(live('pass'), { text: '1' })).toBe(1);
    expect(takeText(at(live('pass', '12'), 4), { text: 'RH-912' })).toBe(5);
    expect(takeText(live('pass', '12'), { text: 'RH-12', caret: 2 })).toBe(2);
  });

  test('leaves the field as the same edit does that is announced', () => {
    const ids = ['pass', 'nights', 'remarks', 'arrival', 'called', 'phone', 'price', 'pin'];
    const insert = fc
      .oneof(
        fc.constantFrom(...'0123456789', 'a', ' ', '.', '-', '/'),
        fc.constantFrom('12', '14.02.2027', '+44 20'),
      )
      .map((text): FieldEvent => ({ type: 'insert', text }));
    const edit = fc.oneof(insert, fc.constantFrom<FieldEvent>({ type: 'backspace' }, { type: 'delete' }));
    const step = fc.record({ edit, place: fc.option(fc.tuple(fc.nat(14), fc.nat(3)), { nil: null }) });
    fc.assert(
      fc.property(
        fc.constantFrom(...ids),
        fc.array(step, { maxLength: 12 }),
        fc.boolean(),
        (id, steps, caretFirst) => {
          const store = live(id);
          let expected = start(store.field);
          const both = (event: FieldEvent): void => {
            expected = apply(store.field, expected, event);
            store.dispatch(event);
          };
          expected = apply(store.field, expected, { type: 'focus' });
          for (const { edit, place } of steps) {
            if (place) both({ type: 'select', start: place[0], end: place[0] + place[1] });
            const now = store.state();
            const { text, caret } = edited(now, edit);
            expected = apply(store.field, expected, edit);
            const { display } = now.body;
            // Between equal characters nothing tells which key it was. What changes nothing is not reported.
            const isEither = edit.type === 'delete' && display[now.start - 1] === display[now.start];
            if (text === display || isEither) {
              store.restore(expected);
              continue;
            }
            if (caretFirst) store.dispatch({ type: 'select', start: caret, end: caret });
            takeText(store, {
              text,
              noticed: caretFirst ? { start: now.start, end: now.end, caret } : undefined,
            });
            const { body, start, end } = store.state();
            expect([id, body.content, body.display]).toEqual([
              id,
              expected.body.content,
              expected.body.display,
            ]);
            expect([body.display, start, end]).toEqual([body.display, expected.start, expected.end]);
          }
        },
      ),
      { numRuns: 1500 },
    );
  });
});
