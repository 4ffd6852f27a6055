import type { SetDocument } from '@arbeit/engine/document';
import { readDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { describe, expect, test } from 'vitest';
import { removeField, renameField } from './references.ts';
import { addTrials, changeTrial, moveTrial, removeTrial, renamedIn, targetOf } from './trial-edits.ts';

const text = (id: string) => ({ id, kind: 'text', label: id, entry: {} });
const trial = (id: string, tape = 'field a\nexpect codes none\n') => ({ id, tape });
const set = {
  arbeit: 2,
  title: 'T',
  locale: 'en-GB',
  fields: [text('a'), text('b'), text('ab')],
  forms: [{ id: 'f', fields: ['a', 'b', 'ab'] }],
  trials: [trial('one'), trial('two', 'form f\nfocus a\ntype "a"\nfocus ab\nexpect a display "a"\nexpect focus a\nexpect codes a\n'), trial('three', 'field ab\nexpect codes none')],
} as unknown as SetDocument; // biome-ignore format: a line a list
const ids = ({ trials = [] }: SetDocument) => trials.map(({ id }) => id);
const isSound = (one: SetDocument) =>
  expect(readDocument(structuredClone(one), kinds)).toMatchObject({ ok: true });

describe('trials', () => {
  test('are added under ids that are free, changed, moved, and taken away with their list', () => {
    const { set: more, ids: added } = addTrials(set, [trial('one'), trial('one')]);
    expect(added).toEqual(['one-2', 'one-3']);
    expect(ids(more)).toEqual(['one', 'two', 'three', 'one-2', 'one-3']);
    expect(changeTrial(set, 'two', (one) => ({ ...one, name: 'N' })).trials?.[1]).toMatchObject({
      name: 'N',
    });
    expect(ids(moveTrial(set, 'three', 0))).toEqual(['three', 'one', 'two']);
    expect(ids(moveTrial(set, 'one', 99))).toEqual(['two', 'three', 'one']);
    expect(moveTrial(set, 'nobody', 0)).toBe(set);
    const none = ['one', 'two', 'three'].reduce(removeTrial, set);
    expect(none).not.toHaveProperty('trials');
    isSound(more);
    isSound(none);
  });

  test('follow a field that is called otherwise, and only where they name it', () => {
    const renamed = renameField(set, 'a', 'arrival');
    expect(renamed.trials?.map(({ tape }) => tape)).toEqual([
      'field arrival\nexpect codes none\n',
      'form f\nfocus arrival\ntype "a"\nfocus ab\nexpect arrival display "a"\nexpect focus arrival\nexpect codes a\n',
      'field ab\nexpect codes none',
    ]);
    isSound(renamed);
  });

  test('go with the field they are played on; those of a form stay', () => {
    const less = removeField(set, 'a');
    expect(ids(less)).toEqual(['two', 'three']);
    isSound(less);
  });

  test.each([
    ['field a # the first', { type: 'field', id: 'a' }],
    ['# field x\n  form f\nfocus', { type: 'form', id: 'f' }],
    ['tape "field q"\nfield a', { type: 'field', id: 'a' }],
    ['type "x"', undefined],
  ])('%j is played on %o', (tape, target) => expect(targetOf({ tape })).toEqual(target));

  test('a form that is called otherwise', () => {
    expect(renamedIn('form f\nfocus f\n', 'form', 'f', 'g')).toBe('form g\nfocus f\n');
  });
});
