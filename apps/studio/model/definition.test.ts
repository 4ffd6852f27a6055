import type { FieldDocument, SetDocument } from '@arbeit/engine/document';
import { readDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { parseNotation } from '@arbeit/engine/kinds/pattern';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { addRule, changeField, moveRule, removeRule, withAttribute, withText } from './edits.ts';
import { addField, withRecordName } from './field-edits.ts';
import { begin, record, redo, undo } from './history.ts';
import { bareField } from './kind-change.ts';
import { insertBeside, movePart, replacePart, toggleOptional } from './pattern-edits.ts';
import { problemWithName } from './record-name.ts';
import { removeField } from './references.ts';
import { typicalShapes } from './shapes.ts';

const fromNothing: FieldDocument = { ...bareField('pattern', kinds), id: 'field' };

const set: SetDocument = {
  arbeit: 2,
  title: 'Huts',
  locale: 'en-GB',
  fields: [fromNothing, { ...fromNothing, id: 'other' }],
  forms: [
    { id: 'one', fields: ['field'] },
    { id: 'both', fields: ['field', 'other'] },
  ],
};

describe('history', () => {
  test('undo and redo go over the same steps', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(9), fc.constantFrom('a', 'b', null)), { minLength: 1 }),
        (edits) => {
          let history = begin(-1);
          for (const [value, about] of edits) history = record(history, value, about);
          const seen = [history.present];
          while (history.past.length) {
            history = undo(history);
            seen.unshift(history.present);
          }
          expect(history.present).toBe(-1);
          for (const value of seen) {
            expect(history.present).toBe(value);
            history = redo(history);
          }
        },
      ),
      { seed: 20270210 },
    );
  });
  test('edits about the same thing in a row are one step, and an undo ends the row', () => {
    let history = record(record(begin('a'), 'ab', 'label'), 'abc', 'label');
    expect(undo(history).present).toBe('a');
    history = record(undo(record(history, 'x', 'hint')), 'abcd', 'label');
    expect(undo(history).present).toBe('abc');
  });
});

describe('edits of a document leave a sound one', () => {
  const isSound = (document: SetDocument) => readDocument(document, kinds).ok;
  test('a field is added under a free id', () => {
    const added = addField(set, fromNothing);
    expect([added.id, isSound(added.set)]).toEqual(['field-2', true]);
  });
  test('a copy of a field has no name that another field has', () => {
    const named = { ...set, fields: set.fields.map((one, i) => (i ? one : { ...one, name: 'the_field' })) };
    const copied = addField(named, named.fields[0]!);
    expect(copied.set.fields.map(({ id, name }) => [id, name])).toEqual([
      ['field', 'the_field'],
      ['other', undefined],
      ['field-2', undefined],
    ]);
    const other = addField(set, { ...fromNothing, name: 'new_name' });
    expect(other.set.fields.at(-1)!.name).toBe('new_name');
  });
  test('a name in records is changed, taken away, and refused where another field has it', () => {
    const [field, other] = set.fields;
    expect(withRecordName(field!, 'full_name')).toMatchObject({ id: 'field', name: 'full_name' });
    expect('name' in withRecordName({ ...field!, name: 'x' }, '')).toBe(false);
    expect(problemWithName(set, field!, 'full_name')).toBeNull();
    expect(problemWithName(set, field!, 'isindex')).toMatch(/cannot submit/);
    expect(problemWithName(set, field!, other!.id)).toMatch(/same name/);
  });
  test('a field that goes takes its places in forms with it', () => {
    const left = removeField(set, 'field');
    expect(left.forms).toEqual([{ id: 'both', fields: ['other'] }]);
    expect(isSound(left)).toBe(true);
  });
  test('rules are added, moved and taken out', () => {
    const check = { type: 'required' } as const;
    let field: FieldDocument = addRule(
      addRule(addRule(fromNothing, { id: 'r', check }), { id: 'r', check }),
      { id: 's', check },
    );
    const ids = () => field.rules?.map((rule) => rule.id);
    expect(ids()).toEqual(['r', 'r-2', 's']);
    field = moveRule(field, 's', 0);
    expect(ids()).toEqual(['s', 'r', 'r-2']);
    expect(moveRule(field, 's', -3)).toBe(field);
    field = removeRule(moveRule(field, 's', 9), 'r');
    expect(ids()).toEqual(['r-2', 's']);
    expect(isSound(changeField(set, 'other', () => ({ ...field, id: 'other' })))).toBe(true);
  });
  test('what says nothing is not written', () => {
    const worded = withAttribute(withText(fromNothing, 'hint', 'Four digits'), 'inputmode', 'numeric');
    expect(worded).toMatchObject({ hint: 'Four digits', html: { inputmode: 'numeric' } });
    expect(withAttribute(withText(worded, 'hint', ''), 'inputmode', '')).toEqual(fromNothing);
  });
  test('every typical shape makes a sound field', () => {
    expect(typicalShapes.length).toBeGreaterThan(4);
    for (const shape of typicalShapes)
      expect(isSound({ ...set, classes: { check: '0-9X', hex: '0-9A-F' }, fields: [shape], forms: [] })).toBe(
        true,
      );
  });
});

describe('edits of a pattern by its parts', () => {
  const nodes = parseNotation('(<3 digit>) <4 digit><? ext. <1-5 digit>>').nodes;
  const digits = { type: 'cells', min: 2, max: 2, takes: { type: 'built-in', name: 'latin' } } as const;
  test.each([
    ['a part replaced', replacePart(nodes, [1], [digits]), '(<2 latin>) <4 digit><? ext. <1-5 digit>>'],
    ['one inside a stretch', replacePart(nodes, [4, 1], [digits]), '(<3 digit>) <4 digit><? ext. <2 latin>>'],
    ['one taken out', replacePart(nodes, [2], []), '(<3 digit><4 digit><? ext. <1-5 digit>>'],
    [
      'one put before',
      insertBeside(nodes, [1], 'before', digits),
      '(<2 latin><3 digit>) <4 digit><? ext. <1-5 digit>>',
    ],
    [
      'one put after',
      insertBeside(nodes, [4, 1], 'after', digits),
      '(<3 digit>) <4 digit><? ext. <1-5 digit><2 latin>>',
    ],
    ['moved left', movePart(nodes, [3], -1), '(<3 digit><4 digit>) <? ext. <1-5 digit>>'],
    ['moved at the end', movePart(nodes, [0], -1), '(<3 digit>) <4 digit><? ext. <1-5 digit>>'],
    ['moved inside a stretch', movePart(nodes, [4, 1], -1), '(<3 digit>) <4 digit><?<1-5 digit> ext. >'],
    ['made optional', toggleOptional(nodes, [3]), '(<3 digit>) <?<4 digit>><? ext. <1-5 digit>>'],
    ['made there always', toggleOptional(nodes, [4]), '(<3 digit>) <4 digit> ext. <1-5 digit>'],
  ])('%s', (_, edited, expected) => expect(edited).toBe(expected));
});
