// Texts of `screens/shelf/set-section.tsx`.

import { fieldCount } from '../shared.ts';

export { field, newField, restore, rules, trials } from '../shared.ts';

export const fieldsOf = (title: string) => `Fields of ${title}`;
export const setTitle = 'Set title';
export const noMatchingFields = 'No matching fields.';
export const noFieldsYet =
  'No fields yet. Use “New field” to start from example values, a field kind or a demo field.';
export const showOfMore = (min: number, count: number) => `Show ${min} of ${count} more`;
export const wasDeleted = (name: string) => `“${name}” was deleted.`;
export const fieldsAndLocale = (count: number, locale: string) => `${fieldCount(count)} · ${locale}`;
export const tryIt = 'Try it';
export const kindAndSample = 'Kind and sample';
