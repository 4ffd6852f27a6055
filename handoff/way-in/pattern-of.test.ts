import { describedBy } from '@arbeit/engine/described';
import { compile, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
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
  ])('%s is %s', (source, pattern) => {
    expect(patternOf(source)).toEqual({ is: 'exact', pattern });
  });

  test.each([
    ['\\d+', /without an end/],
    ['(?=.*\\d).{3}', /any character but some|looks ahead/],
    ['.{3}', /any character but some/],
    ['\\p{Lu}\\d', /property of Unicode/],
    ['(ab|cd ef)', /signs in them/],
    ['(\\d{2}){2,5}', /varying number/],
    ['[^a]', /any character but some/],
    ['(a', /not closed/],
    ['abc', /Nothing can be typed/],
    ['\\d{1,3}\\d', /could not be held|one of the two/],
    ['["a]', /quotation mark/],
  ])('%s is none, and says why', (source, why) => {
    expect(patternOf(source)).toEqual({ is: 'not', why: expect.stringMatching(why) });
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
    );
    const times = fc.constantFrom('', '', '{2}', '{1,3}', '?', '{0,2}');
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
        fc.array(fc.array(fc.constantFrom(...'0129abcdxABFZ-.'), { maxLength: 8 }), { maxLength: 30 }),
        (expression, some) => {
          const found = patternOf(expression);
          if (found.is === 'not') return;
          exact++;
          const field = compile(
            {
              arbeit: 1,
              title: 'T',
              locale: 'en-GB',
              fields: [
                { id: 'a', kind: 'pattern', label: 'A', entry: { pattern: found.pattern, raw: 'text' } },
              ],
            } as unknown as SetDocument,
            kinds,
          ).fields[0]!;
          const whole = new RegExp(`^(?:${expression})$`, 'u');
          const own = new RegExp(`^(?:${describedBy(field.plan).values.expression})$`, 'u');
          for (const list of some) {
            const text = list.join('');
            if (text)
              expect([found.pattern, text, own.test(text)]).toEqual([found.pattern, text, whole.test(text)]);
          }
        },
      ),
      { numRuns: Number(process.env.ARBEIT_RUNS ?? 400), seed },
    );
    expect(exact).toBeGreaterThan(40);
  });
});
