import Ajv2020 from 'ajv/dist/2020.js';
import { expect, test } from 'vitest';
import { most } from '../faults/limits.ts';
import { kinds } from '../kinds/registry.ts';
import { readDocument } from './read-document.ts';
import { documentSchema } from './schema.ts';

const schema = documentSchema(kinds);
const isBySchema = new Ajv2020({ strict: true, allowUnionTypes: true, strictRequired: false }).compile(
  schema,
);

type Node = Readonly<Record<string, unknown>>;

/** Every schema within a schema, with the path it stands at. */
function* within(node: unknown, path: string): Generator<readonly [path: string, node: Node]> {
  if (typeof node !== 'object' || node === null) return;
  if (!Array.isArray(node)) yield [path, node as Node];
  for (const [key, inner] of Object.entries(node)) yield* within(inner, `${path}/${key}`);
}

const is = (node: Node, type: string): boolean => [node.type].flat().includes(type);

test('every text, every list and every object of free names has its limit', () => {
  const without = [...within(schema, '#')].filter(([path, node]) => {
    // Of a kind's own rules only the checks are told there; the list itself is told at the field.
    if (/\/then\/properties\/rules$/.test(path)) return false;
    if (is(node, 'string')) return node.maxLength === undefined;
    if (is(node, 'array')) return node.maxItems === undefined;
    if (!is(node, 'object') || typeof node.additionalProperties !== 'object') return false;
    const names = (node.propertyNames ?? {}) as Node;
    return node.maxProperties === undefined && names.enum === undefined;
  });
  expect(without.map(([path]) => path)).toEqual([]);
});

const many = <T>(n: number, of: (i: number) => T): T[] => Array.from({ length: n }, (_, i) => of(i));
const named = (n: number, prefix: string, value: unknown) =>
  Object.fromEntries(many(n, (i) => [`${prefix}${i}`, value]));
const text = (more: object = {}) => ({ id: 'a', kind: 'text', label: 'A', ...more });
const set = (more: object = {}) => ({ arbeit: 2, title: 'T', locale: 'en-GB', fields: [text()], ...more });
const withField = (more: object) => set({ fields: [text(more), { ...text(), id: 'b' }] });
const withCheck = (check: object) => withField({ rules: [{ id: 'r', check }] });
const code = 'export default () => {};';
const shape = 'export function shape(c) { return c; }';

test.each<[what: string, limit: number, make: (n: number) => unknown]>([
  ['fields', most.items, (n) => set({ fields: many(n, (i) => ({ ...text(), id: `f${i}` })) })],
  ['forms', most.items, (n) => set({ forms: many(n, (i) => ({ id: `f${i}`, fields: ['a'] })) })],
  [
    'trials',
    most.items,
    (n) => set({ trials: many(n, (i) => ({ id: `t${i}`, tape: 'field a\nexpect codes none' })) }),
  ],
  [
    'rules of a field',
    most.rules,
    (n) => withField({ rules: many(n, (i) => ({ id: `r${i}`, check: { type: 'required' } })) }),
  ],
  [
    'rules of a form',
    most.rules,
    (n) =>
      set({
        forms: [
          {
            id: 'f',
            fields: ['a'],
            rules: many(n, (i) => ({ id: `r${i}`, field: 'a', check: { type: 'required' } })),
          },
        ],
      }),
  ],
  [
    'conditions',
    most.conditions,
    (n) => withField({ when: { any: many(n, () => ({ field: 'b', is: 'x' })) } }),
  ],
  [
    'other fields of own code',
    most.with,
    (n) => withCheck({ type: 'custom', code, with: many(n, () => 'b') }),
  ],
  ['values', most.items, (n) => withCheck({ type: 'in', values: many(n, String) })],
  [
    'choices',
    most.items,
    (n) =>
      set({
        fields: [
          {
            id: 'a',
            kind: 'choice',
            label: 'A',
            entry: { options: many(n, (i) => ({ value: `v${i}`, label: `L ${i}` })) },
          },
        ],
      }),
  ],
  ['classes', most.classes, (n) => set({ classes: named(n, 'c', 'a-z') })],
  [
    'languages',
    most.languages,
    (n) => set({ texts: Object.fromEntries(many(n, (i) => [`de-${1000 + i}`, {}])) }),
  ],
  ['texts of a language', most.texts, (n) => set({ texts: { de: named(n, 'fields/a/x', 'X') } })],
  ['a title', most.characters, (n) => set({ title: 'T'.repeat(n) })],
  ['a title beyond the first plane', most.characters, (n) => set({ title: '😀'.repeat(n) })],
  ['an id', most.id, (n) => set({ fields: [{ ...text(), id: 'a'.repeat(n) }] })],
  ['a hint', most.characters, (n) => withField({ hint: 'h'.repeat(n) })],
  ['an attribute', most.characters, (n) => withField({ html: { title: 'h'.repeat(n) } })],
  ['a value of a condition', most.characters, (n) => withField({ when: { field: 'b', is: 'x'.repeat(n) } })],
  ['own code', most.code, (n) => withCheck({ type: 'custom', code: code + ' '.repeat(n - code.length) })],
  [
    'own shape',
    most.code,
    (n) =>
      set({
        fields: [
          { id: 'a', kind: 'custom', label: 'A', entry: { code: shape + ' '.repeat(n - shape.length) } },
        ],
      }),
  ],
  [
    'a tape',
    most.tape,
    (n) => set({ trials: [{ id: 't', tape: `field a\nexpect codes none\n${'#'.repeat(n - 26)}` }] }),
  ],
])('of %s there can be %i, and no more: the reader says so, and the schema', (_, limit, make) => {
  // biome-ignore format: a place a line
  const full = readDocument(make(limit), kinds);
  expect(full.ok ? [] : full.faults).toEqual([]);
  expect(isBySchema(make(limit))).toBe(true);
  const over = readDocument(make(limit + 1), kinds);
  expect(over.ok ? [] : over.faults.map(({ message }) => message)).toEqual([
    expect.stringMatching(/The maximum is [\d,]+(?: \w+)?\.$|in 20,000 characters at most\.$/),
  ]);
  expect(isBySchema(make(limit + 1))).toBe(false);
});
