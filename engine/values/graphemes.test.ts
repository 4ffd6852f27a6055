import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { boundaryAt, fold, graphemes } from './graphemes.ts';

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
