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
  test.each<[string, number, RegExp, string | undefined]>([
    ['', 1, /Nothing can be typed/, '<4 digit>'],
    ['abc', 1, /Nothing can be typed/, '<4 digit>'],
    ['<3 digt>', 4, /Unknown "digt"/, 'digit'],
    ['(<3 digit', 2, /not closed/, '<3 digit>'],
    ['<3 digit <2 latin>', 1, /not closed/, '<3 digit>'],
    ['<>', 1, /Empty cell/, '<digit>'],
    ['<3>', 3, /Missing character class/, '3 digit'],
    ['<3digit>', 2, /neither a count/, '3 digit'],
    ['<0 digit>', 2, /makes no cell/, '1'],
    ['<5-2 digit>', 2, /smaller count comes first/, '2-5'],
    ['<2 latin uper>', 10, /Unknown modifier/, 'upper'],
    ['<2 latin upper lower>', 16, /only one/, 'upper'],
    ['<00..9>', 2, /same number of digits/, '00..09'],
    ['<23..00>', 2, /lower bound comes first/, '00..23'],
    ['<a..9>', 2, /digits on both sides/, '00..59'],
    ['<AM|>', 4, /word on each side/, 'AM'],
    ['<AM|am>', 5, /twice/, undefined],
    ['<AM>', 2, /Unknown "AM"/, 'any'],
    ['<2 "z-a">', 4, /runs backwards/, undefined],
    ['<2 "">', 4, /Empty character class/, undefined],
    ['<4 digit><? ext. >', 10, /Nothing can be typed into this stretch/, '<? ext. <1-5 digit>>'],
    ['<4 digit><? <2 digit>', 10, /group is not closed/, '<? <2 digit>>'],
    [`<${mostCells + 1} digit>`, 1, /Too many cells/, undefined],
  ])('%s, column %i', (pattern, column, message, suggestion) => {
    const { faults } = parseNotation(pattern);
    expect(faults).toHaveLength(1);
    expect(faults[0]!.column).toBe(column);
    expect(faults[0]!.message).toMatch(message);
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
