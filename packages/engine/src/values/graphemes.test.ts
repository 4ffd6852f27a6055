import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { boundaryAt, fold, graphemes } from './graphemes.ts';
import { boundaryNear, countOf } from './long-text.ts';

const segmenter = new Intl.Segmenter('en', { granularity: 'grapheme' });
const bySegmenter = (text: string) => [...segmenter.segment(text)].map((s) => s.segment);

describe('graphemes', () => {
  test.each([
    '',
    'a',
    'RH-1234',
    'e\u0301a',
    'Ñandú',
    '👍🏽👨‍👩‍👧',
    '🇨🇭🇳🇴',
    '각\u1100\u1161\u11a8',
    'x\u200dy',
    '1\ufe0f\u20e3',
    'นี้',
    '\r\n',
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

test('of long texts, whatever stands in them, the same is found from near by', () => {
  const bit = fc.oneof(
    fc.string({ unit: 'grapheme', maxLength: 12 }),
    fc.constantFrom(
      '🇨🇭🇳',
      '\u1100\u1161',
      '👨\u200d👩',
      '\ud83d',
      '\udc4d',
      '\r\n',
      'e\u0301',
      'a'.repeat(60),
    ),
  );
  const long = fc.array(bit, { minLength: 60, maxLength: 200 }).map((bits) => bits.join(''));
  let seen = 0;
  fc.assert(
    fc.property(long, fc.nat(1500), (text, offset) => {
      if (text.length >= 256) seen++;
      expect(boundaryNear(text, offset)).toBe(boundaryAt(text, offset));
      expect(countOf(text)).toBe(graphemes(text).length);
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
