import { expect, test } from 'vitest';
import { compileField, type FieldDocument } from '../document/index.ts';
import { apply, start } from '../field/apply.ts';
import { kinds } from './registry.ts';

// Whole texts that a field cannot contain are refused, and reported in full. They are never squeezed into
// another value, not even with a rest that is reported.
test.each<[kind: string, entry: object, locale: string, texts: readonly string[]]>([
  ['time', { clock: 24 }, 'en-GB', ['12:60', '24:35', '25:00', '12:345', '123:45', '12:5:60', '14:75', '1:2:3:4', '99:99']],
  ['time', { clock: 12 }, 'en-US', ['13:60 pm', '0:75 am', '14:30 am', '8:10 Amsterdam', '8:10 spam', '8:10 Pmx']],
  ['time', { clock: 12 }, 'ms-MY', ['8:10 malamku', '8:10 xpagi']],
  ['time', { clock: 24, seconds: true }, 'en-GB', ['12:60:00', '12:30:61', '24:00:01']],
  ['date', {}, 'en-GB', ['31/13/2027', '32/01/2027', '14/02/20277', '12/2027', '2027-045', '30 Feb 2027', '14/02', '0/0/2027']],
  ['date', {}, 'de-DE', ['31.13.2027', '32.1.2027', '14.2.', '30. Februar 2027']],
  ['date', { parts: 'month' }, 'en-GB', ['13/2027', '00/2027', '2027-13', '02/20277']],
  ['date-time', {}, 'en-GB', ['14/02/2027 12:60', '14/02/2027 24:35', '32/02/2027 12:00', '14/02/2027 12', '12:00']],
  ['duration', {}, 'en-GB', ['1:75', '1 h 2 h', '30 min 1 h']],
])('%s %j %s', (kind, entry, locale, texts) => {
  const document = { id: 'f', kind, label: 'F', entry } as unknown as FieldDocument;
  const field = compileField(document, { locale }, kinds);
  const read = texts.map((text) => {
    const { body, leftOut, rejected } = apply(field, start(field), { type: 'paste', text });
    return [text, body.content, leftOut.replace(/[^\p{L}\p{N}]/gu, ''), rejected];
  });
  expect(read).toEqual(texts.map((text) => [text, '', text.replace(/[^\p{L}\p{N}]/gu, ''), 'not-accepted']));
}); // biome-ignore format: a table
