import { fieldIdsOf, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { unzipSync } from 'fflate';
import { describe, expect, test } from 'vitest';
import demo from '../../demo/ridge-huts.arbeit.json' with { type: 'json' };
import { chosen, everything, taken } from './choice.ts';
import { foldersOf } from './folders.ts';
import { highlighted } from './highlight.ts';
import { inKilobytes, inksOf } from './weight-words.ts';
import { withoutCustomCode } from './without-custom-code.ts';
import { zipped } from './zip.ts';

const set = demo as unknown as SetDocument;

describe('what goes along of a set', () => {
  test('all of it is the set itself', () => {
    expect(JSON.stringify(chosen(set, everything(set)))).toBe(JSON.stringify(set));
  });
  test('trials go along with what they are played on', () => {
    const ids = (choice: { fields: string[]; forms: string[] }) =>
      chosen(set, choice).trials?.map(({ id }) => id);
    expect(ids({ fields: ['dog'], forms: [] })).toEqual(['dog']);
    expect(ids({ fields: [], forms: ['change'] })).toEqual(
      expect.arrayContaining(['mobile', 'change-code', 'change-of-booking']),
    );
    expect(ids({ fields: [], forms: ['change'] })).not.toContain('booking-form');
    expect(chosen(set, { fields: ['dog-name'], forms: [] })).not.toHaveProperty('trials');
  });
  test('a form takes its fields along, chosen or not, in the order of the set', () => {
    const { fields, forms } = chosen(set, { fields: ['member'], forms: ['change'] });
    expect(fields.map(({ id }) => id)).toEqual(['mobile', 'arrival', 'departure', 'member', 'change-code']);
    expect(forms?.map(({ id }) => id)).toEqual(['change']);
    expect([...taken(set, ['change'])]).toEqual(fieldIdsOf(set.forms!.find(({ id }) => id === 'change')!));
  });
  test('without forms there is no list of them; of nothing nothing is left', () => {
    expect(chosen(set, { fields: ['dog'], forms: [] })).not.toHaveProperty('forms');
    expect(chosen(set, { fields: [], forms: ['nobody'] }).fields).toEqual([]);
  });
  test('where no sandbox is, own code stays out, and nothing else does', () => {
    const own = { id: 'own', check: { type: 'custom', code: 'export default () => {}' } } as const;
    const [first, ...others] = set.fields;
    const withCode = { ...set, fields: [{ ...first!, rules: [...(first!.rules ?? []), own] }, ...others] };
    const { fields, ...bare } = withoutCustomCode(withCode as SetDocument, kinds);
    const shaped = ({ id }: { readonly id: string }): boolean => id === 'map-square';
    expect({ ...bare, fields: fields.filter((one) => !shaped(one)) }).toEqual({
      ...set,
      fields: set.fields.filter((one) => !shaped(one)),
    });
    // A shape shows what was typed, and keeps all else.
    expect(fields.find(shaped)).toEqual({
      ...set.fields.find(shaped),
      entry: {
        ...set.fields.find(shaped)!.entry,
        code: 'export function shape(content) { return content; }',
      },
    });
  });
});

test('files by folder, those beside them first', () => {
  expect(foldersOf([['README.md', 'abc'], ['run-time/fields.js', '12'], ['run-time/deep/x.js', '3'], ['fields.js', '']])).toEqual([
    { folder: '', files: [{ path: 'README.md', name: 'README.md' }, { path: 'fields.js', name: 'fields.js' }], bytes: 3 },
    { folder: 'run-time', files: [{ path: 'run-time/fields.js', name: 'fields.js' }, { path: 'run-time/deep/x.js', name: 'deep/x.js' }], bytes: 3 },
  ]); // biome-ignore format: a folder a line
});

test('an archive of the same files is the same archive, and has them all in it', () => {
  const files = [
    ['README.md', '# Huts'],
    ['types/a.d.ts', 'é漢'],
  ] as const;
  const archive = zipped('huts', files);
  expect(zipped('huts', files)).toEqual(archive);
  const inside = unzipSync(archive);
  expect(Object.entries(inside).map(([path, bytes]) => [path, new TextDecoder().decode(bytes)])).toEqual([
    ['huts/README.md', '# Huts'],
    ['huts/types/a.d.ts', 'é漢'],
  ]);
});

test('weights in words, and one ink for a part in all bars', () => {
  expect([0, 999, 1000, 12_345, 123_456].map(inKilobytes)).toEqual([
    '0 B',
    '999 B',
    '1.0 kB',
    '12.3 kB',
    '123 kB',
  ]);
  const parts = (...all: [string, number][]) => all.map(([name, bytes]) => ({ name, bytes }));
  const inks = inksOf([
    { use: 'dom', bytes: 3, parts: parts(['rules', 1], ['a field', 2]) },
    { use: 'react', bytes: 6, parts: parts(['a field', 2], ['react', 4], ['rules', 1]) },
  ]);
  expect([...inks]).toEqual([
    ['a field', 0],
    ['react', 1],
    ['rules', 2],
  ]);
});

describe('code in inks', () => {
  const inksIn = (text: string, language: string) =>
    highlighted(text, language)
      .filter(({ ink }) => ink)
      .map(({ text: run, ink }) => [run, ink]);
  test('all of the text stays, in its order', () => {
    for (const [text, language] of [
      ['const a = "x"; // y\n', 'js'],
      ['<p class="a">b</p>', 'html'],
      ['type A = `+${' + 'number}`;', 'ts'],
      ['# Heading', 'md'],
    ] as const)
      expect(
        highlighted(text, language)
          .map((run) => run.text)
          .join(''),
      ).toBe(text);
  });
  test('words of the language, what is quoted, what is said aside', () => {
    expect(inksIn('const a = "x"; // y', 'js')).toEqual([
      ['const', 'word'],
      ['"x"', 'quoted'],
      ['// y', 'aside'],
    ]);
    expect(inksIn('<p class="a">b</p>', 'html')).toContainEqual(['p', 'name']);
    expect(inksIn('# Heading', 'md')).toEqual([]);
    expect(inksIn(`const a = ${'1'.repeat(130_000)};`, 'js')).toEqual([]);
  });
});
