// @vitest-environment happy-dom

import { expect, test } from 'vitest';
import { type, walks } from './adapters.fixture.ts';
import { bind } from './bind.ts';
import { createFormStore } from './form-store.ts';

test('plain inputs of fields that share a value show what is typed into each other', () => {
  const store = createFormStore(walks, '2027-02-10');
  const [walk, minutes] = ['walk', 'minutes'].map((id) => {
    const input = document.body.appendChild(document.createElement('input'));
    bind(input, store.field(id));
    return input;
  });
  type(walk!, '1 h 5');
  expect([walk!.value, minutes!.value]).toEqual(['1 h 5 min', '65 min']);
  minutes!.focus();
  minutes!.select();
  type(minutes!, '90');
  expect([walk!.value, minutes!.value]).toEqual(['1 h 30 min', '90 min']);
  expect([minutes!.selectionStart, minutes!.selectionEnd]).toEqual([2, 2]);
});
