import { languages } from '@arbeit/engine/rules';
import { expect, test } from 'vitest';
import { messageLanguages } from '../ui/locales.ts';
import { isOther } from './languages.ts';
import { loaders } from './more-languages.ts';

test('every language that ships is offered, and fetched when a field needs it', async () => {
  const tags = Object.keys(languages).toSorted();
  expect(messageLanguages).toEqual(tags);
  expect(Object.keys(loaders).toSorted()).toEqual(tags.filter((tag) => tag !== 'en'));
  expect(tags.filter(isOther)).toEqual(Object.keys(loaders).toSorted());
  expect(isOther('en') || isOther('fi') || isOther('')).toBe(false);
  for (const [tag, load] of Object.entries(loaders)) expect(await load()).toBe(languages[tag]);
});
