import { describe, expect, test } from 'vitest';
import { fieldOf } from './adapters.fixture.ts';
import { boxesOf, groupsOf } from './boxes.ts';
import { evaluateOn } from './clock.ts';
import { createStore, type FieldStore } from './store.ts';

describe('the boxes of a code', () => {
  const drawn = (store: FieldStore, isConcealed = false) =>
    boxesOf(store, isConcealed)
      .flat()
      .map(({ text, isActive, isSelected }) => `${text}${isActive ? '|' : ''}${isSelected ? '#' : ''}`);
  const typed = (text: string): FieldStore => {
    const store = createStore(fieldOf('pin'), evaluateOn());
    store.dispatch({ type: 'focus' });
    for (const key of text) store.dispatch({ type: 'key', text: key });
    return store;
  };

  test.each([
    ['', ['|', '', '', '']],
    ['4', ['4', '|', '', '']],
    ['481', ['4', '8', '1', '|']],
    // A full code has no empty box for the caret.
    ['4815', ['4', '8', '1', '5|']],
  ])('after typing %j the active box is at the caret', (text, boxes) => {
    expect(drawn(typed(text))).toEqual(boxes);
  });

  test('selected boxes, and dots for a concealed code', () => {
    const store = typed('481');
    store.dispatch({ type: 'select', start: 1, end: 3 });
    expect(drawn(store, true)).toEqual(['•', '•|#', '•#', '']);
  });

  test('no box is active or selected without the focus', () => {
    const store = typed('481');
    store.dispatch({ type: 'select', start: 0, end: 2 });
    store.dispatch({ type: 'leave' });
    expect(drawn(store)).toEqual(['4', '8', '1', '']);
  });

  test('other fields have none', () => {
    expect([groupsOf(fieldOf('pin')), groupsOf(fieldOf('pass'))]).toEqual([[4], []]);
    expect(boxesOf(createStore(fieldOf('pass'), evaluateOn()), false)).toEqual([]);
  });
});
