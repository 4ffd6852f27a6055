import { readDocument, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import demo from '../demo/ridge-huts.arbeit.json' with { type: 'json' };
import { addSet } from './add-set.ts';
import { duplicateFields, onlyFields, withoutFields } from './several-fields.ts';

const set = demo as unknown as SetDocument;
const all = set.fields.map(({ id }) => id);
const some = fc.subarray(all);

describe('several fields at once', () => {
  test('any choice of fields is a valid set, and so is the rest', () => {
    fc.assert(
      fc.property(some, (ids) => {
        const only = onlyFields(set, ids);
        const rest = withoutFields(set, ids);
        expect(only.fields.map(({ id }) => id)).toEqual(ids);
        expect(rest.fields.map(({ id }) => id)).toEqual(all.filter((id) => !ids.includes(id)));
        expect([readDocument(only, kinds).ok, readDocument(rest, kinds).ok]).toEqual([true, true]);
      }),
      { numRuns: 30 },
    );
  });
  test('their trials come along, trials of forms do not', () => {
    const { trials = [], forms } = onlyFields(set, ['mobile', 'dog']);
    expect([trials.map(({ id }) => id), forms]).toEqual([
      ['mobile', 'mobile-from-abroad', 'skipped', 'dog'],
      undefined,
    ]);
  });
  test('in another set they get free ids', () => {
    const { set: both, renamed } = addSet(set, onlyFields(set, ['deposit', 'arrival']));
    expect(renamed).toEqual([
      ['deposit', 'deposit-2'],
      ['arrival', 'arrival-2'],
    ]);
    expect(readDocument(both, kinds).ok).toBe(true);
  });
  test('copies are next to their fields; unknown ids are ignored', () => {
    const { set: next, ids } = duplicateFields(set, ['mobile', 'nowhere', 'deposit']);
    expect(ids).toEqual(['mobile-2', 'deposit-2']);
    expect(next.fields.slice(0, 5).map(({ id }) => id)).toEqual(['mobile', 'mobile-2', 'email', 'deposit', 'deposit-2']); // biome-ignore format: a list
    expect(duplicateFields(set, ['nowhere'])).toEqual({ set, ids: [] });
  });
});
