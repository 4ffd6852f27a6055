import { readDocument, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { compareSets } from '@arbeit/engine/proof';
import { describe, expect, test } from 'vitest';
import { bothReady, type Side } from './sides.ts';

const day = (id: string, more: object = {}) => ({ id, kind: 'date', label: id, entry: {}, ...more });
const ordered = {
  rules: [{ id: 'order', check: { type: 'compare', op: 'after', field: 'from' } }],
  when: { field: 'from', is: '2027-02-10' },
};
const set = {
  arbeit: 2,
  title: 'Stay',
  locale: 'en-GB',
  fields: [day('from'), day('to', ordered), { id: 'note', kind: 'text', label: 'note', entry: {} }],
  forms: [{ id: 'stay', title: 'Stay', fields: ['from', 'to'] }],
  trials: [{ id: 't', tape: 'field from\nexpect raw ""' }],
} as unknown as SetDocument;
const side = (field: string): Side => ({ of: 'now', field });
const found = (one: string, other: string) => {
  const [before, after] = bothReady([set, set], [side(one), side(other)]);
  return [...compareSets(before, after, kinds, '2027-02-10')].map(({ target, is }) => [target.id, is]);
};

describe('what two sides of a comparison are made of', () => {
  test('all of both, as they are', () => {
    expect(bothReady([set, set], [side(''), side('')])).toEqual([set, set]);
  });

  test('a field beside another has one name with it, and nothing of the rest: a sound set', () => {
    for (const one of bothReady([set, set], [side('from'), side('to')])) {
      expect(one.fields.map(({ id }) => id)).toEqual(['field']);
      expect(readDocument(one, kinds)).toMatchObject({ ok: true });
      expect(one).not.toHaveProperty('trials');
    }
  });

  test('what depends on other fields is left out: two dates do the same but for what they are called', () => {
    const [, to] = bothReady([set, set], [side('from'), side('to')]);
    expect(to.fields[0]).toMatchObject({ id: 'field', rules: [] });
    expect(to.fields[0]).not.toHaveProperty('when');
    expect(found('from', 'from')).toEqual([['field', 'same']]);
    expect(found('from', 'note')).toEqual([['field', 'other']]);
  });

  test('where one side names a field the other means its own of that name; one that is not there is gone', () => {
    expect(found('note', '')).toEqual([['field', 'same']]);
    const without = { ...set, fields: set.fields.slice(0, 1), forms: [], trials: [] } as SetDocument;
    const [before, after] = bothReady([set, without], [side('note'), side('')]);
    expect([...compareSets(before, after, kinds, '')].map(({ is }) => is)).toEqual(['removed']);
  });
}); // biome-ignore format: a set in a few lines
