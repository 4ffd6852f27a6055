import { compile, readDocument, type SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { describe, expect, test } from 'vitest';
import demo from '../demo/ridge-huts.arbeit.json' with { type: 'json' };
import { addSet } from './add-set.ts';

const huts = demo as unknown as SetDocument;
const errorsOf = (set: SetDocument) => {
  const result = readDocument(set, kinds);
  return result.ok ? [] : result.faults.map(({ path, message }) => `${path}: ${message}`);
};
const set = (fields: readonly object[], more: object = {}): SetDocument =>
  ({ arbeit: 2, title: 'Other', locale: 'en-GB', fields, ...more }) as unknown as SetDocument;

describe('a set added to another one', () => {
  test('twice the demo set is sound, and what was there is unchanged', () => {
    const { set: both, renamed } = addSet(huts, huts);
    expect(errorsOf(both)).toEqual([]);
    expect(both.fields.slice(0, huts.fields.length)).toEqual(huts.fields);
    expect(both.forms?.slice(0, huts.forms!.length)).toEqual(huts.forms);
    expect(both.trials?.slice(0, huts.trials!.length)).toEqual(huts.trials);
    expect([both.fields.length, both.trials?.length]).toEqual([
      2 * huts.fields.length,
      2 * huts.trials!.length,
    ]);
    expect(renamed).toHaveLength(huts.fields.length + huts.forms!.length);
    expect(both.title).toBe(huts.title);
    // Nothing of the copy refers to the first.
    const own = new Set(renamed.map(([before]) => before));
    const copies = JSON.stringify([
      both.fields.slice(huts.fields.length),
      both.forms!.slice(huts.forms!.length),
    ]);
    const named = [...copies.matchAll(/"(?:field|id|completes)":"([^"]+)"/g)].map(([, id]) => id!);
    const rules = new Set(
      [...huts.fields, ...huts.forms!].flatMap(({ rules = [] }) => rules.map(({ id }) => id)),
    );
    expect(named.filter((id) => own.has(id) && !rules.has(id))).toEqual([]);
  });

  test('a taken id gets a number, in conditions, rules, forms and tapes too', () => {
    const added = set(
      [
        { id: 'a', kind: 'yes-no', label: 'A', entry: { draw: 'tick' } },
        { id: 'a-2', kind: 'text', label: 'B', when: { field: 'a', is: 'yes' } },
      ],
      {
        forms: [{ id: 'f', title: 'F', fields: ['a', 'a-2'] }],
        trials: [{ id: 't', name: 'T', tape: 'form f\nfocus a\nexpect a value "no"' }],
        texts: { de: { 'fields/a/label': 'Aa', 'forms/f/title': 'Eff' } },
      },
    );
    const into = set([{ id: 'a', kind: 'text', label: 'Mine' }], {
      forms: [{ id: 'f', title: 'Mine', fields: ['a'] }],
      texts: { de: { 'fields/a/label': 'Meins' } },
    });
    const { set: both, renamed } = addSet(into, added);
    expect(errorsOf(both)).toEqual([]);
    expect(renamed).toEqual([['a', 'a-3'], ['f', 'f-2']]);
    expect(both.fields.map(({ id, name, when }) => [id, name, when])).toEqual([
      ['a', undefined, undefined],
      // Its records stay as they were.
      ['a-3', 'a', undefined],
      ['a-2', undefined, { field: 'a-3', is: 'yes' }],
    ]);
    expect(both.forms![1]).toMatchObject({ id: 'f-2', fields: ['a-3', 'a-2'] });
    expect(both.trials![0]!.tape).toBe('form f-2\nfocus a-3\nexpect a-3 value "no"');
    expect(both.texts).toEqual({
      de: { 'fields/a/label': 'Meins', 'fields/a-3/label': 'Aa', 'forms/f-2/title': 'Eff' },
    });
  }); // biome-ignore format: pairs

  test('fields keep how they format and what language they speak', () => {
    const amount = { id: 'b', kind: 'number', label: 'B' };
    const { set: both } = addSet(set([]), { ...set([amount]), locale: 'de-DE' });
    expect(both.fields[0]).toMatchObject({ locale: 'de-DE' });
    expect(compile(both as never, kinds).fields[0]!.locale).toBe('de-DE');
    const spoken = addSet({ ...set([]), language: 'fr' }, set([amount])).set.fields[0];
    expect(spoken).toMatchObject({ language: 'en-GB' });
    expect(addSet(set([]), set([amount])).set.fields[0]).toEqual(amount);
  });

  test('a class that means something else stays in the patterns as its characters', () => {
    const pattern = { id: 'p', kind: 'pattern', label: 'P', entry: { pattern: '<2 mine>' } };
    const added = set([pattern], { classes: { mine: 'A-C' } });
    const same = addSet(set([], { classes: { mine: 'A-C' } }), added).set;
    expect([same.classes, same.fields[0]]).toEqual([{ mine: 'A-C' }, pattern]);
    const other = addSet(set([], { classes: { mine: '0-3' } }), added).set;
    expect(other.classes).toEqual({ mine: '0-3' });
    expect(other.fields[0]!.entry).not.toEqual(pattern.entry);
    expect(errorsOf(other)).toEqual([]);
    const accepts = (text: string) => {
      const [field] = compile(other as never, kinds).fields;
      return field!.kind.parse(field!.plan, text).body.content;
    };
    expect([accepts('AB'), accepts('12')]).toEqual(['AB', '']);
  });
});
