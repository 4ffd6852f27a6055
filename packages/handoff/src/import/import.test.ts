import { kinds } from '@arbeit/engine/kinds';
import { describe, expect, test } from 'vitest';
import { documentText } from '../document-text.ts';
import { recordSchema } from '../emit/record-schema.ts';
import { fromHtml } from './from-html.ts';
import { fromSchema } from './from-schema.ts';
import { demo, sound } from './seen.ts';
import { objectIn, sourceFormatOf } from './source-format.ts';

test('what a text is that is brought in', () => {
  expect(
    [
      documentText(demo),
      '{"$schema":"x","type":"object"}',
      '{"properties":{}}',
      '<form>',
      'Label <input name="a">',
      'a,b\n1,2',
      '{"a": 1}',
      '[1',
      JSON.stringify(recordSchema(demo, demo.forms![0]!, kinds).schema),
    ].map(sourceFormatOf),
  ).toEqual(['document', 'schema', 'schema', 'html', 'html', 'table', 'document', 'document', 'schema']);
});

/**
 * Text from outside that is made to be hard on its reader: the time is not measured, but each would not come
 * back in a test's if it were read in proportion to its square.
 */
describe('what is large or deep without end is read, or told', () => {
  const many = (count: number, one: (i: number) => string): string =>
    Array.from({ length: count }, (_, i) => one(i)).join('');

  test.each<[string, string, number]>([
    ['elements Nested too deeply', `${'<div>'.repeat(20_000)}<label>A<input name=a></label>`, 1],
    ['labels around labels of labels', `${'<label>x'.repeat(2000)}<input name=a>`, 1],
    [
      'one label for many',
      `<label for=a>${'long '.repeat(10_000)}</label>${many(300, () => '<input id=a>')}`,
      300,
    ],
    [
      'a fieldset of many groups',
      `<fieldset><legend>${'x'.repeat(50_000)}</legend>${many(300, (i) => `<input type=radio name=r${i}><input type=radio name=r${i} value=2>`)}`,
      300,
    ],
    ['options', `<select name=a>${many(5000, (i) => `<option>${i}`)}</select>`, 1],
    [
      'expressions that take long to prove',
      many(60, (i) => `<input name=a${i} pattern="[a-f]{${40 + i}}|[a-e]{${41 + i}}">`),
      60,
    ],
  ])('%s', (_, text, count) => {
    expect(sound(fromHtml(text)).fields.length).toBe(count);
  });

  test('more fields than a form has: the first come in, the rest is told', () => {
    const { set, lost } = fromHtml(many(1200, (i) => `<input name=a${i} onclick="x">`));
    expect(set.fields.length).toBe(1000);
    expect(lost[0]).toMatchObject({ where: '200 fields', why: expect.stringContaining('1000') });
    expect(lost.at(-1)?.why).toMatch(/^\d+ more/);
    expect(lost.length).toBe(501);
  });

  test('a schema of depth is refused by its place; one of two thousand losses tells each at once', () => {
    const deep = `{"properties":{"a":\n${'{"items":'.repeat(5000)}1${'}'.repeat(5000)}}}`;
    expect(objectIn(deep)).toMatch(/^Line 2, column \d+: .*nested too deeply/);
    const root = {
      properties: Object.fromEntries(
        Array.from({ length: 900 }, (_, i) => [`p${i}`, { type: 'string', format: 'odd' }]),
      ),
    };
    const { set, lost } = fromSchema(JSON.stringify(root, null, 1), root);
    expect(set.fields.length).toBe(900);
    expect(lost[7]?.place).toEqual({ line: 4 + 7 * 4 + 1, column: 14 });
  });
});
