import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { kindNames, sketch, sketchOf, sketchOfList } from '@arbeit/engine/prove';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { htmlPages } from './html-page.ts';
import { nativeField, takesWhole } from './native.ts';

const runs = {
  numRuns: Number(process.env.ARBEIT_RUNS ?? 15),
  seed: Number(process.env.ARBEIT_SEED ?? 20270210),
};
const setOf = (locale: string): SetDocument =>
  ({ arbeit: 2, title: 'Huts', locale, fields: [] }) as unknown as SetDocument;
const texts = fc.array(
  fc
    .array(fc.constantFrom(...'0123456789012345678901234567890123456789abfxAFXZ -./:()+,é漢٣７Ａ'), {
      maxLength: 16,
    })
    .map((list) => list.join('')),
  { minLength: 30, maxLength: 60 },
);

/**
 * What nobody thinks of: beside letters and digits the numbers that are none, what melts into its neighbour,
 * pictures, half flags, jamo.
 */
const strange = [
  ...'09afgzAFGZrRXé漢٣７０ｆＦＺ½Ⅷ -._/@#+‼😀☎\u0301\u200c\u200d\u200b\u{1f3fb}\u{1f1ec}각가각',
  'e\u0301',
];

/** A text with each of these in the place of each of its characters, and before it. */
const changedBy = (text: string, characters: readonly string[]): readonly string[] =>
  Array.from({ length: text.length + 1 }, (_, at) =>
    characters.flatMap((c) => [
      text.slice(0, at) + c + text.slice(at + 1),
      text.slice(0, at) + c + text.slice(at),
    ]),
  ).flat();

/**
 * What the field takes whole a page without scripts lets through; where both are said to be the same, nothing
 * else.
 */
function holds(definition: object, locale: string, some: readonly string[]): void {
  const { field, attributes, difference } = nativeField(
    { id: 'a', label: 'A', ...definition } as FieldDocument,
    setOf(locale),
    kinds,
  );
  const { pattern } = attributes;
  if (typeof pattern !== 'string') return;
  // HTML compiles it with the flag v, which the oldest Node.js in use reads wrongly: Chromium is asked in
  // `e2e/element.spec.ts`.
  const whole = new RegExp(`^(?:${pattern})$`, 'u');
  const { kind, plan } = field;
  const compare = (one: string): void => {
    if (takesWhole(field, one)) expect(whole.test(one), `${one} is taken, ${pattern}`).toBe(true);
    else if (difference.is === 'same') expect(whole.test(one), `${one} is refused, ${pattern}`).toBe(false);
  };
  let complete = '';
  for (const text of some) {
    const { body } = kind.parse(plan, text);
    // What the field makes of a text is what people copy and type.
    for (const one of [text, body.display, body.content, kind.raw(plan, body)]) compare(one);
    if (body.complete) complete = body.display;
  }
  for (const one of changedBy(complete, strange)) compare(one);
  if (difference.is === 'more') {
    expect(whole.test(difference.example)).toBe(true);
    expect(takesWhole(field, difference.example)).toBe(false);
  }
}

describe('a page without scripts refuses only what can never be right', () => {
  for (const kind of kindNames)
    test(kind, () => {
      fc.assert(
        fc.property(sketchOf(kind), texts, (drawn, some) => holds(drawn, drawn.locale, some)),
        runs,
      );
    });
  test('pattern', () => {
    fc.assert(
      fc.property(fc.oneof(sketch, sketchOfList), texts, (entry, some) =>
        holds({ kind: 'pattern', entry }, 'en-GB', some),
      ),
      runs,
    );
  });
});

test('the same as the definition, or an example of what is not', () => {
  const differenceOf = (pattern: string) =>
    nativeField(
      { id: 'a', label: 'A', kind: 'pattern', entry: { pattern } } as FieldDocument,
      setOf('en-GB'),
      kinds,
    ).difference;
  for (const pattern of ['<4 digit>', '<2 latin upper>-<4 digit>', '<2 "0-9A-F" upper>:<2 "0-9A-F" upper>'])
    expect(differenceOf(pattern)).toMatchObject({ is: 'same', states: expect.any(Number) });
  expect(differenceOf('<00..23>:<00..59>')).toMatchObject({ is: 'more' });
  const found = differenceOf('<2-4 digit>-<2 digit>');
  expect(found).toEqual({ is: 'more', example: '99:99' });
});

test('attributes follow from the definition, and a rule that may not count holds nobody back', () => {
  const rules = (...checks: object[]) => checks.map((check, i) => ({ id: `r${i}`, check }));
  const attributesOf = (definition: object) =>
    nativeField(
      { id: 'a', label: 'A', kind: 'text', entry: {}, ...definition } as FieldDocument,
      setOf('en-GB'),
      kinds,
    ).attributes;
  expect(attributesOf({ rules: rules({ type: 'required' }, { type: 'length', min: 3, max: 9 }) })).toEqual({
    required: true,
    minlength: '3',
  });
  expect(
    attributesOf({ rules: [{ id: 'r', check: { type: 'required' }, when: { field: 'b', is: true } }] }),
  ).toEqual({});
  expect(attributesOf({ when: { field: 'b', is: true }, rules: rules({ type: 'required' }) })).toEqual({});
  expect(attributesOf({ rules: [{ id: 'r', check: { type: 'required' }, severity: 'warning' }] })).toEqual(
    {},
  );
  expect(attributesOf({ kind: 'phone', entry: { home: 'GB' }, html: { readonly: true, autofocus: false } })).toMatchObject({
    type: 'tel', inputmode: 'tel', autocomplete: 'tel', readonly: true, pattern: expect.any(String),
  }); // biome-ignore format: attributes
});

test('texts of a document stay texts in HTML', () => {
  const evil = '"><script>alert(1)</script>\n\u2028&';
  const set = {
    arbeit: 2, title: evil, locale: 'en-GB',
    fields: [
      { id: 'a', kind: 'text', label: evil, hint: evil, placeholder: evil, entry: {} },
      { id: 'b', kind: 'choice', label: evil, entry: { options: [{ value: '"x', label: evil }, { value: 'y', label: 'Y' }] } },
      { id: 'c', kind: 'choices', label: evil, entry: { options: [{ value: 'x', label: evil }, { value: 'y', label: 'Y' }] } },
    ],
  } as unknown as SetDocument; // biome-ignore format: a field a line
  for (const hasElements of [true, false]) {
    const [page] = htmlPages(set, kinds, hasElements ? 'arbeit' : undefined);
    expect(page!.text.match(/<script/g) ?? []).toHaveLength(hasElements ? 1 : 0);
    expect(page!.text).not.toContain('alert(1)</script>');
    expect(page!.text).toContain('&#34;&#62;&#60;script&#62;alert(1)&#60;/script&#62; &#38;');
  }
});
