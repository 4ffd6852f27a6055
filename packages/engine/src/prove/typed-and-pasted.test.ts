import { describe, expect, test } from 'vitest';
import { compileField } from '../document/compile-field.ts';
import type { FieldDocument } from '../document/document.ts';
import { apply, keysOf } from '../field/apply.ts';
import type { FieldState } from '../field/field-state.ts';
import { kinds } from '../kinds/registry.ts';
import { type LawSubject, subjectOf } from './law-subject.ts';

/**
 * Law 8 over all short texts: for each field every text of its alphabet up to a length is typed key by key
 * and pasted. `npm run hard` goes further.
 */
const longest = Number(process.env.ARBEIT_LONGEST_TEXT ?? 4);

const fields: readonly (readonly [kind: string, entry: object, locale: string, alphabet: string])[] = [
  ['number', { decimals: { max: 2 }, negative: 'minus' }, 'en-GB', '012.,-( '],
  ['number', { decimals: { max: 3 }, negative: 'minus' }, 'de-DE', '012.,-( '],
  ['number', { decimals: { max: 3 }, unit: 'kilogram' }, 'fr-FR', '012., kg'],
  ['number', { decimals: { max: 1 }, unit: 'day', negative: 'minus' }, 'pl-PL', '0125,-ni '],
  ['currency', { currency: 'EUR', negative: 'minus' }, 'de-DE', '012.,- €'],
  ['currency', { currency: 'CHF', negative: 'parentheses' }, 'de-CH', "012.'-() "],
  ['currency', { currency: 'GBP', fill: 'right', negative: 'minus' }, 'en-GB', '012.,-£ '],
  ['currency', { currency: 'JPY' }, 'ja-JP', '012.,-¥'],
  ['currency', { currency: 'SEK', negative: 'minus' }, 'sv-SE', '012,:-k '],
  ['percent', { negative: 'minus', decimals: { max: 1 } }, 'en-GB', '0123.,-%'],
  ['duration', {}, 'en-GB', '0159hm:., '],
  ['duration', { bare: 'h' }, 'en-GB', '0159hm:., '],
  ['duration', { units: ['h'] }, 'de-DE', '0159hm:., '],
  ['duration', { units: ['min'] }, 'en-GB', '0159hm:., '],
  ['time', { clock: 24 }, 'en-GB', '01269:. am'],
  ['time', { clock: 12 }, 'en-US', '0126:. apm'],
  ['time', { clock: 24, seconds: true }, 'en-GB', '01259:'],
  ['date', {}, 'en-GB', '01239/.- '],
  ['date', {}, 'en-US', '01239/.- '],
  ['date', { order: 'ymd' }, 'sv-SE', '01239/.- '],
  ['date', {}, 'fa-IR', '01239/.- '],
  ['date', { parts: 'month' }, 'en-GB', '01239/.- '],
  ['date', { parts: 'month' }, 'ja-JP', '01239/.- '],
  ['date-time', {}, 'en-GB', '0123/: ,'],
  ['date-time', { clock: 12 }, 'en-US', '0129/: p'],
  ['phone', { home: 'GB' }, 'en-GB', '0147+()- x'],
  ['phone', { home: 'US', extension: true }, 'en-US', '0125+()- x'],
  ['phone', { home: 'RU' }, 'ru-RU', '0789+()-'],
  ['pin', { length: 4 }, 'en-GB', '0127a -'],
  ['one-time-code', { length: 4, groups: [2, 2] }, 'en-GB', '0127a -'],
  ['text', {}, 'en-GB', 'aé-e\u0301 '],
  ['text', { max: 3, case: 'upper', collapse: true }, 'en-GB', 'aß e\u0308'],
  ['pattern', { pattern: '<2 digit>-<2 latin upper>' }, 'en-GB', '019-aB '],
  ['pattern', { pattern: '<2-4 digit>-<2 digit>' }, 'en-GB', '019-a '],
  ['pattern', { pattern: '<4 digit><? ext. <1-2 digit>>' }, 'en-GB', '019ext. '],
  ['pattern', { pattern: '<00..23>:<00..59>' }, 'en-GB', '01269: '],
  ['pattern', { pattern: '<01..12>:<00..59> <AM|PM>' }, 'en-GB', '0126:ap '],
  ['pattern', { pattern: '+1 <2 digit>-<2 digit>', literals: 'ahead' }, 'en-GB', '019-+ '],
  ['pattern', { pattern: '<0-2 letter>-<0-2 digit>', positions: 'fixed' }, 'en-GB', '019-ab '],
  ['pattern', { pattern: ['<"1"><"01"> <digit>', '<2 digit>-<2 digit>'] }, 'en-GB', '0129- '],
  ['pattern', { pattern: ['R-<2 digit>', '<2 latin upper><digit>', '<1-3 digit>/<2 digit>'] }, 'en-GB', '01ra-/ '],
]; // biome-ignore format: a table

/** Texts that give different values, typed and pasted, although neither way refuses anything. */
function different(
  { field, fresh }: LawSubject,
  alphabet: string,
): { texts: number; both: number; found: string[] } {
  const value = (state: FieldState) =>
    field.kind.value(field.plan, apply(field, state, { type: 'leave' }).body);
  const seen = { texts: 0, both: 0, found: [] as string[] };
  const grow = (text: string, typed: FieldState): void => {
    for (const c of alphabet) {
      const [key] = keysOf(c);
      const next = apply(field, typed, key!);
      seen.texts++;
      // What follows a refused key is refused as well, so no longer text of it has to be looked at.
      if (next.rejected !== null) continue;
      const pasted = apply(field, fresh, { type: 'paste', text: text + c });
      if (!pasted.rejected && !pasted.leftOut) {
        seen.both++;
        if (value(next) !== value(pasted))
          seen.found.push(`${text + c}: typed ${value(next)}, pasted ${value(pasted)}`);
      }
      if (text.length + 1 < longest) grow(text + c, next);
    }
  };
  grow('', fresh);
  return seen;
}

describe('law 8: every short text, typed and pasted, is one value or is refused', () => {
  test.each(fields)('%s %j %s', (kind, entry, locale, alphabet) => {
    const document = { id: 'f', kind, label: 'F', entry } as FieldDocument;
    const subject = subjectOf(compileField(document, { locale }, kinds), kinds, '2027-02-10');
    const { found, both } = different(subject, alphabet);
    expect(found).toEqual([]);
    expect(both).toBeGreaterThan(50);
  });
});
