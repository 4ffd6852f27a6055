import { expect, test } from 'vitest';
import { kinds } from '../kinds/registry.ts';
import { readDocument } from './read-document.ts';
import { documentVersion, migrated, migrationsOf } from './versions.ts';

const code = 'export const shape = (content) => content;';
const version1 = {
  arbeit: 1,
  title: 'Huts',
  locale: 'en-GB',
  fields: [
    { id: 'pass', kind: 'pattern', label: 'own', entry: { pattern: 'RH-<4 digit>' } },
    { id: 'own', kind: 'own', label: 'Locker', entry: { code } },
  ],
};
const version2 = {
  ...version1,
  arbeit: 2,
  fields: [version1.fields[0], { ...version1.fields[1], kind: 'custom' }],
};

test('a document of version 1 is read as the same document of the current version', () => {
  const before = structuredClone(version1);
  const [old, current] = [readDocument(version1, kinds), readDocument(version2, kinds)];
  expect(old).toEqual(current);
  expect(old).toMatchObject({ ok: true, document: version2 });
  expect(version1).toEqual(before);
});

test.each([
  ['\\w+\\@\\w+', '\\w+@\\w+'],
  ['a\\-b\\_c\\ d', 'a-b_c d'],
  ['[\\w\\-\\@]', '[\\w\\-@]'],
  ['\\.\\\\\\@', '\\.\\\\@'],
  ['[a-z]+', '[a-z]+'],
])('an expression of version 1 has its idle escapes taken out: %s', (pattern, current) => {
  const field = {
    id: 'mail',
    kind: 'text',
    label: 'Mail',
    rules: [{ id: 'm', check: { type: 'matches', pattern } }],
  };
  const set = { arbeit: 1, title: 'Huts', locale: 'en-GB', fields: [field] };
  const read = readDocument(set, kinds);
  expect(read).toMatchObject({
    ok: true,
    document: { fields: [{ rules: [{ check: { pattern: current } }] }] },
  });
  expect(() => new RegExp(current, 'u')).not.toThrow();
});

test('only what differs is replaced, and a current document is the same object', () => {
  expect(migrationsOf(version1)).toEqual([
    { path: ['arbeit'], value: documentVersion },
    { path: ['fields', 1, 'kind'], value: 'custom' },
  ]);
  expect(migrated(version2)).toBe(version2);
  expect((migrated(version1) as typeof version1).fields[0]).toBe(version1.fields[0]);
});

test.each([
  null,
  7,
  'x',
  [],
  {},
  { arbeit: 1 },
  { arbeit: 1, fields: 7 },
  { arbeit: 1, fields: [null, 7, [], { kind: 7 }, { kind: 'toString' }, { kind: '__proto__' }] },
])('%j does not throw and keeps its members', (value) => {
  const next = migrated(value);
  if (typeof value === 'object' && value !== null && 'arbeit' in value)
    expect(next).toEqual({ ...value, arbeit: documentVersion });
  else expect(next).toBe(value);
});

test.each([0, 3, '2', null])('version %j is not read, and the fault names those that are', (arbeit) => {
  const read = readDocument({ ...version2, arbeit }, kinds);
  expect(read).toMatchObject({ ok: false, faults: [{ path: '$.arbeit', suggestion: '2' }] });
  expect(read.ok || read.faults[0]?.message).toContain('Expected 1 or 2.');
});

test('version 2 does not know the old name of a kind', () => {
  const read = readDocument({ ...version1, arbeit: 2 }, kinds);
  expect(read).toMatchObject({ ok: false, faults: [{ path: '$.fields[1].kind' }] });
});
