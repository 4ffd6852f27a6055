import type { SetDocument } from '@arbeit/engine/document';
import { readDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import demo from '../demo/ridge-huts.arbeit.json' with { type: 'json' };
import { idFrom, withIdFromLabel } from './follow-label.ts';
import { addNewId, isNewId, keepId, keepIds } from './new-ids.ts';

const set = demo as unknown as SetDocument;

describe('an id from a label', () => {
  test.each([
    ['Guest’s mobile number', 'guests-mobile-number'],
    ['Ankunft (Straße)', 'ankunft-strasse'],
    ['Crème brûlée', 'creme-brulee'],
    ['2nd phone', 'nd-phone'],
    ['  --E-mail--  ', 'e-mail'],
    ['電話番号', ''],
    ['', ''],
    ['The telephone number of the warden of the hut', 'the-telephone-number-of-the-warden-of'],
    ['Donaudampfschifffahrtsgesellschaftskapitaen', 'donaudampfschifffahrtsgesellschaftskapit'],
  ])('%s', (label, id) => {
    expect(idFrom(label)).toBe(id);
  });
});

describe('an id that follows its label', () => {
  const labelled = (label: string): SetDocument => ({
    ...set,
    fields: set.fields.map((field) => (field.id === 'deposit' ? { ...field, label } : field)),
  });
  test('changes wherever the set refers to it, and the set stays valid', () => {
    const { set: next, id } = withIdFromLabel(labelled('Advance payment'), 'fields/deposit')!;
    expect(id).toBe('advance-payment');
    expect(readDocument(next, kinds).ok).toBe(true);
    const tapes = (next.trials ?? []).map(({ tape }) => tape).join('\n');
    const rest = JSON.stringify([next.fields, next.forms, next.texts]);
    expect([/\b(?:field|focus) deposit\b/.test(tapes), /"deposit"|fields\/deposit/.test(rest)]).toEqual([
      false,
      false,
    ]);
  });
  test('is not another field’s id, nor its name in records', () => {
    expect(withIdFromLabel(labelled('Arrival'), 'fields/deposit')?.id).toBe('arrival-2');
    const named = labelled('Advance payment');
    const taken = {
      ...named,
      fields: named.fields.map((field) =>
        field.id === 'arrival' ? { ...field, name: 'advance-payment' } : field,
      ),
    } as SetDocument;
    expect(withIdFromLabel(taken, 'fields/deposit')?.id).toBe('advance-payment-2');
  });
  test('stays where the label gives the same one, or none', () => {
    expect(withIdFromLabel(labelled('Deposit'), 'fields/deposit')).toBeNull();
    expect(withIdFromLabel(labelled('保証金'), 'fields/deposit')).toBeNull();
  });
  test('of a form changes in its trials and texts', () => {
    const forms = set.forms?.map((form) => (form.id === 'change' ? { ...form, title: 'New dates' } : form));
    const { set: next, id } = withIdFromLabel({ ...set, ...(forms ? { forms } : {}) }, 'forms/change')!;
    expect(id).toBe('new-dates');
    expect(readDocument(next, kinds).ok).toBe(true);
    const tapes = (of: SetDocument, name: string) =>
      (of.trials ?? []).filter(({ tape }) => new RegExp(`^form ${name}$`, 'm').test(tape)).length;
    expect(tapes(set, 'change')).toBeGreaterThan(0);
    expect(tapes(next, 'new-dates')).toBe(tapes(set, 'change'));
    expect(tapes(next, 'change')).toBe(0);
  });
});

describe('ids the studio made up', () => {
  const kept = new Map<string, string>();
  beforeEach(() =>
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, text: string) => kept.set(key, text),
    }),
  );
  afterEach(() => {
    kept.clear();
    vi.unstubAllGlobals();
  });
  test('are remembered until somebody sets them or takes code home', () => {
    addNewId('k1', 'fields/date');
    addNewId('k1', 'forms/form');
    addNewId('k2', 'fields/date');
    expect(isNewId('k1', 'fields/date')).toBe(true);
    keepId('k1', 'fields/date');
    expect([isNewId('k1', 'fields/date'), isNewId('k1', 'forms/form')]).toEqual([false, true]);
    keepIds('k1');
    expect([isNewId('k1', 'forms/form'), isNewId('k2', 'fields/date')]).toEqual([false, true]);
  });
  test('the oldest are forgotten first, and rubbish in the browser is nothing', () => {
    for (let n = 0; n <= 500; n++) addNewId('k', `fields/f${n}`);
    expect([isNewId('k', 'fields/f0'), isNewId('k', 'fields/f500')]).toEqual([false, true]);
    kept.set('arbeit.new-ids', '{"a":');
    expect(isNewId('k', 'fields/f500')).toBe(false);
  });
  test('a browser that stores nothing leaves ids as they are', () => {
    vi.stubGlobal('localStorage', undefined);
    addNewId('k', 'fields/date');
    expect(isNewId('k', 'fields/date')).toBe(false);
  });
});
