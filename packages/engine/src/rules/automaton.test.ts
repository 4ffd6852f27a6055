import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { match } from './automaton.ts';
import type { Automaton } from './automaton-data.ts';
import { parseExpression } from './expression.ts';

const automaton = (source: string, flags = ''): Automaton => {
  const parsed = parseExpression(source, flags);
  if ('message' in parsed) throw new RangeError(parsed.message);
  return parsed;
};

/** Random expressions of the common kind, as text that the language's own RegExp reads as well. */
const source: fc.Arbitrary<string> = fc.letrec<{ expression: string; atom: string; term: string }>((tie) => ({
  atom: fc.oneof(
    {
      arbitrary: fc.constantFrom('a', 'b', '1', '.', '\\d', '\\w', '[ab]', '[^a]', '[0-9b]', '\\.', '\\p{L}'),
      weight: 6,
    },
    { arbitrary: tie('expression').map((inner) => `(?:${inner})`), weight: 1 },
  ),
  term: fc
    .tuple(tie('atom'), fc.constantFrom('', '', '', '*', '+', '?', '{2}', '{1,3}', '{2,}'))
    .map(([atom, count]) => atom + count),
  expression: fc.oneof(
    {
      arbitrary: fc.array(tie('term'), { minLength: 1, maxLength: 4 }).map((terms) => terms.join('')),
      weight: 3,
    },
    { arbitrary: fc.tuple(tie('term'), tie('term')).map(([a, b]) => `${a}|${b}`), weight: 1 },
  ),
})).expression;

const text = fc.string({ unit: fc.constantFrom('a', 'b', '1', '.', 'é'), maxLength: 6 });

describe('matching', () => {
  test('passes exactly what RegExp matches as a whole', () => {
    fc.assert(
      fc.property(source, text, (expression, value) => {
        expect(match(automaton(expression), value) === 'pass').toBe(
          new RegExp(`^(?:${expression})$`, 'u').test(value),
        );
      }),
      { numRuns: 3000, seed: 20270210 },
    );
  });
  test('with flag i it folds letters as RegExp does', () => {
    const parts = ['a', 'K', 's', '\u017f', '\u212a', 'ß', 'ẞ', 'σ', 'ς', 'ı', 'İ', 'µ', '[a-z]', '[^a-k]', '\\w', '\\W', '[\\W]', '[^\\w]', '\\p{Lu}', '\\p{Ll}', '[^\\p{Lu}]', '[À-Þ]', '\\u{10400}', '[^k]', '[\\d_]']; // biome-ignore format: a list
    const characters = [...'aAkKsSſKßẞσςΣıİiIµμΜzZ_5-éÉàÀþÞ', '\u{10400}', '\u{10428}', 'ǅ', 'ǆ'];
    for (const part of parts)
      for (const character of characters)
        expect([part, character, match(automaton(part, 'i'), character) === 'pass']).toEqual([
          part,
          character,
          new RegExp(`^(?:${part})$`, 'iu').test(character),
        ]);
  });
  test('what it takes, RegExp takes with u', () => {
    const units = [...'\\\\\\\\-@_ "#%&,:;<=>`~!\'/.*+?()[]{}|^$adwWsDSbBpPxu0123', '\\-', '[', ']', '{2}'];
    let taken = 0;
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...units), { maxLength: 7 }), (list) => {
        const expression = list.join('');
        if ('message' in parseExpression(expression)) return;
        taken++;
        expect(() => new RegExp(`^(?:${expression})$`, 'u')).not.toThrow();
      }),
      { numRuns: 20000, seed: 20270210 },
    );
    expect(taken).toBeGreaterThan(500);
    for (const escaped of ['\\@', '\\_', '\\-', '\\ ', '[\\@]', '[\\_]', '\\"'])
      expect(parseExpression(escaped)).toMatchObject({ message: expect.stringContaining('no escape') });
    expect(parseExpression('[\\w\\-]')).not.toHaveProperty('message');
  });
  test('what could be typed on to a match never fails, what fails never matches', () => {
    fc.assert(
      fc.property(source, text, fc.nat(6), (expression, value, cut) => {
        if (!new RegExp(`^(?:${expression})$`, 'u').test(value)) return;
        expect(match(automaton(expression), [...value].slice(0, cut).join(''))).not.toBe('fail');
      }),
      { numRuns: 3000, seed: 20270210 },
    );
  });
  test.each<[string, string, string, string]>([
    ['07\\d{9}', '', '08', 'fail'],
    ['07\\d{9}', '', '07700', 'open'],
    ['07\\d{9}', '', '07700900123', 'pass'],
    ['^[A-Z]{2}$', '', 'A', 'open'],
    ['[a-f]+', 'i', 'BeeF', 'pass'],
    ['(?=.*\\d).{4}', '', 'abc', 'open'],
    ['(?=.*\\d).{4}', '', 'abcd', 'fail'],
    ['(?=.*\\d).{4}', '', 'ab1d', 'pass'],
    ['(?!00)\\d{4}', '', '00', 'fail'],
    ['(?!0000)\\d{4}', '', '000', 'open'],
    ['(?=.*[A-Z])(?=.*\\d)(?=.*[^\\w]).{8,64}', '', 'ab'.repeat(20), 'open'],
    ['(?=.*[A-Z])(?=.*\\d)(?=.*[^\\w]).{8,64}', '', 'ab'.repeat(32), 'fail'],
    ['(?=.*[A-Z])(?=.*\\d)(?=.*[^\\w]).{8,64}', '', 'A1-aaaaa', 'pass'],
    ['a.c', 's', 'a\nc', 'pass'],
    ['a.c', '', 'a\nc', 'fail'],
    ['[^\\d]+', '', 'ab', 'pass'],
    ['\\u{1F600}', '', '😀', 'pass'],
  ])('/%s/%s on %j is %s', (expression, flags, value, verdict) =>
    expect(match(automaton(expression, flags), value)).toBe(verdict),
  );

  test('expressions that make a backtracking matcher hang are nothing special', () => {
    // A matcher that backtracked would not come back in this century.
    for (const bad of ['(a+)+b', '(a|a)*b', '(a|aa)+b', '(.*)*x', '([a-z]+)*\\d'])
      expect(match(automaton(bad), 'a'.repeat(60))).not.toBe('pass');
    const heavy = automaton('(?=(.*a){20})(?=(.*b){20}).*x');
    for (let n = 1; n < 80; n++) expect(match(heavy, 'ab'.repeat(40).slice(0, n))).toBe('open');
  });
});

describe('what cannot be read is told', () => {
  test.each<[string, number, RegExp]>([
    ['(a', 1, /not closed/],
    ['a)', 2, /without its/],
    ['[a', 1, /not closed/],
    ['*a', 1, /nothing before/],
    ['a**', 3, /nothing here to repeat/],
    ['(a)\\1', 4, /Back references/],
    ['(?<=a)b', 1, /Look-behind/],
    ['(?:(?=a)b)c', 4, /outside groups/],
    ['a\\bc', 2, /Word boundaries/],
    ['a^b', 2, /stand first/],
    ['a$b', 2, /stand last/],
    ['a{3,1}', 2, /smaller count/],
    ['a{2000}', 2, /More than 1000/],
    ['(.{1,100}){1,100}', 1, /10\d+ pieces/],
    ['('.repeat(120), 101, /within each other/],
    ['a'.repeat(2001), 2001, /characters are the most/],
    ['\\p{Nope}', 1, /Unicode property/],
    ['[z-a]', 3, /runs backwards/],
    ['\\y', 1, /means nothing/],
    ['a\\', 2, /very end/],
  ])('%s, column %i', (expression, column, message) => {
    const parsed = parseExpression(expression);
    expect(parsed).toMatchObject({ column, message: expect.stringMatching(message) });
  });
  test('anything at all is read or told, never thrown at', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: fc.constantFrom(...'()[]{}*+?|^$\\.,-:=!<ab1upd'), maxLength: 12 }),
        (expression) => {
          const parsed = parseExpression(expression);
          expect('message' in parsed || match(parsed, 'ab') !== undefined).toBe(true);
        },
      ),
      { numRuns: 3000, seed: 20270210 },
    );
  });
});

test('what an expression may cost is bounded: beyond that only what is known is answered, and quickly', () => {
  // Each place in the last fourteen is told apart: two to the fourteenth expressions, were they all worked
  // out.
  const greedy = automaton('[ab]*a[ab]{13}');
  let bits = 1;
  // A shift register that goes through every pattern of fourteen.
  const text = Array.from({ length: 20_000 }, () => {
    bits = (bits >> 1) ^ (-(bits & 1) & 0x2015);
    return bits & 1 ? 'a' : 'b';
  }).join('');
  expect(match(greedy, `${text.slice(0, -14)}a${'b'.repeat(13)}`)).toBe('open');
  expect(match(automaton('[ab]*a[ab]{13}'), `a${'b'.repeat(13)}`)).toBe('pass');
});
