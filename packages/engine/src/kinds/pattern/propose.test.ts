import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { compileField } from '../../document/compile-field.ts';
import type { FieldDocument } from '../../document/document.ts';
import { readDocument } from '../../document/read-document.ts';
import { kinds } from '../registry.ts';
import { propose } from './propose.ts';

const fieldOf = (pattern: string) =>
  compileField(
    { id: 'f', kind: 'pattern', label: 'F', entry: { pattern } } as FieldDocument,
    { locale: 'en-GB' },
    kinds,
  );
/** What a field of the pattern makes of a text pasted into it. */
const shownIn = (pattern: string, text: string): string => {
  const { kind, plan } = fieldOf(pattern);
  const empty = kind.caretAtEnd(plan, kind.empty(plan));
  return kind.insert(plan, empty.body, empty.caret, empty.caret, text).body.display;
};
const first = (...examples: string[]) => {
  const proposed = propose(examples);
  return proposed.ok ? proposed.proposals.map(({ pattern }) => pattern) : proposed;
};

describe('a pattern from examples', () => {
  test.each([
    [['(555) 010-4477'], '(<3 digit>) <3 digit>-<4 digit>'],
    [['RH-5550-EF3', 'RH-0042-AB7'], 'RH-<4 digit>-<2 latin upper><digit>'],
    [['RH-5550-EF3'], '<2 latin upper>-<4 digit>-<2 latin upper><digit>'],
    [['12:30', '9:05'], '<1-2 digit>:<2 digit>'],
    [['(555) 010-4477', '(555) 010-4478 ext. 12'], '(<3 digit>) <3 digit>-<4 digit><? ext. <2 digit>>'],
    [['RH 1234', 'RH 1234 E'], 'RH <4 digit><? <latin upper>>'],
    [['RH 1', 'RK 22 E', 'RK 3 E'], '<2 latin upper> <1-2 digit><? <latin upper>>'],
    [['a4-7f', '3b-c2'], '<2 alnum lower>-<2 alnum lower>'],
    [['GB29 NWBK 6016', 'DE89 3704 0044'], '<2 latin upper><2 digit> <4 alnum upper> <4 digit>'],
    [['5<6', '7<8'], '<digit><<<digit>'],
    [['Ä-1', 'ß-2'], '<letter>-<digit>'],
    [['  12 ', '', '34'], '<2 digit>'],
  ])('%j is %s', (examples, pattern) => {
    expect(first(...examples)).toContain(pattern);
    expect((first(...examples) as string[])[0]).toBe(pattern);
  });

  test('what is the same everywhere can be taken either way', () => {
    expect(first('+44 7700 900123', '+44 7700 900456')).toEqual([
      '+<2 digit> <4 digit> <6 digit>',
      '+44 7700 <6 digit>',
    ]);
    expect(first('RH-1', 'RH-2')).toEqual(['RH-<digit>', '<2 latin upper>-<digit>']);
  });

  test('an example of another shape is named; none at all is none', () => {
    expect(first('12-34', '56/78')).toEqual({ ok: false, odd: '56/78' });
    expect(first()).toEqual([]);
    expect(first('--', '--')).toEqual({ ok: false, odd: '--' });
    expect(first('12', '12!')).toMatchObject({ ok: false });
  });

  test('every example is one of the pattern, and comes out of it as it went in', () => {
    const run = fc.oneof(
      fc.stringMatching(/^[0-9]{1,4}$/),
      fc.stringMatching(/^[A-Z]{1,3}$/),
      fc.stringMatching(/^[a-z]{1,3}$/),
    );
    const between = fc.constantFrom('-', ' ', '/', '.', ') ');
    const example = fc
      .tuple(run, fc.array(fc.tuple(between, run), { maxLength: 4 }))
      .map(([head, tail]) => head + tail.map(([sign, text]) => sign + text).join(''));
    fc.assert(
      fc.property(example, (text) => {
        const proposed = propose([text]);
        if (!proposed.ok) throw new RangeError(text);
        for (const { pattern } of proposed.proposals) expect(shownIn(pattern, text)).toBe(text);
      }),
      { numRuns: 400 },
    );
  });
  test('every pattern of several examples is a sound definition, and each of them comes out as it went in', () => {
    const word = fc.stringMatching(/^([0-9]{1,3}|[A-Z]{1,2})$/);
    const sign = fc.constantFrom(' ', '-', '. ', '!');
    const tail = fc.array(fc.tuple(sign, fc.option(word, { nil: '' })), { maxLength: 2 });
    fc.assert(
      fc.property(fc.array(fc.tuple(word, tail), { minLength: 1, maxLength: 3 }), (all) => {
        const examples = all.map(([head, rest]) => (head + rest.flat().join('')).trim());
        const proposed = propose(examples);
        if (!proposed.ok) return;
        for (const { pattern } of proposed.proposals) {
          const field = { id: 'f', kind: 'pattern', label: 'F', entry: { pattern } };
          const set = { arbeit: 2, title: 'T', locale: 'en-GB', fields: [field] };
          expect([pattern, readDocument(set, kinds)]).toMatchObject([pattern, { ok: true }]);
          for (const text of examples) expect([pattern, shownIn(pattern, text)]).toEqual([pattern, text]);
        }
      }),
      { numRuns: 600 },
    );
  });
});
