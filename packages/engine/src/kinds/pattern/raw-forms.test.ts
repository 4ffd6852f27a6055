import { describe, expect, test } from 'vitest';
import { compileField } from '../../document/compile-field.ts';
import type { FieldDocument, RuleDocument } from '../../document/document.ts';
import { readDocument } from '../../document/read-document.ts';
import { apply, start } from '../../field/apply.ts';
import { evaluate } from '../../field/evaluation.ts';
import { kinds } from '../registry.ts';
import { valueTypesOf } from '../value-types.ts';

const iban = 'GB<2 digit> <4 latin upper> <4 digit> <4 digit> <4 digit> <2 digit>';
const field = (pattern: string, raw: 'content' | 'text' | 'compact', rules: readonly RuleDocument[] = []) =>
  compileField(
    { id: 'f', kind: 'pattern', label: 'F', entry: { pattern, raw }, rules } as FieldDocument,
    { locale: 'en-GB' },
    kinds,
  );
const pasted = (of: ReturnType<typeof field>, text: string) => apply(of, start(of), { type: 'paste', text });

describe('raw values of one text', () => {
  test.each([
    ['content', '82WEST12345698765432'],
    ['text', 'GB82 WEST 1234 5698 7654 32'],
    ['compact', 'GB82WEST12345698765432'],
  ] as const)('%s', (raw, expected) => {
    const of = field(iban, raw);
    const said = evaluate(of, pasted(of, 'GB82 WEST 1234 5698 7654 32'));
    expect([said.raw, said.value]).toEqual([expected, expected]);
    const set = evaluate(of, apply(of, start(of), { type: 'set', text: expected }));
    expect([set.display, set.raw]).toEqual(['GB82 WEST 1234 5698 7654 32', expected]);
    const { expression } = valueTypesOf(of.plan).values;
    expect(new RegExp(`^(?:${expression})$`, 'u').test(expected)).toBe(true);
    expect(new RegExp(`^(?:${expression})$`, 'u').test(`${expected}1`)).toBe(false);
  });

  test('half a text, and stretches', () => {
    const of = field('RH-<4 digit><? /<2 latin upper>>', 'compact');
    for (const [text, raw] of [
      ['12', 'RH12'],
      ['1234', 'RH1234'],
      ['1234/AB', 'RH1234AB'],
    ] as const) {
      const state = pasted(of, text);
      expect(evaluate(of, state).raw).toBe(raw);
      expect(apply(of, start(of), { type: 'set', text: raw }).body.display).toBe(state.body.display);
    }
  });
});

test.each([
  ['compact', undefined, 'pass'],
  ['content', undefined, 'fail'],
  ['content', 'compact', 'pass'],
  ['content', 'text', 'pass'],
  ['compact', 'content', 'fail'],
] as const)('a checksum over the text: raw %s, over %s', (raw, over, verdict) => {
  const check = { type: 'checksum', scheme: 'mod97', rotate: 4, ...(over ? { over } : {}) } as const;
  const of = field(iban, raw, [{ id: 'sum', check }]);
  const { findings } = evaluate(of, pasted(of, 'GB82WEST12345698765432'));
  expect(findings[of.rules.findIndex(({ id }) => id === 'sum')]!.verdict).toBe(verdict);
});

test.each([
  ['<2-4 digit>-<2 digit>', false],
  ['<4 digit>-<2 digit>', true],
  ['RH-<2 latin upper>', true],
  ['<1-2 digit>.<1-2 digit>', false],
])('compact is refused where nothing tells the end of a part: %s', (pattern, isGood) => {
  const set = {
    arbeit: 2,
    title: 'Huts',
    locale: 'en-GB',
    fields: [{ id: 'f', kind: 'pattern', label: 'F', entry: { pattern, raw: 'compact' } }],
  };
  const read = readDocument(set, kinds);
  expect(read.ok).toBe(isGood);
  if (!read.ok) expect(read.faults[0]).toMatchObject({ path: '$.fields[0].entry.raw', suggestion: 'text' });
});
