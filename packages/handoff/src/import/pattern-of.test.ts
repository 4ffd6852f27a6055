import { compile, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { valueTypesOf } from '@arbeit/engine/value-types';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { patternOf } from './pattern-of.ts';
import { seed } from './seen.ts';

describe('a regular expression as a pattern', () => {
  test.each([
    ['\\d{4}', '<4 digit>'],
    ['[A-Z]{2}-\\d{4}', '<2 latin upper>-<4 digit>'],
    ['\\(\\d{3}\\) \\d{3}-\\d{4}', '(<3 digit>) <3 digit>-<4 digit>'],
    ['RH-[0-9]{4}-[A-Z]{2}[0-9X]', 'RH-<4 digit>-<2 latin upper><"0-9X" upper>'],
    ['(?:[01]\\d|2[0-3]):[0-5]\\d', '<00..23>:<00..59>'],
    ['(0[1-9]|1[0-2])/\\d{2}', '<01..12>/<2 digit>'],
    [
      '[0-9a-f]{2}(:[0-9a-f]{2}){5}',
      '<2 "0-9a-f" lower>:<2 "0-9a-f" lower>:<2 "0-9a-f" lower>:<2 "0-9a-f" lower>:<2 "0-9a-f" lower>:<2 "0-9a-f" lower>',
    ],
    ['\\d{4}( ext\\. \\d{1,5})?', '<4 digit><? ext. <1-5 digit>>'],
    ['[a-zA-Z]\\d?', '<latin><0-1 digit>'],
    ['(AM|PM)', '<AM|PM>'],
    ['a<\\d', 'a<<<digit>'],
    ['[-+]\\d', '<"-+"><digit>'],
    ['\\d\\d\\d', '<3 digit>'],
    ['\\d{1,3}\\d', '<2-4 digit>'],
    ['\\d\\d?\\d?', '<1-3 digit>'],
    // What ends a part of varying length is told by what follows.
    ['[A-Z]{1,2}\\d{1,4}', '<1-2 latin upper><1-4 digit>'],
    ['\\d{4}[ -]?\\d{4}', '<4 digit><0-1 "- "><4 digit>'],
    ['(?:\\+41|0)\\d{9}', '<+41|0><9 digit>'],
    ['(red|green) \\d', '<red|green> <digit>'],
  ])('%s is %s', (source, pattern) => {
    expect(patternOf(source)).toEqual({ is: 'exact', pattern });
  });

  test.each([
    ['\\d+', 'unlimited-repetition'],
    ['(?=.*\\d).{3}', 'look-ahead'],
    ['.{3}', 'negated-class'],
    ['\\p{Lu}\\d', 'unicode-property'],
    ['(ab|cd ef)', 'words-with-signs'],
    ['(\\d{2}){2,5}', 'varying-group'],
    ['[^a]', 'negated-class'],
    ['(a', 'unclosed-parenthesis'],
    ['abc', 'no-cell'],
    ['[A-F0-9]{1,3}\\d', 'accepts-less'],
    ['[A-Z]{1,2}\\d{0,2}[A-Z]', 'accepts-less'],
    ['(ab|abc)[a-z]', 'accepts-less'],
    ['\\d{4} ?\\d{4}', 'optional-text'],
    ['(?:25[0-5]|2[0-4]\\d|1?\\d?\\d)\\.\\d', 'number-gaps'],
    ['["a]', 'quotation-mark'],
  ])('%s is none, and says why', (source, code) => {
    expect(patternOf(source)).toMatchObject({ is: 'not', because: { code } });
  });

  test.each([
    ['\\d+', { most: 6 }, '<1-6 digit>'],
    ['[A-Z]+-\\d{2}', { least: 4, most: 8 }, '<1-5 latin upper>-<2 digit>'],
    ['\\d{2,8}', { most: 6 }, '<2-6 digit>'],
    ['\\d{2,8}', { least: 1, most: 9 }, '<2-8 digit>'],
    ['[a-z]*\\d', { least: 3, most: 3 }, '<2 latin lower><digit>'],
    ['(?:[A-Z]\\d)+', { least: 3, most: 4 }, '<latin upper><digit><latin upper><digit>'],
    ['(?:[A-Z]\\d)+', { least: 4, most: 5 }, '<latin upper><digit><latin upper><digit>'],
  ])('%s of so many characters: %j', (source, lengths, pattern) => {
    expect(patternOf(source, lengths)).toEqual({ is: 'exact', pattern });
  });

  test.each([
    ['\\d{2,8}-\\d{2,3}', { most: 6 }, 'length-inside'],
    ['\\d{2}', { most: 1 }, 'length-inside'],
    ['\\d+-\\d+', { most: 6 }, 'unlimited-repetition'],
  ])('%s of so many characters is none: %j', (source, lengths, code) => {
    expect(patternOf(source, lengths)).toMatchObject({ is: 'not', because: { code } });
  });

  test('what is called exact is: random expressions and texts', () => {
    const atom = fc.constantFrom(
      '\\d',
      '[A-Z]',
      '[a-z]',
      '[0-9A-F]',
      'x',
      '-',
      '\\.',
      '(?:[01]\\d|2[0-3])',
      '(ab|cd)',
      '[A-Za-z]',
      '(?:\\+4|0)',
      '(ab|abc)',
      '[ -]',
    );
    const times = fc.constantFrom('', '', '{2}', '{1,3}', '?', '{0,2}', '+');
    const length = fc.option(fc.integer({ min: 1, max: 7 }), { nil: undefined });
    const source = fc
      .array(
        fc.tuple(atom, times).map(([a, n]) => a + n),
        { minLength: 1, maxLength: 5 },
      )
      .map((list) => list.join(''));
    let exact = 0;
    fc.assert(
      fc.property(
        source,
        length,
        fc.array(fc.array(fc.constantFrom(...'0124+9abcdxABFZ-. '), { maxLength: 8 }), { maxLength: 30 }),
        (expression, most, some) => {
          const found = patternOf(expression, { most });
          if (found.is === 'not') return;
          exact++;
          const { kind, plan } = compile(
            {
              arbeit: 2,
              title: 'T',
              locale: 'en-GB',
              fields: [
                { id: 'a', kind: 'pattern', label: 'A', entry: { pattern: found.pattern, raw: 'text' } },
              ],
            } as unknown as SetDocument,
            kinds,
          ).fields[0]!;
          const whole = new RegExp(`^(?:${expression})$`, 'u');
          const own = new RegExp(`^(?:${valueTypesOf(plan).values.expression})$`, 'u');
          for (const list of some) {
            const text = list.join('');
            const matches = whole.test(text) && (most === undefined || text.length <= most);
            if (!text) continue;
            expect([found.pattern, text, own.test(text)]).toEqual([found.pattern, text, matches]);
            // And the field takes what matches, as it is, and has nothing else for a value.
            const isTaken = kind.value(plan, kind.parse(plan, text).body) === text;
            expect([found.pattern, text, isTaken]).toEqual([found.pattern, text, matches]);
          }
        },
      ),
      { numRuns: Number(process.env.ARBEIT_RUNS ?? 400), seed },
    );
    expect(exact).toBeGreaterThan(40);
  });
});
