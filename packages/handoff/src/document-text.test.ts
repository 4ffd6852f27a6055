import { describe, expect, test } from 'vitest';
import { placesIn, readDocumentText } from './document-text.ts';

const faultsOf = (text: string) => {
  const result = readDocumentText(text);
  return result.ok ? [] : result.faults;
};

describe('text that is no document, by line and column', () => {
  test.each<[string, string, number, number]>([
    ['a colon left out', '{\n  "arbeit": 2,\n  "title" "x"\n}', 3, 11],
    ['a comma left out', '{\n  "arbeit": 2\n  "title": "x"\n}', 3, 3],
    ['a comma too many', '{ "fields": [1,] }', 1, 16],
    ['a quote left out', '{\n\n  "title: 1\n}', 3, 3],
    ['a bracket left out', '{ "fields": [ {}', 1, 17],
    ['a comment', '{\n  // a word\n  "arbeit": 2 }', 2, 3],
    ['a single quote', "{ 'arbeit': 1 }", 1, 3],
    ['an escape there is not', '{ "title": "a\\qb" }', 1, 12],
    ['something behind the end', '{} []', 1, 4],
    ['nothing', '', 1, 1],
    ['a key that stands twice', '{\n  "arbeit": 2,\n  "title": "a",\n  "title": "b"\n}', 4, 3],
    ['a key that stands twice, deep', '{ "fields": [ {},\n { "id": "a", "id": "b" } ] }', 2, 15],
  ])('%s', (_, text, line, column) => {
    expect(faultsOf(text)[0]).toMatchObject({ line, column });
  });

  test('the second of a pair names the first, and a text of mistakes is capped', () => {
    const [twice] = faultsOf('{\n  "title": "a",\n  "title": "b"\n}');
    expect(twice).toMatchObject({ path: '$.title', message: expect.stringContaining('line 2') });
    expect(faultsOf(`{${'\n? '.repeat(500)}}`).length).toBeLessThanOrEqual(51);
  });
});

test('a path leads to its line and column, or to its nearest parent', () => {
  const text = '{\n  "fields": [\n    { "id": "a", "odd name": { "b\\"c": 1 } }\n  ]\n}';
  const placeIn = placesIn(text);
  expect(placeIn('$.fields[0].id')).toEqual({ line: 3, column: 13 });
  expect(placeIn('$.fields[0]["odd name"]["b\\"c"]')).toEqual({ line: 3, column: 40 });
  expect(placeIn('$.fields[0].label')).toEqual({ line: 3, column: 5 });
  expect(placeIn('$.forms')).toEqual({ line: 1, column: 1 });
});

test('a column counts characters, on a line of a million as well, and many places are found at once', () => {
  const odd = '{"a": "🗝️", "b": 1}';
  expect(placesIn(odd)('$.b')).toEqual({ line: 1, column: [...odd.slice(0, odd.indexOf('1'))].length + 1 });
  const text = JSON.stringify({ list: Array.from({ length: 100_000 }, (_, i) => `🗝${i}`) });
  const placeIn = placesIn(text);
  for (let i = 0; i < 100_000; i += 997)
    expect(placeIn(`$.list[${i}]`).column).toBe([...text.slice(0, text.indexOf(`"🗝${i}"`))].length + 1);
});

test.each([
  ['lists', '['.repeat(50_000)],
  ['objects', '{"a":'.repeat(50_000)],
  ['a document', `{"arbeit": 2, "fields": ${'['.repeat(50_000)}${']'.repeat(50_000)}}`],
])('%s one inside another without end are told by their place, and are no fault of the reader', (_, text) => {
  expect(faultsOf(text)).toEqual([expect.objectContaining({ line: 1, code: 'too-deep' })]);
  expect(placesIn(text)('$[0][0]')).toEqual({ line: 1, column: 1 });
});

test('brackets in texts are no depth', () => {
  const text = `{"arbeit": 2, "title": "${'['.repeat(500)}", "locale": "en-GB", "fields": []}`;
  expect(readDocumentText(text).ok).toBe(true);
});
