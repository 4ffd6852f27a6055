import { expect, test } from 'vitest';
import { compileField, type FieldDocument } from '../../document/index.ts';
import { apply, keysOf, start } from '../../field/apply.ts';
import { kinds } from '../registry.ts';

const open = (entry: object) =>
  ({
    ...compileField(
      { id: 'a', kind: 'duration', label: 'A', entry } as unknown as FieldDocument,
      { locale: 'en-GB' },
      kinds,
    ),
    checks: {},
  }) as const;

test('a point whose hours are gone is no number to go up from', () => {
  const field = open({});
  for (const text of ['.h', '1.']) {
    let state = apply(field, start(field), { type: 'autofill', text: '.h' });
    if (text === '1.') {
      state = keysOf(text).reduce((now, key) => apply(field, now, key), start(field));
      state = apply(field, apply(field, state, { type: 'select', start: 0, end: 1 }), { type: 'cut' });
    }
    const { content, display } = apply(field, state, { type: 'up' }).body;
    expect(content + display).not.toMatch(/NaN/);
  }
});

test('a bare number of more hours than fit is refused, not continued as minutes', () => {
  const field = open({ bare: 'h' });
  const typed = keysOf('1000').reduce((now, key) => apply(field, now, key), start(field));
  const pasted = apply(field, start(field), { type: 'paste', text: '1000' });
  expect([typed.body.content, typed.rejected]).toEqual(['100h', 'full']);
  expect([pasted.body.content, pasted.rejected, pasted.leftOut]).toEqual(['', 'not-accepted', '1000']);
});
