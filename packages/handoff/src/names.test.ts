import { expect, test } from 'vitest';
import { fileName, slug } from './names.ts';

test('names made of titles drop accents and apostrophes, and never end in a hyphen', () => {
  expect(
    ['Guest’s crème brûlée', 'Übersicht der Hütten!', 'Straße 5', '…', 'ﬁnal'].map((text) => slug(text)),
  ).toEqual(['guests-creme-brulee', 'ubersicht-der-hutten', 'strasse-5', '', 'final']);
  expect([fileName('Übersicht der Hütten'), fileName('漢字')]).toEqual([
    'ubersicht-der-hutten.arbeit.json',
    'set.arbeit.json',
  ]);
  expect(fileName('x'.repeat(80)).length).toBe(60 + '.arbeit.json'.length);
});
