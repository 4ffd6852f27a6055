import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { compile } from '../document/compile.ts';
import type { SetDocument } from '../document/document.ts';
import { kinds } from '../kinds/registry.ts';
import { byHand, hands, otherwise } from './hands.ts';
import { parseTape } from './parse-tape.ts';
import { writeAction } from './verbs.ts';

const set = compile(
  {
    arbeit: 2,
    title: 'Hands',
    locale: 'en-GB',
    fields: [
      { id: 'phone', kind: 'pattern', label: 'Phone', entry: { pattern: '(<3 digit>) <3 digit>-<4 digit>' } },
      { id: 'mail', kind: 'text', label: 'Mail', entry: { case: 'lower' } },
      { id: 'stay', kind: 'duration', label: 'Stay', entry: {} },
    ],
  } as unknown as SetDocument,
  kinds,
);
const tapeOf = (text: string) => {
  const read = parseTape(text);
  if (!read.ok) throw new RangeError(JSON.stringify(read.faults));
  return read.tape;
};
const lines = (text: string, hand: (typeof hands)[number]): readonly string[] =>
  byHand(set, tapeOf(text), hand).steps.map((step) =>
    step.do === 'expect' ? step.source : writeAction(step),
  );

describe('one tape by several hands', () => {
  const said = 'field mail\nfocus\ntype "Two late"\nexpect raw "two late"\ntype " guests"\n';
  test.each<[(typeof hands)[number], readonly string[]]>([
    ['keys', ['focus', 'type "Two late"', 'expect raw "two late"', 'type " guests"']],
    ['composing', ['focus', 'insert "Two"', 'type " "', 'insert "late"', 'expect raw "two late"', 'type " "', 'insert "guests"']],
    ['suggestion', ['focus', 'type "Tw"', 'select 0 2', 'insert "Two"', 'type " "', 'type "la"', 'select 4 6', 'insert "late"', 'expect raw "two late"', 'type " "', 'type "gue"', 'select 9 12', 'insert "guests"']],
    ['dictation', ['focus', 'insert "Two late"', 'expect raw "two late"', 'insert " guests"']],
    ['autofill', ['focus', 'autofill "Two late"', 'expect raw "two late"', 'type " guests"']],
    ['program', ['focus', 'set "Two late"', 'expect raw "two late"', 'type " guests"']],
  ])('%s', (hand, expected) => {
    expect(lines(said, hand)).toEqual(expected);
    expect(otherwise(set, tapeOf(said), hand)).toBeUndefined();
  }); // biome-ignore format: a hand a line

  test('a suggestion takes the place of what stands there of the word, fixed text among it', () => {
    expect(lines('field phone\ntype "5550123"\n', 'suggestion')).toEqual([
      'type "5550"',
      'select 0 7',
      'insert "5550123"',
    ]);
  });

  test('where a hand comes to something else it is told at its line, with what each shows', () => {
    const apart = otherwise(set, tapeOf('field stay\nfocus\ntype "1:30"\ntype "x"\n'), 'program');
    expect(apart).toBeUndefined();
    const typed = otherwise(set, tapeOf('field phone\nfocus\ntype "55501234567"\n'), 'dictation');
    expect(typed).toBeUndefined();
    const told = otherwise(set, tapeOf('field mail\nfocus\ntype "a "\nleave\n'), 'program');
    expect(told).toMatchObject({
      line: 3,
      source: 'type "a "',
      keys: { display: 'a ' },
      other: { display: 'a' },
    });
  });

  test('every trial of the demo comes to the same by a keyboard that composes and by dictation, or it is known why', () => {
    const demo = JSON.parse(
      readFileSync(new URL('../../../../apps/studio/demo/ridge-huts.arbeit.json', import.meta.url), 'utf8'),
    ) as SetDocument;
    const compiled = compile(demo, kinds);
    const apart = (demo.trials ?? []).flatMap(({ id, tape }) =>
      hands.flatMap((hand) => {
        const found = otherwise(compiled, tapeOf(tape), hand, '2027-02-10');
        return found ? [`${id}, ${hand}: ${found.source}`] : [];
      }),
    );
    expect(apart).toMatchInlineSnapshot(`
      [
        "email, program: type "Guest@Huts.Example "",
        "arrival, program: type "4"",
        "expected, program: type "4"",
      ]
    `);
  });
});
