import { compileField } from '@arbeit/engine/document';
import { evaluate, keysOf } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import { expect, test } from 'vitest';
import { share } from './share.ts';
import { createStore } from './store.ts';

test('a refused value is taken out of the field and of every copy at once, and undo brings it back to both', () => {
  const pin = (id: string, refused?: 'clear') =>
    compileField(
      {
        id,
        kind: 'pin',
        label: id,
        entry: {},
        rules: [{ id: 'easy', check: { type: 'not-trivial' }, ...(refused ? { refused } : {}) }],
      },
      { locale: 'en-GB' },
      kinds,
    );
  const own = createStore(pin('own', 'clear'), evaluate);
  const copy = createStore(pin('copy'), evaluate);
  share([own, copy]);
  own.dispatch({ type: 'focus' });
  for (const event of keysOf('1234')) own.dispatch(event);
  expect(copy.evaluation().raw).toBe('1234');
  own.dispatch({ type: 'leave' });
  expect([own.evaluation().raw, copy.evaluation().raw]).toEqual(['', '']);
  expect(own.evaluation().shown.map(({ code }) => code)).toEqual(['trivial']);
  own.dispatch({ type: 'undo' });
  expect([own.evaluation().raw, copy.evaluation().raw]).toEqual(['1234', '1234']);
});
