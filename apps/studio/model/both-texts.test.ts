import type { SetDocument } from '@arbeit/engine/document';
import { expect, test } from 'vitest';
import demo from '../demo/ridge-huts.arbeit.json' with { type: 'json' };
import { bothTexts } from './both-texts.ts';
import { differences } from './differences.ts';

const set = demo as unknown as SetDocument;

test('texts that two versions have differently are shown in both, whatever they belong to', () => {
  expect(bothTexts(set, set)).toEqual([]);
  const mine = {
    ...set,
    title: 'Huts',
    fields: set.fields.map((field) =>
      field.id === 'deposit' ? { ...field, hint: 'Mine', placeholder: undefined } : field,
    ),
    forms: set.forms?.map((form) => (form.id === 'booking' ? { ...form, title: 'Stay' } : form)),
  } as SetDocument;
  expect(bothTexts(set, mine)).toEqual([
    { of: '', member: 'title', theirs: 'Ridge Huts', mine: 'Huts' },
    {
      of: 'Deposit',
      member: 'hint',
      theirs: 'Between £20 and £500. It is deducted from the bill.',
      mine: 'Mine',
    },
    { of: 'Booking', member: 'title', theirs: 'Booking', mine: 'Stay' },
  ]);
});

test('every member of a set that differs is named in words', () => {
  const other = {
    ...set,
    title: 'x',
    locale: 'de',
    trials: [],
    texts: {},
    forms: [],
    classes: {},
    language: 'fr',
  };
  const said = differences(set, { ...other, fields: set.fields } as SetDocument)[0]!;
  for (const word of ['title', 'locale', 'language', 'trials', 'translations', 'forms', 'character classes'])
    expect(said.toLowerCase()).toContain(word);
});
