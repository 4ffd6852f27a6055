import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { patternText } from '../../prove/arbitraries.ts';
import { mostCells, parseNotation, printNotation } from '../editing/notation.ts';
import { readAloud } from './plain-words.ts';

const strip = (value: unknown): unknown =>
  JSON.parse(JSON.stringify(value, (key, v) => (key === 'at' || key === 'end' ? undefined : v)));

describe('reading', () => {
  test('parts with their places', () => {
    expect(parseNotation('(<3 digit>)').nodes).toEqual([
      { type: 'text', text: '(', at: 0, end: 1 },
      { type: 'cells', min: 3, max: 3, takes: { type: 'built-in', name: 'digit' }, at: 1, end: 10 },
      { type: 'text', text: ')', at: 10, end: 11 },
    ]);
  });
  test.each<[string, string]>([
    [
      '(<3 digit>) <3 digit>-<4 digit>',
      'an opening bracket, 3 digits, a closing bracket, a space, 3 digits, a hyphen, 4 digits',
    ],
    ['RH-<4 digit>-<2 latin upper>', '“RH”, a hyphen, 4 digits, a hyphen, 2 capital letters A to Z'],
    ['<00..23>:<00..59>', 'a number from 00 to 23, a colon, a number from 00 to 59'],
    [
      '<01..12>:<00..59> <AM|PM>',
      'a number from 01 to 12, a colon, a number from 00 to 59, a space, either AM or PM',
    ],
    ['<2 "0-9A-F" upper>', '2 capital characters of 0-9A-F'],
    [
      '<4 digit><? ext. <1-5 digit>>',
      '4 digits, then, only if typed into: a space, “ext”, a full stop, a space, 1 to 5 digits',
    ],
    ['<digit><0-3 letter>', 'one digit, up to 3 letters'],
    ['<<<digit>>', 'a less-than sign, one digit, a greater-than sign'],
    ['<red|green|blue>', 'one of red, green or blue'],
  ])('%s is read aloud', (pattern, aloud) => {
    const { nodes, faults } = parseNotation(pattern);
    expect(faults).toEqual([]);
    expect(readAloud(nodes)).toBe(aloud);
  });
  test('printing a pattern and reading it again gives the same parts', () => {
    fc.assert(
      fc.property(patternText, (text) => {
        const once = parseNotation(text).nodes;
        expect(strip(parseNotation(printNotation(once)).nodes)).toEqual(strip(once));
      }),
      { seed: 20270210, numRuns: 500 },
    );
  });
  test('anything at all is read or told, never thrown at', () => {
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom(...'<>?|"-. 09adigtupler') }), (text) => {
        const { faults } = parseNotation(text);
        for (const { at, end, column } of faults) {
          expect(at).toBeGreaterThanOrEqual(0);
          expect(end).toBeGreaterThanOrEqual(at);
          expect(column).toBeGreaterThanOrEqual(1);
        }
      }),
      { seed: 20270210, numRuns: 2000 },
    );
  });
});

describe('faults', () => {
  test.each<[string, number, string, string | undefined]>([
    ['', 1, 'no-cell', '<4 digit>'],
    ['abc', 1, 'no-cell', '<4 digit>'],
    ['<3 digt>', 4, 'unknown-class', 'digit'],
    ['(<3 digit', 2, 'unclosed-cell', '<3 digit>'],
    ['<3 digit <2 latin>', 1, 'unclosed-cell', '<3 digit>'],
    ['<>', 1, 'empty-cell', '<digit>'],
    ['<3>', 3, 'count-without-class', '3 digit'],
    ['<3digit>', 2, 'unknown-count', '3 digit'],
    ['<0 digit>', 2, 'count-zero', '1'],
    ['<5-2 digit>', 2, 'count-reversed', '2-5'],
    ['<2 latin uper>', 10, 'unknown-modifier', 'upper'],
    ['<2 latin upper lower>', 16, 'two-modifiers', 'upper'],
    ['<00..9>', 2, 'number-of-two-widths', '00..09'],
    ['<23..00>', 2, 'number-reversed', '00..23'],
    ['<a..9>', 2, 'number-without-digits', '00..59'],
    ['<AM|>', 4, 'choice-without-word', 'AM'],
    ['<AM|am>', 5, 'choice-twice', undefined],
    ['<AM>', 2, 'unknown-class', 'any'],
    ['<2 "z-a">', 4, 'class-range-reversed', undefined],
    ['<2 "">', 4, 'class-empty', undefined],
    ['<4 digit><? ext. >', 10, 'group-without-cell', '<? ext. <1-5 digit>>'],
    ['<4 digit><? <2 digit>', 10, 'unclosed-group', '<? <2 digit>>'],
    [`<${mostCells + 1} digit>`, 1, 'too-many-cells', undefined],
  ])('%s, column %i', (pattern, column, code, suggestion) => {
    const { faults } = parseNotation(pattern);
    expect(faults).toHaveLength(1);
    expect(faults[0]!.column).toBe(column);
    expect(faults[0]!.code).toBe(code);
    expect(faults[0]!.suggestion).toBe(suggestion);
  });
  test('each mistake is told, not the first alone', () => {
    expect(parseNotation('<3 digt>-<2 latn>').faults.map((f) => [f.column, f.suggestion])).toEqual([
      [4, 'digit'],
      [13, 'latin'],
    ]);
  });
  test('stretches without end are told, once they are too many', () => {
    const { faults } = parseNotation('<?'.repeat(10_000));
    expect(faults.some((fault) => /nested too deeply/.test(fault.message))).toBe(true);
    expect(faults.length).toBeLessThan(30);
  });
  test('an own class is known once it is declared', () => {
    expect(parseNotation('<2 hex>').faults[0]!.message).toContain('"hex"');
    expect(parseNotation('<2 hex>', ['hex']).faults).toEqual([]);
  });
});
