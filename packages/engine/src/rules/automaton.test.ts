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
    .tuple(tie('atom'), fc.constantFrom('', '', '', '*', '+', '?', '{2}', '{1,3}', '{0,5}', '{2,}', '*?'))
    .map(([atom, count]) => atom + count),
  expression: fc.oneof(
    {
      arbitrary: fc.array(tie('term'), { minLength: 1, maxLength: 4 }).map((terms) => terms.join('')),
      weight: 3,
    },
    { arbitrary: fc.tuple(tie('term'), tie('term')).map(([a, b]) => `${a}|${b}`), weight: 1 },
  ),
})).expression;

/** Expressions with positive and negative look-aheads at the start, in the middle and in alternatives. */
const looking: fc.Arbitrary<string> = fc
  .array(
    fc.oneof(
      { arbitrary: source.map((inner) => `(?=${inner})`), weight: 2 },
      { arbitrary: source.map((inner) => `(?!${inner})`), weight: 2 },
      { arbitrary: source.map((inner) => `(?!${inner}$|b)`), weight: 1 },
      { arbitrary: fc.tuple(source, source).map(([a, b]) => `(?=(?!${a}$)${b})`), weight: 1 },
      { arbitrary: source.map((inner) => `(?:${inner})`), weight: 2 },
      { arbitrary: fc.constant('|'), weight: 1 },
    ),
    { minLength: 2, maxLength: 5 },
  )
  .map((parts) => `${parts.join('')}[ab1]*`);

const text = fc.string({ unit: fc.constantFrom('a', 'b', '1', '.', 'é'), maxLength: 6 });

describe('matching', () => {
  test.each([
    ['of the common kind', source],
    ['with look-aheads', looking],
  ])('passes exactly what RegExp matches as a whole: expressions %s', (_, expressions) => {
    fc.assert(
      fc.property(expressions, text, (expression, value) => {
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
      expect(parseExpression(escaped)).toMatchObject({ code: 'unknown-escape' });
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
    ['^(?!^0+$)\\d{5}$', '', '0000', 'open'],
    ['^(?!^0+$)\\d{5}$', '', '00000', 'fail'],
    ['^(?!0+$)\\d{5}$', '', '00001', 'pass'],
    ['^(?=.*\\d$|.*x$).*', '', '12a', 'open'],
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
  test.each<[string, number, string]>([
    ['(a', 1, 'unclosed-parenthesis'],
    ['a)', 2, 'unmatched-parenthesis'],
    ['[a', 1, 'unclosed-class'],
    ['*a', 1, 'nothing-before-quantifier'],
    ['a**', 3, 'nothing-to-repeat'],
    ['(a)\\1', 4, 'backreference'],
    ['(?<=a)b', 1, 'lookbehind'],
    ['(?:(?=a)b)c', 4, 'lookahead-in-group'],
    ['a\\bc', 2, 'word-boundary'],
    ['a^b', 2, 'misplaced-start'],
    ['a(?=^b)b', 5, 'misplaced-start'],
    ['(?=a$b)ab', 5, 'misplaced-end'],
    ['(a$)', 3, 'misplaced-end'],
    ['a$b', 2, 'misplaced-end'],
    ['a{3,1}', 2, 'count-reversed'],
    ['a{2000}', 2, 'count-too-large'],
    ['(.{1,100}){1,100}', 1, 'expression-too-large'],
    ['('.repeat(120), 101, 'groups-too-deep'],
    ['a'.repeat(2001), 2001, 'expression-too-long'],
    ['\\p{Nope}', 1, 'unknown-property-class'],
    ['[z-a]', 3, 'class-range-reversed'],
    ['\\y', 1, 'unknown-escape'],
    ['a\\', 2, 'lone-backslash'],
  ])('%s, column %i', (expression, column, code) => {
    const parsed = parseExpression(expression);
    expect(parsed).toMatchObject({ column, code });
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

test('matches nested counts and long contexts exactly', () => {
  // The last fourteen characters matter, so there are 2 ** 14 sets of states.
  const greedy = automaton('[ab]*a[ab]{13}');
  let bits = 1;
  // A shift register that goes through every pattern of fourteen.
  const text = Array.from({ length: 8_000 }, () => {
    bits = (bits >> 1) ^ (-(bits & 1) & 0x2015);
    return bits & 1 ? 'a' : 'b';
  }).join('');
  expect(match(greedy, `${text.slice(0, -14)}a${'b'.repeat(13)}`)).toBe('pass');
  expect(match(greedy, `${text.slice(0, -14)}b${'b'.repeat(13)}`)).toBe('open');
  // The same with look-aheads. The text is long enough that the machine empties its memory.
  const looked = automaton('(?=[ab]*a[ab]{13}c)(?![ab]*bb[ab]{13}c)[ab]*c');
  expect(match(looked, `${text.slice(0, -15)}aa${'b'.repeat(13)}c`)).toBe('pass');
  expect(match(looked, `${text.slice(0, -15)}bb${'b'.repeat(13)}c`)).toBe('fail');
  // After a change, matching continues from a stored state. The result must not change.
  for (const at of [7_950, 100]) {
    const changed = `${text.slice(0, at)}😀a${text.slice(at + 1)}`;
    expect(match(greedy, changed)).toBe('fail');
    const right = `${text.slice(0, at)}b${text.slice(at)}`;
    expect(match(greedy, right)).toBe(match(automaton('[ab]*a[ab]{13}'), right));
  }
  for (const [expression, most] of [
    ['(a{1,30}){1,30}', 900],
    ['(a{0,30}){0,30}', 900],
    ['((a{0,10}){0,10}){0,10}', 1000],
    ['(?=(a{0,40}){0,10}$)(?=a*$)(a?){400}', 400],
  ] as const)
    expect([most, most + 1].map((count) => match(automaton(expression), 'a'.repeat(count)))).toEqual([
      'pass',
      'fail',
    ]);
});

test('answers open if the search for a possible match takes too long', () => {
  // A match needs 500 more characters, and there are many ways to get there.
  const far = automaton('(?=.*a.{500})(?=.*b.{501}).*');
  for (let n = 1; n < 60; n++) expect(match(far, 'abaabbab'.repeat(8).slice(0, n))).toBe('open');
  expect(match(far, `ab${'c'.repeat(500)}`)).toBe('open');
  expect(match(far, `ba${'c'.repeat(501)}`)).toBe('pass');
});
