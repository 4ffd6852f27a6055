import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { boundaryAt, fold, graphemes } from './graphemes.ts';
import { boundaryNear, countOf } from './long-text.ts';

/** The lines of the standard’s test file: the code points of a text with the breaks between them. */
const lines = readFileSync(new URL('unicode/GraphemeBreakTest.txt', import.meta.url), 'utf8')
  .split('\n')
  .map((line) => line.replace(/#.*/, '').trim())
  .filter((line) => line !== '');
const clustersOf = (line: string) =>
  line
    .split('÷')
    .filter((cluster) => cluster.trim() !== '')
    .map((cluster) =>
      cluster
        .split('×')
        .map((code) => String.fromCodePoint(Number.parseInt(code, 16)))
        .join(''),
    );

const segmenter = new Intl.Segmenter('en', { granularity: 'grapheme' });
const bySegmenter = (text: string) => [...segmenter.segment(text)].map((s) => s.segment);

describe('graphemes', () => {
  test(`are those of GraphemeBreakTest.txt: ${lines.length} lines`, () => {
    expect(lines.length).toBe(602);
    const isElse = (line: string) =>
      graphemes(clustersOf(line).join('')).join('÷') !== clustersOf(line).join('÷');
    // Later versions of Unicode do not list U+2701 as a pictograph, so the result depends on the engine.
    const without = /\p{ExtPict}/u.test('\u2701') ? [] : ['÷ 2701 × 200D × 2701 ÷'];
    expect(lines.filter(isElse)).toEqual(without);
  });

  test.each([
    '',
    'a',
    'RH-1234',
    'e\u0301a',
    'Ñandú',
    '👍🏽👨‍👩‍👧',
    '🇨🇭🇳🇴',
    '각\u1100\u1161\u11a8',
    '\u1100\u1100\u11a8\u11a8',
    'x\u200dy',
    '1\ufe0f\u20e3',
    'นี้',
    '\r\n\u0301',
    '\u200b\u0301',
    '\u0600\u0660',
    'क्षेत्रीय',
    '\ud83d\u0301\udc4d',
  ])('%j as Intl.Segmenter has it', (text) => {
    expect(graphemes(text)).toEqual(bySegmenter(text));
  });

  test('joined they are the text again, and no boundary splits one', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 20 }), fc.nat(40), (text, offset) => {
        const parts = graphemes(text);
        expect(parts.join('')).toBe(text);
        const boundary = boundaryAt(text, offset);
        expect(boundary).toBeLessThanOrEqual(Math.min(offset, text.length));
        let at = 0;
        const boundaries = [0, ...parts.map((part) => (at += part.length))];
        expect(boundaries).toContain(boundary);
      }),
    );
  });
});

/** At least one character of each class of UAX #29, and sequences that its rules mention. */
const awkward = [
  ...[
    '🇨🇭🇳',
    '\u1100\u1161',
    '\uac00',
    '\uac01\u11a8',
    '👨\u200d👩',
    '❤\ufe0f',
    '\ud83d',
    '\udc4d',
    '\u{1f3fd}',
  ],
  ...['\r\n', '\r', '\n', '\u0001', '\u200b', '\u2028', '\u{e0001}', '\u{e0061}', '\u200c', '\u200d'],
  ...['e\u0301', '\u0e33', '\u102b', '\u0903', '\u0600', '\u{110bd}', '\u{113d1}', '🇨'],
  ...['\u0915\u094d', '\u0915', '\u{11108}\u{11133}', '\u{11108}', '\u0941', 'a'.repeat(60)],
];

test('of long texts, whatever stands in them, the same is found from near by', () => {
  const bit = fc.oneof(fc.string({ unit: 'grapheme', maxLength: 12 }), fc.constantFrom(...awkward));
  const long = fc.array(bit, { minLength: 60, maxLength: 200 }).map((bits) => bits.join(''));
  let seen = 0;
  fc.assert(
    fc.property(long, fc.nat(1500), (text, offset) => {
      if (text.length >= 256) seen++;
      expect(boundaryNear(text, offset)).toBe(boundaryAt(text, offset));
      expect(countOf(text)).toBe(graphemes(text).length);
      // Conjuncts of these scripts are new in Unicode 17, which older platforms do not support.
      if (!/[\u{11100}-\u{113ff}]/u.test(text)) expect(graphemes(text)).toEqual(bySegmenter(text));
    }),
    { numRuns: Number(process.env.ARBEIT_RUNS ?? 1000) },
  );
  expect(seen).toBeGreaterThan(100);
});

test.each([
  ['٣', '3'],
  ['۹', '9'],
  ['०', '0'],
  ['７', '7'],
  ['𝟘', '0'],
  ['Ａ', 'A'],
  ['（', '('],
  ['é', 'é'],
  ['漢', '漢'],
  ['5', '5'],
])('%s folds to %s', (from, to) => expect(fold(from)).toBe(to));
