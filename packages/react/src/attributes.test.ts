import { compileField } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { expect, test } from 'vitest';
import { attributesOf } from './attributes.ts';

test('attributes as React spells them; a required error is told to assistive technology', () => {
  const field = compileField(
    {
      id: 'a', kind: 'pattern', label: 'A', placeholder: '12', entry: { pattern: '<2 digit>' },
      html: { inputmode: 'tel', autocomplete: 'one-time-code', readonly: true, lang: 'de' },
      rules: [{ id: 'r', check: { type: 'required' } }],
    }, // biome-ignore format: a field on a few lines
    { locale: 'en-GB' },
    kinds,
  );
  expect(attributesOf(field)).toEqual({
    type: 'text',
    inputMode: 'tel',
    autoComplete: 'one-time-code',
    readOnly: true,
    lang: 'de',
    dir: 'ltr',
    placeholder: '12',
    'aria-required': true,
  });
});
