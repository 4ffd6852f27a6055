import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { compile } from '../../document/compile.ts';
import { compileField } from '../../document/compile-field.ts';
import type { FieldDocument, SetDocument } from '../../document/document.ts';
import { readDocument } from '../../document/read-document.ts';
import { apply, start } from '../../field/apply.ts';
import { evaluate } from '../../field/evaluation.ts';
import { walk } from '../../prove/arbitraries.ts';
import { actionsFor, compiledOf, sketchOf } from '../../prove/kinds.ts';
import { parseTape } from '../../tape/parse-tape.ts';
import { play } from '../../tape/play.ts';
import { definitionIn } from '../contract/definition.ts';
import { kinds } from '../registry.ts';

const options = [
  { value: 'none', label: 'No meals' },
  { value: 'half', label: 'Half board' },
  { value: 'full', label: 'Full board' },
];

/** One value is a part of another. */
const wide = [
  { value: 'by phone', label: 'Called' },
  { value: 'phone', label: 'Phone' },
  { value: 'by post', label: 'Post' },
];

const tapes = [
  ['a value is set by value, by words, in any letters', 'choice', { options }, 'set "half"\nexpect display "Half board|"\nexpect raw "half"\nset "FULL BOARD"\nexpect value "full"\nset ""\nexpect value null'],
  ['what is not offered is refused and told', 'choice', { options }, 'set "half"\nset "vegan"\nexpect rejected not-accepted\nexpect left-out "vegan"\nexpect value "half"\npaste "quarter"\nexpect value "half"'],
  ['a key is refused', 'choice', { options }, 'type "h"\nexpect rejected not-accepted\nexpect display ""'],
  ['arrow keys go through a list and stay at its ends', 'choice', { options }, 'down\nexpect raw "none"\ndown 2\nexpect raw "full"\ndown\nexpect raw "full"\nup 2\nexpect raw "none"\nup\nexpect raw ""\nup\nexpect raw ""'],
  ['buttons stand in a ring', 'choice', { options, draw: 'radio' }, 'up\nexpect raw "full"\ndown\nexpect raw "none"\nup\nexpect raw "full"'],
  ['backspace takes the choice back, undo brings it again', 'choice', { options }, 'set "half"\nbackspace\nexpect display ""\nundo\nexpect display "Half board|"\ncaret 0\ndelete\nexpect raw "half"'],
  ['several, in the order they are offered', 'choices', { options }, 'set "full none"\nexpect raw "none full"\nexpect display "No meals; Full board|"\npaste "Half board"\nexpect raw "none half full"\nbackspace\nexpect raw "none half"\nword-backspace\nexpect raw "none"'],
  ['no more than there may be', 'choices', { options, count: { max: 2 } }, 'set "none half"\npaste "full"\nexpect rejected full\nexpect left-out "full"\nset "none half full"\nexpect raw "none half"\nexpect left-out "full"'],
  ['a part of the words selected takes that choice', 'choices', { options }, 'set "none half full"\nselect 10 12\ncut\nexpect raw "none full"'],
  ['fewer than are needed', 'choices', { options, count: { min: 2 } }, 'set "half"\nleave\nexpect value null\nexpect message "Please choose at least 2."\nset "half full"\nexpect codes none\nexpect value "half full"'],
  ['a value with a blank', 'choice', { options: wide }, 'set "by phone"\nexpect raw "by phone"\nset "BY POST"\nexpect value "by post"\nset "phone"\nexpect value "phone"\nset "by"\nexpect rejected not-accepted\nexpect value "phone"'],
  ['several values with blanks are in lines', 'choices', { options: wide }, 'set "by post\\nphone"\nexpect raw "phone\\nby post"\nset "by phone"\nexpect value "by phone"\npaste "Post; Phone"\nexpect raw "by phone\\nphone\\nby post"\nbackspace\nexpect raw "by phone\\nphone"'],
  ['a box to tick says no until it is ticked', 'yes-no', {}, 'expect value "no"\nexpect flags complete\nset "yes"\nexpect value "yes"\nexpect display "Yes|"\nset "no"\nexpect raw ""\nexpect rejected none\nset "true"\nexpect raw "yes"\nset "false"\nexpect raw ""'],
  ['of two buttons neither is pressed at first', 'yes-no', { draw: 'segments', yes: 'Ja', no: 'Nein' }, 'expect value null\nset "nein"\nexpect value "no"\nexpect display "Nein|"\ndown\nexpect value "yes"\nbackspace\nexpect value null'],
] as const; // biome-ignore format: a table

describe('tapes', () => {
  test.each(tapes)('%s', (_, kind, entry, steps) => {
    const field = { id: 'f', kind, label: 'F', entry } as unknown as FieldDocument;
    const set: SetDocument = { arbeit: 2, title: 'T', locale: 'en-GB', fields: [field] };
    expect(readDocument(set, kinds)).toMatchObject({ ok: true });
    const tape = parseTape(`field f\nfocus\n${steps}`);
    if (!tape.ok) throw new RangeError(JSON.stringify(tape.faults));
    expect(play(compile(set, kinds), tape.tape)).toMatchObject({ misses: [] });
  });
});

test.each([
  ['choice', { options }, 'Please choose an option.'],
  ['choices', { options }, 'Please choose at least one option.'],
  ['yes-no', {}, 'Please tick this box.'],
])('what is required and missing is said for %s', (kind, entry, message) => {
  const rules = [{ id: 'required', check: { type: 'required' } }];
  const field = compileField(
    { id: 'f', kind, label: 'F', entry, rules } as FieldDocument,
    { locale: 'en-GB' },
    kinds,
  );
  const state = apply(field, start(field), { type: 'submit' });
  expect(evaluate(field, state).shown.map((shown) => shown.message)).toEqual([message]);
});

test.each([
  ['two of one value', 'choice', { options: [...options, { value: 'half', label: 'Half' }] }, '$.fields[0].entry.options[3].value', /already/],
  ['two of the same words', 'choices', { options: [...options, { value: 'h', label: 'Half board' }] }, '$.fields[0].entry.options[3].label', /already/],
  ['words like another value', 'choice', { options: [{ value: '1', label: '2' }, { value: '2', label: 'Two' }] }, '$.fields[0].entry.options[0].label', /could be read as the values/],
  ['words like several values', 'choices', { options: [...options, { value: 'x', label: 'none half' }] }, '$.fields[0].entry.options[3].label', /could be read as the values/],
  ['a value with a blank at its end', 'choice', { options: [...options, { value: 'half board ', label: 'H' }] }, '$.fields[0].entry.options[3].value', /space at its ends/],
  ['a value of two lines', 'choice', { options: [...options, { value: 'half\nboard', label: 'H' }] }, '$.fields[0].entry.options[3].value', /one line/],
  ['words that are the value of another', 'choice', { options: [{ value: 'half board', label: 'H' }, { value: 'h', label: 'half board' }] }, '$.fields[0].entry.options[1].label', /could be read as the values/],
  ['words with a semicolon', 'choice', { options: [...options, { value: 'h', label: 'a; b' }] }, '$.fields[0].entry.options[3].label', /";"/],
  ['one alone', 'choice', { options: options.slice(0, 1) }, '$.fields[0].entry.options', /at least 2/],
  ['more needed than there are', 'choices', { options, count: { min: 4 } }, '$.fields[0].entry.count.min', /number of options/],
  ['answers in the same words', 'yes-no', { yes: 'OK', no: 'ok' }, '$.fields[0].entry.no', /must differ/],
  ['a yes that reads no', 'yes-no', { yes: 'No', no: 'Never' }, '$.fields[0].entry.yes', /other answer/],
  ['nothing to choose from', 'choice', undefined, '$.fields[0].entry', /missing/],
])('a document with %s is told where', (_, kind, entry, path, message) => {
  const fields = [{ id: 'f', kind, label: 'F', ...(entry ? { entry } : {}) }];
  const result = readDocument({ arbeit: 2, title: 'T', locale: 'en-GB', fields }, kinds);
  expect(result).toMatchObject({ ok: false });
  if (result.ok) return;
  expect(result.faults.map((fault) => fault.path)).toContain(path);
  expect(result.faults.find((fault) => fault.path === path)!.message).toMatch(message);
}); // biome-ignore format: a table

test.each(['choice', 'choices', 'yes-no'] as const)(
  '4 for %s: what is picked goes as a whole, the last first, and nothing else with it',
  (kind) => {
    fc.assert(
      fc.property(sketchOf(kind), actionsFor(kind), (from, tape) => {
        for (const { before, event, after } of walk(compiledOf(from), tape)) {
          if (event.type !== 'backspace' || before.start !== before.end || !before.focused) continue;
          const was = before.body.content.split(' ').filter(Boolean);
          expect(after.body.content).toBe(was.slice(0, -1).join(' '));
        }
      }),
    );
  },
);

test('how several values are written is said for the options of the field', () => {
  const saidFor = (entry: object) => definitionIn(kinds, { kind: 'choices', entry }).valueIs;
  expect([{ options }, { options: wide }].map(saidFor)).toEqual([
    'values, space-separated',
    'values, one per line',
  ]);
  for (const faulty of [{}, { options: null }, { options: [null, 'a b', { value: 1 }] }])
    expect(saidFor(faulty)).toBe('values, space-separated');
});
