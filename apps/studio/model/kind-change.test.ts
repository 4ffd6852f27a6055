import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { readDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { describe, expect, test } from 'vitest';
import demo from '../demo/ridge-huts.arbeit.json' with { type: 'json' };
import { duplicateField, moveField, problemWithId } from './field-edits.ts';
import { bareField, turnedIn, withKind } from './kind-change.ts';
import { renameField } from './references.ts';

const set = demo as unknown as SetDocument;
const names = Object.keys(kinds);
const isSound = (field: FieldDocument) => {
  const others = set.fields.filter(({ id }) => id !== field.id);
  return readDocument(
    { ...set, fields: [field, ...others.map(({ when: _, rules: __, ...one }) => one)], forms: [] },
    kinds,
  ).ok;
};

test.each(names)('a bare %s is a sound field with neutral words', (kind) => {
  const field = bareField(kind, kinds);
  expect(isSound(field)).toBe(true);
  expect(field.label).not.toMatch(/hut|ridge/i);
});

describe('another kind', () => {
  test.each(set.fields.map((field) => [field.id, field] as const))(
    '%s becomes any, and stays sound',
    (_, field) => {
      for (const kind of names) {
        const { field: turned } = withKind(field, kind, set, kinds);
        expect([kind, isSound(turned)]).toEqual([kind, true]);
        expect(turned).toMatchObject({ id: field.id, label: field.label, kind });
      }
    },
  );

  test('keeps what the new kind can have, and says what had to go', () => {
    const deposit = set.fields.find(({ id }) => id === 'deposit')!;
    const { field, lost } = withKind(deposit, 'date', set, kinds);
    expect(field.rules?.map(({ id }) => id)).toEqual(['needed']);
    expect(lost).toEqual(['the rule “most”', 'the rule “least”']);
    expect(withKind(deposit, 'number', set, kinds).lost).toEqual([]);
  });
});

test.each(set.fields.map((field) => [field.id, field] as const))(
  'with %s turned the whole set stays sound, and what spoke of it goes with words',
  (_, field) => {
    for (const kind of names) {
      const { field: turned } = withKind(field, kind, set, kinds);
      expect([kind, readDocument(turnedIn(set, turned, kinds).set, kinds)]).toMatchObject([
        kind,
        { ok: true },
      ]);
    }
  },
);

test('a day turned into a text takes what compares with it along', () => {
  const arrival = set.fields.find(({ id }) => id === 'arrival')!;
  const { lost } = turnedIn(set, withKind(arrival, 'text', set, kinds).field, kinds);
  expect(lost).toEqual([
    'the rule “order” of booking',
    'the rule “two-weeks” of booking',
    'the rule “order” of change',
  ]);
});

describe('fields of a set', () => {
  test('again, behind itself, under a free id', () => {
    const { set: next, id } = duplicateField(set, 'email');
    expect(id).toBe('email-2');
    expect(next.fields.slice(1, 3).map((field) => field.id)).toEqual(['email', 'email-2']);
    expect(duplicateField(next, 'email').id).toBe('email-3');
  });
  test('moved, inside the ends', () => {
    expect(moveField(set, 'mobile', 99).fields.at(-1)!.id).toBe('mobile');
    expect(moveField(set, 'email', -4).fields[0]!.id).toBe('email');
    expect(moveField(set, 'mobile', 0)).toBe(set);
  });
  test('renamed, wherever the set speaks of it', () => {
    const next = renameField(set, 'mobile', 'telephone');
    expect(next.fields.some(({ id }) => id === 'mobile')).toBe(false);
    expect(JSON.stringify(next.forms)).toContain('"telephone"');
    expect(JSON.stringify(next.forms)).not.toContain('"mobile"');
    expect(readDocument(next, kinds)).toMatchObject({ ok: true });
    expect(problemWithId(set, 'email', 'mobile')).toContain('already in use');
    expect(problemWithId(set, 'Tele phone', 'mobile')).toContain('lower-case');
    expect(problemWithId(set, 'mobile', 'mobile')).toBeNull();
  });
});

test.each([
  ['de-CH', 'CH'],
  ['en-US', 'US'],
  ['de', 'DE'],
  ['fr-FR', 'FR'],
  ['en-GB', 'GB'],
  ['eo', 'GB'],
])('a new telephone field in %s begins with its region', (locale, home) => {
  expect(bareField('phone', kinds, locale).entry).toMatchObject({ home });
});
