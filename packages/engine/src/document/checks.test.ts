import { existsSync, readdirSync } from 'node:fs';
import Ajv2020 from 'ajv/dist/2020.js';
import { describe, expect, test } from 'vitest';
import type { CheckDocument } from '../checks/check-document.ts';
import { type CheckType, checkTypes, definitionOf } from '../checks/registry.ts';
import { checks } from '../checks/runs.ts';
import type { KindName } from '../kinds/registry.ts';
import { kinds } from '../kinds/registry.ts';
import { readDocument } from './read-document.ts';
import { documentSchema } from './schema.ts';

const isBySchema = new Ajv2020({ strict: true, allowUnionTypes: true, strictRequired: false }).compile(
  documentSchema(kinds),
);

/** A check of each type with all its members, and the kind of a field that can have it. */
const samples: { readonly [T in CheckType]: readonly [kind: KindName, check: CheckDocument & { readonly type: T }] } = {
  required: ['text', { type: 'required' }],
  complete: ['text', { type: 'complete' }],
  length: ['text', { type: 'length', min: 2, max: 5 }],
  matches: ['text', { type: 'matches', pattern: '[a-z]+', flags: 'i' }],
  in: ['text', { type: 'in', values: ['a', 'b'] }],
  'not-in': ['text', { type: 'not-in', values: ['a', 'b'] }],
  checksum: ['text', { type: 'checksum', scheme: 'mod97', over: 'compact', rotate: 4 }],
  range: ['number', { type: 'range', min: 1, max: '5', step: 1 }],
  'not-trivial': ['text', { type: 'not-trivial' }],
  compare: ['date', { type: 'compare', op: 'at-most-days', field: 'b', days: 14 }],
  custom: ['text', { type: 'custom', code: 'export default () => {};', with: ['b'] }],
  remote: ['text', { type: 'remote', ask: '/api/x', timeout: 1000, on: 'pause', with: ['b'] }],
}; // biome-ignore format: a check a line

const documentWith = (kind: KindName, check: unknown): object => ({
  arbeit: 2,
  title: 'T',
  locale: 'en-GB',
  fields: [
    { id: 'a', kind, label: 'A', entry: {} },
    { id: 'b', kind, label: 'B', entry: {} },
  ],
  // A form may have any check; a field cannot be compared with itself.
  forms: [{ id: 'f', fields: ['a', 'b'], rules: [{ id: 'r', field: 'a', check }] }],
});
const isRead = (document: object): boolean => readDocument(document, kinds).ok;

test('a folder of checks is a check, with a line in the registry', () => {
  const place = new URL('../checks/', import.meta.url);
  const folders = readdirSync(place, { withFileTypes: true }).flatMap((one) =>
    one.isDirectory() ? [one.name] : [],
  );
  expect(folders.sort()).toEqual([...checkTypes].sort());
  const running = folders.filter((name) => existsSync(new URL(`${name}/run.ts`, place)));
  expect(running.sort()).toEqual(
    Object.keys(checks)
      .filter((name) => checkTypes.some((type) => type === name))
      .sort(),
  );
});

describe.each(Object.entries(samples))('%s', (type, [kind, sample]) => {
  const { options, mutations } = definitionOf(type as CheckType);

  test('the sample has all members, and the reader and the schema take it', () => {
    expect(Object.keys(sample).sort()).toEqual(['type', ...Object.keys(options)].sort());
    const document = documentWith(kind, sample);
    expect([readDocument(document, kinds), isBySchema(document)]).toMatchObject([{ ok: true }, true]);
  });

  test.each(Object.keys(options))('what is no %s, neither the reader nor the schema takes', (name) => {
    const isLimit = options[name]!.is === 'limit';
    for (const wrong of [null, true, 2.5, -7, '', ' ', [], [7], {}]) {
      // Whether a text is a limit, only the kind knows; which fields there are, only the document.
      if ((isLimit || name === 'field') && ['string', 'number'].includes(typeof wrong)) continue;
      const document = documentWith(kind, { ...sample, [name]: wrong });
      expect([name, wrong, isBySchema(document)]).toEqual([name, wrong, isRead(document)]);
    }
  });

  test('what is needed cannot be left out, and nothing else can stand there', () => {
    for (const name of Object.keys(options)) {
      const { [name]: _, ...rest } = sample as unknown as Record<string, unknown>;
      const document = documentWith(kind, rest);
      expect([name, isBySchema(document)]).toEqual([name, isRead(document)]);
      if (options[name]!.needed) expect([name, isRead(document)]).toEqual([name, false]);
    }
    const more = documentWith(kind, { ...sample, more: 1 });
    expect([isBySchema(more), isRead(more)]).toEqual([false, false]);
  });

  test('broken on purpose it is another check, and the reader takes some of what it is then', () => {
    const all = mutations(sample);
    for (const [words, broken] of all) {
      expect(words).toMatch(/\w/);
      expect(broken).not.toEqual(sample);
    }
    // What the reader does not take is no definition any more, and is left out.
    const taken = all.filter(([, broken]) => isRead(documentWith(kind, broken)));
    expect(taken.length > 0).toBe(all.length > 0);
  });

  test('what has values of its own can be broken, or is code and questions', () => {
    const hasValues = Object.values(options).some(({ is }) => is !== 'text');
    const isOutside = type === 'custom' || type === 'remote';
    expect(mutations(sample).length > 0).toBe(hasValues && !isOutside);
  });
});
