import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { describe, expect, test } from 'vitest';
import demo from '../demo/ridge-huts.arbeit.json' with { type: 'json' };
import { bareField } from './kind-change.ts';
import { namedOptions } from './set-options.ts';

const { fields } = demo as unknown as SetDocument;
const valuesOf = (id: string) =>
  namedOptions(fields.find((field) => field.id === id)!, kinds).flatMap(({ label, value }) =>
    value === undefined ? [] : [`${label}: ${value}`],
  );

describe('options in words', () => {
  test('those that differ from the default, as the desk names them', () => {
    expect(valuesOf('mobile')).toEqual(['Home region (ISO 3166-1): GB', 'Number types: mobile']);
    expect(valuesOf('extras')).toContain('Options: A second blanket, Firewood, A packed lunch');
    expect(valuesOf('ledger').join()).not.toContain('undefined');
  });
  test('code is not among them', () => {
    expect(valuesOf('map-square').join()).not.toContain('export');
  });
  test('a value that is the default is not told; every option has a place', () => {
    for (const kind of Object.keys(kinds)) {
      const all = namedOptions(bareField(kind, kinds), kinds);
      const odd = all.filter(({ at, label }) => at.length === 0 || !/^[^a-z]/.test(label));
      // A pattern is edited as a text, in a line of its own.
      expect(odd.filter(({ key }) => key !== 'pattern')).toEqual([]);
    }
    const plain = {
      id: 'p',
      kind: 'phone',
      label: 'P',
      entry: { home: 'GB', extension: false },
    } as FieldDocument;
    expect(namedOptions(plain, kinds).find(({ key }) => key === 'extension')?.value).toBeUndefined();
  });
});
