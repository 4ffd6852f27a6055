import { type FormDocument, fieldIdsOf, readDocument, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { expect, test } from 'vitest';
import demo from '../demo/ridge-huts.arbeit.json' with { type: 'json' };
import {
  addForm,
  addFormRule,
  addSection,
  addToForm,
  changeForm,
  changeSection,
  formOf,
  linesOf,
  moveLine,
  moveSection,
  nameOfLine,
  type Place,
  removeForm,
  removeFromForm,
  removeSection,
  sectionsOf,
  splitSection,
} from './form-edits.ts';
import { putBack } from './put-back.ts';
import { removeField, renameField } from './references.ts';

const set = demo as unknown as SetDocument;
const booking = formOf(set, 'booking')!;
const isSound = (document: SetDocument) => readDocument(document, kinds);
const namesOf = (form: FormDocument) => linesOf(form).map(nameOfLine);

test('fields move from section to section as lines of one list, and heads with them', () => {
  const small: FormDocument = {
    id: 'f',
    sections: [
      { title: 'A', fields: ['a', 'b'] },
      { title: 'B', fields: ['c'] },
    ],
  };
  expect(namesOf(small)).toEqual(['section 0', 'a', 'b', 'section 1', 'c']);
  expect(sectionsOf(moveLine(small, 'b', 3)).map(({ fields }) => fields)).toEqual([['a'], ['b', 'c']]);
  expect(sectionsOf(moveLine(small, 'c', 0)).map(({ fields }) => fields)).toEqual([['c', 'a', 'b'], []]);
  for (const [at, to] of [
    [1, 0],
    [0, 9],
    [1, -9],
  ] as const)
    expect(sectionsOf(moveSection(small, at, to))).toEqual([
      { title: 'B', fields: ['c'] },
      { title: 'A', fields: ['a', 'b'] },
    ]);
  expect(moveSection(small, 0, 0)).toBe(small);
  expect(moveLine(small, 'a', 1)).toBe(small);
  expect(moveLine(small, 'nobody', 1)).toBe(small);
  expect(sectionsOf(moveLine(small, 'a', 99)).map(({ fields }) => fields)).toEqual([['b'], ['c', 'a']]);
});

test('sections are added, changed and taken away, and no field is lost', () => {
  const more = addSection(booking, 2);
  expect(sectionsOf(more)).toHaveLength(4);
  expect(sectionsOf(addSection(booking, 0))[1]).toEqual({ title: 'Another section', fields: [] });
  expect(sectionsOf(changeSection(more, 3, (section) => ({ ...section, columns: 2 })))[3]).toMatchObject({
    columns: 2,
  });
  for (const at of [0, 1, 2, 3]) {
    const less = removeSection(more, at);
    expect(
      sectionsOf(less)
        .flatMap(({ fields }) => fields)
        .sort(),
    ).toEqual(
      sectionsOf(booking)
        .flatMap(({ fields }) => fields)
        .sort(),
    );
  }
  for (const id of fieldIdsOf(booking)) {
    const split = splitSection(booking, id);
    // Every field stays where it was in the form, and the one it is split after is the last before a heading.
    expect(fieldIdsOf(split)).toEqual(fieldIdsOf(booking));
    expect(sectionsOf(split)).toHaveLength(sectionsOf(booking).length + 1);
    const at = sectionsOf(split).findIndex(({ fields }) => fields.at(-1) === id);
    expect(sectionsOf(split)[at + 1]?.title).toBe('Another section');
  }
  expect(splitSection(booking, 'nobody')).toBe(booking);
  const bare: FormDocument = { id: 'f', fields: ['mobile'] };
  expect(removeSection(bare, 0)).toBe(bare);
  const added = (field: string, place: Place) => addToForm(set, bare, field, place).sections?.[0]?.fields;
  expect(added('email', { after: 'mobile' })).toEqual(['mobile', 'email']);
  expect(added('email', { section: 0 })).toEqual(['mobile', 'email']);
  // With what it depends on, before it.
  expect(added('dog-name', { after: 'mobile' })).toEqual(['mobile', 'dog', 'dog-name']);
  expect(addToForm(set, booking, 'email', { section: 0 })).toEqual(booking);
  // Into the section that is meant, and no other.
  const two = { id: 'f', sections: [{ fields: ['mobile'] }, { fields: ['arrival', 'departure'] }] };
  const places = [{ section: 1 }, { after: 'arrival' }] as const;
  expect(
    places.map((place) => sectionsOf(addToForm(set, two, 'hut', place)).map(({ fields }) => fields)),
  ).toEqual([
    [['mobile'], ['arrival', 'departure', 'hut']],
    [['mobile'], ['arrival', 'hut', 'departure']],
  ]);
});

test('a field that goes out of a form takes the rules along that speak of it', () => {
  const out = removeFromForm(set, booking, 'arrival');
  expect(out.rules).toEqual([]);
  const change = removeFromForm(set, formOf(set, 'change')!, 'change-code');
  expect([change.completes, change.rules?.map(({ id }) => id)]).toEqual([undefined, ['order']]);
  expect(isSound(changeForm(set, 'booking', () => out))).toMatchObject({ ok: true });
});

test('whatever field goes out of a form, what hangs on it goes along and the set stays sound', () => {
  expect(sectionsOf(removeFromForm(set, booking, 'dog'))[2]?.fields).toEqual([
    'hut',
    'deposit',
    'extras',
    'remarks',
  ]);
  for (const form of set.forms!)
    for (const field of sectionsOf(form).flatMap(({ fields }) => fields)) {
      const next = changeForm(set, form.id, (own) => removeFromForm(set, own, field));
      expect([form.id, field, isSound(next)]).toMatchObject([form.id, field, { ok: true }]);
    }
});

test('a new form is sound, under an id of its own', () => {
  const once = addForm(set);
  const twice = addForm(once.set);
  expect([once.id, twice.id]).toEqual(['form', 'form-2']);
  expect(isSound(twice.set)).toMatchObject({ ok: true });
  expect(removeForm(once.set, 'form')).toEqual(set);
  const rule = booking.rules![0]!;
  expect(addFormRule(booking, rule).rules?.map(({ id }) => id)).toEqual(['order', 'two-weeks', 'order-2']);
});

test('whatever field is deleted or renamed, the set stays sound; put back, it is as it was', () => {
  for (const [at, field] of set.fields.entries()) {
    const without = removeField(set, field.id);
    expect([field.id, isSound(without)]).toMatchObject([field.id, { ok: true }]);
    expect(JSON.stringify(without)).not.toContain(`"field":"${field.id}"`);
    expect(putBack(without, { setKey: 's', field, at, before: set })).toBe(set);
    // Something else has changed since: it stays, and the field comes back into its forms.
    const since = { ...without, title: 'Huts' };
    const back = putBack(since, { setKey: 's', field, at, before: set });
    expect([
      back.title,
      back.forms?.map((form) => sectionsOf(form).map(({ fields }) => fields.length)),
    ]).toEqual(['Huts', set.forms?.map((form) => sectionsOf(form).map(({ fields }) => fields.length))]);
    const renamed = renameField(set, field.id, 'renamed');
    expect([field.id, isSound(renamed)]).toMatchObject([field.id, { ok: true }]);
    expect(renameField(renamed, 'renamed', field.id)).toEqual(set);
  }
});
