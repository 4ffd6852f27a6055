import type { SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import demo from '../demo/ridge-huts.arbeit.json' with { type: 'json' };
import { proofSheet } from './proof-sheet.ts';

const set = demo as unknown as SetDocument;
const sheetOf = (one: SetDocument) => proofSheet({ set: one, kinds, today: '2027-02-10', isFile: true });

describe('a proof sheet', () => {
  const sheet = sheetOf(set);
  test('has every field and form, with rules, messages at the limit, and trials', () => {
    expect(sheet.match(/<section /g)).toHaveLength(set.fields.length + (set.forms?.length ?? 0));
    for (const text of [
      'We take bookings from Wednesday, 10 February 2027 to Thursday, 10 August 2028.',
      'Enter £500.00 or less.',
      '1 to 5 digits',
      'You can stay at most {days} days.',
      'Skip characters you cannot read',
      'rejects an easy PIN',
      'Included if',
    ])
      expect(sheet).toContain(text);
    expect(sheet).not.toContain('export function');
  });
  test('is the same text each time, without scripts and without addresses of anything', () => {
    expect(sheetOf(set)).toBe(sheet);
    expect(sheet).not.toMatch(/<script|<link|<img|src=|https?:/);
  });
  test('texts of a document never become markup', () => {
    const nasty = fc.string({
      unit: fc.constantFrom('<', '>', '&', '"', "'", 'b', '/', ' ', '{'),
      minLength: 1,
    });
    const tags = (text: string) => text.match(/<\/?[a-z!][^>]*>/g);
    const plain = (label: string): SetDocument => ({
      ...set,
      title: label,
      fields: [{ ...set.fields[0]!, label, hint: label, placeholder: label }],
      forms: [{ id: 'form', title: label, sections: [{ title: label, fields: ['mobile'] }] }],
      trials: [{ id: 't', name: label, why: label, tape: 'field mobile\nexpect codes none\n' }],
    });
    const usual = tags(sheetOf(plain('x')));
    fc.assert(
      fc.property(nasty, (text) => {
        expect(tags(sheetOf(plain(text)))).toEqual(usual);
      }),
      { numRuns: 60 },
    );
  });
  test('a set without fields is a sheet too', () => {
    expect(sheetOf({ arbeit: 2, title: 'Empty', locale: 'en-GB', fields: [] })).toContain(
      '0 fields, 0 forms',
    );
  });
});
