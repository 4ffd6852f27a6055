import { describe, expect, test } from 'vitest';
import { compile } from '../../document/compile.ts';
import type { FieldDocument } from '../../document/document.ts';
import { parseTape } from '../../tape/parse-tape.ts';
import { play } from '../../tape/play.ts';
import { kinds } from '../registry.ts';

/** Real cases, each a pattern with options and a short tape. */
function holds(head: string, lines: readonly string[]): void {
  const [pattern, ...options] = head.split('; ');
  const entry = Object.fromEntries(options.map((option) => option.split(' ')));
  const field: FieldDocument = {
    id: 'it',
    kind: 'pattern',
    label: 'It',
    entry: { pattern: pattern!, ...entry },
  };
  const read = parseTape(['field it', 'focus', ...lines].join('\n'));
  if (!read.ok) throw new RangeError(JSON.stringify(read.faults));
  const played = play(
    compile({ arbeit: 2, title: 'T', locale: 'en-GB', classes: { vowel: 'aeiou' }, fields: [field] }, kinds),
    read.tape,
  );
  expect(played).toMatchObject({ misses: [] });
}

const phone = '(<3 digit>) <3 digit>-<4 digit>';

describe('fixed text that is typed anyway', () => {
  test.each<[string, string[]]>([
    [
      phone,
      [
        'type "5550123456"',
        'caret 4',
        'type ")"',
        'expect display "(555)| 012-3456"',
        'type " "',
        'expect display "(555) |012-3456"',
        'expect rejected none',
      ],
    ],
    [phone, ['type "("', 'expect display "(|"', 'expect rejected none', 'type "5"', 'expect display "(5|"']],
    [phone, ['type "55-"', 'expect rejected not-accepted', 'expect display "(55|"']],
    [
      '<1-3 digit> kg',
      [
        'type "12"',
        'expect display "12| kg"',
        'type " kg"',
        'expect display "12 kg|"',
        'backspace',
        'expect display "1| kg"',
      ],
    ],
    // Typed fixed text is removed when the part before it becomes too short.
    [
      '<?<2-3 letter>>1-',
      ['type "1"', 'paste "a"', 'expect display "a|"', 'type "b"', 'expect display "ab|1-"'],
    ],
    [
      '<0-2 digit>-<2 digit>',
      ['type "-34"', 'expect raw "-34"', 'select all', 'paste "-34"', 'expect display "-34|"'],
    ],
    [
      '<2-4 digit>-<0-2 digit>-<2 digit>',
      ['type "12--34"', 'expect display "12--34|"', 'backspace 2', 'expect display "12|"'],
    ],
    [
      '<2-4 digit>-<2 digit>',
      [
        'type "1-"',
        'expect rejected not-accepted',
        'type "2-"',
        'expect display "12-|"',
        'caret 1',
        'type "9"',
        'expect display "19|2-"',
      ],
    ],
    [
      '<4 digit><? ext. <1-5 digit>>',
      [
        'type "1234"',
        'type " "',
        'expect display "1234 |"',
        'expect rejected none',
        'type "X"',
        'expect display "1234 ex|"',
        'expect raw "1234"',
        'expect rejected none',
        'type "z"',
        'expect rejected not-accepted',
        'type "5"',
        'expect display "1234 ext. 5|"',
      ],
    ],
    [
      '<3 any>-<3 any>',
      ['type "abc-"', 'expect display "abc--|"', 'caret 3', 'type "-"', 'expect display "abc--|-"'],
    ],
    [
      '<0-3 letter>-<0-3 digit>; positions fixed',
      ['type "Q-7"', 'expect display "Q__-7|__"', 'expect raw "Q  7"'],
    ],
    [
      '<3 digit>-<3 digit>; positions fixed',
      ['type "1-"', 'expect rejected not-accepted', 'type "_3-4"', 'expect display "1_3-4|__"'],
    ],
  ])('%s %j', (head, lines) => holds(head, lines));
});

describe('fixed text that was typed shows', () => {
  test.each<[string, string[]]>([
    // Fixed text before an optional group is outside of it, and closes complete content.
    [
      '(<3 digit>)<? x<1-3 digit>>',
      [
        'type "12"',
        'expect display "(12|"',
        'type "3"',
        'expect display "(123|)"',
        'expect raw "(123)"',
        'type "4"',
        'expect display "(123) x4|"',
        'backspace 2',
        'expect display "(12|"',
        'set ""',
        'paste "(123)"',
        'expect display "(123)|"',
      ],
    ],
    ['<digit>) <?<digit> > kg', ['type "2)"', 'expect display "2)|  kg"', 'expect raw "2)  kg"']],
    [
      '+1 <3 digit> <3 digit>',
      [
        'type "+"',
        'expect display "+|"',
        'expect raw ""',
        'type "1"',
        'expect display "+1|"',
        'type "234"',
        'expect display "+1 234|"',
        'expect raw "234"',
        'select all',
        'type "234"',
        'expect display "+1 234|"',
        'select all',
        'paste "+1 234"',
        'expect display "+1 234|"',
        'expect raw "234"',
      ],
    ],
    [
      '+1 <3 digit> <3 digit>',
      ['type "+1"', 'backspace', 'expect display "|"', 'type "+1"', 'expect display "+1|"', 'undo', 'undo', 'undo', 'redo', 'expect display "+1|"'],
    ],
    ['+44 <4 digit>', ['type "+447"', 'expect display "+44 7|"', 'expect raw "7"', 'select all', 'type "44"', 'expect raw "44"']],
    ['+44 <4 digit>', ['type "7400"', 'caret 1', 'type "4"', 'expect display "+4|4 7400"', 'type "4"', 'expect display "+44| 7400"', 'expect raw "7400"']],
    [
      '<2-4 digit><? x<1-3 digit>>',
      ['type "12x"', 'expect display "12 x|"', 'expect raw "12"', 'type "5"', 'expect display "12 x5|"', 'expect raw "12 x5"'],
    ],
    ['<4 digit><? ext. <1-5 digit>>', ['type "1234 ext. 56"', 'caret 2', 'backspace', 'expect display "1|34 ext. 56"', 'expect raw "134 ext. 56"', 'expect value null', 'type "9"', 'expect display "19|34 ext. 56"', 'expect value "1934 ext. 56"', 'type "7"', 'expect rejected full', 'expect display "19|34 ext. 56"', 'set "134 ext. 56"', 'expect display "134 ext. 56"', 'select all', 'paste "134 ext. 56"', 'expect display "134 ext. 56|"', 'expect left-out ""']],
    ['<2-4 digit><? x<1-3 digit>>', ['type "1234 x5"', 'caret 0', 'delete', 'expect display "|234 x5"', 'expect raw "234 x5"']],
    ['<3 digit>-<2 digit>; positions fixed', ['type "12345"', 'caret 0', 'type "_"', 'expect rejected not-accepted', 'expect display "|123-45"']],
    ['<0-3 digit>-<2 digit>; positions fixed', ['type "12345"', 'caret 0', 'type "_"', 'expect display "_|23-45"']],
    ['<2-4 digit><? x<1-3 digit>>', ['type "12 X5"', 'expect display "12 x5|"', 'select all', 'paste "12 X5"', 'expect display "12 x5|"', 'expect left-out ""']],
    ['<0-3 digit>-<2 digit>', ['type "-"', 'expect display "-|"', 'expect flags !complete', 'type "12"', 'expect display "-12|"', 'expect value "-12"']],
    ['<0-3 digit>-<2 digit>', ['type "1"', 'type "-"', 'expect display "1-|"', 'backspace', 'expect display "1|"', 'backspace', 'expect display "|"']],
    ['<2 digit>-<0-2 letter>/<2 digit>', ['type "12-"', 'expect display "12-|"', 'type "/"', 'expect display "12-/|"', 'backspace', 'expect display "12|"', 'type "-/34"', 'expect display "12-/34|"']],
    [phone, ['type "555)"', 'expect display "(555)|"', 'type " "', 'expect display "(555) |"', 'expect raw "555"', 'type "0"', 'expect display "(555) 0|"', 'backspace', 'expect display "(555|"']],
    [phone, ['type "555)"', 'caret 2', 'delete', 'expect display "(5|5"', 'end', 'type "5)"', 'select 4 5', 'delete', 'expect display "(555|"']],
    ['RH-<4 digit>', ['type "rh-"', 'expect display "RH-|"', 'leave', 'expect raw ""', 'expect display "RH-"', 'focus', 'expect display "RH-|"']],
    ['<00..12> <no|none|all>', ['type "07a"', 'expect display "07 all|"', 'type "l"', 'expect rejected none', 'backspace', 'expect display "07 al|"', 'type "x"', 'expect rejected not-accepted']],
    ['<AM|PM> <letter>', ['type "pmx"', 'expect display "PM x|"', 'select all', 'type "pxm"', 'expect display "PM x|"', 'expect rejected full']],
    ['<2-3 letter><3 digit>; positions fixed', ['type "ab123"', 'expect display "ab_123|"', 'expect raw "ab 123"', 'set "ab 123"', 'expect display "ab_123|"']],
    ['<1-2 any>-; positions fixed', ['autofill " "', 'type "0"', 'expect display "0|_-"', 'expect raw "0"']],
    ['<0-3 letter>-<2 digit>; positions fixed', ['type "7"', 'expect display "___-7|_"']],
  ])('%s %j', (head, lines) => holds(head, lines));
}); // biome-ignore format: a row a pattern

describe('a field takes back its own raw value', () => {
  test.each<[string, string[]]>([
    ['0<4 digit>', ['set "0123"', 'expect display "00123|"', 'expect raw "0123"', 'autofill "0123"', 'expect raw "0123"']],
    ['<2-4 digit>-<2 digit>', ['type "12-34"', 'expect raw "12-34"', 'set "12-34"', 'expect display "12-34|"', 'set "1234"', 'expect raw "1234"']],
    ['<0-3 letter>-<0-3 digit>', ['type "ab-12"', 'expect raw "ab12"', 'set "ab12"', 'expect display "ab-12|"']],
  ])('%s %j', (head, lines) => holds(head, lines));
}); // biome-ignore format: a row a pattern

describe('pasting', () => {
  test.each<[string, string[]]>([
    [
      '+44 <4 digit> <6 digit>',
      ['paste "+44 7700 900123"', 'expect display "+44 7700 900123|"', 'expect left-out ""'],
    ],
    [
      '+44 <4 digit> <6 digit>',
      ['type "7700900123"', 'select 4 8', 'paste "7700"', 'expect display "+44 7700| 900123"'],
    ],
    [
      'RH-<2 latin upper>',
      ['paste "rh-ab"', 'expect raw "RH"', 'select all', 'paste "RH-AB"', 'expect raw "AB"'],
    ],
    [phone, ['type "5553456"', 'caret 6', 'paste "012"', 'expect display "(555) 012|-3456"']],
    [
      phone,
      [
        'type "5550123456"',
        'caret 6',
        'paste "99"',
        'expect rejected full',
        'expect left-out "99"',
        'expect display "(555) |012-3456"',
      ],
    ],
    [
      phone,
      [
        'paste "none of it"',
        'expect rejected not-accepted',
        'expect left-out "noneofit"',
        'expect display ""',
      ],
    ],
    [phone, ['paste " -- "', 'expect rejected none', 'expect left-out ""', 'expect display ""']],
    ['<2 letter>', ['paste "e\\u0301é"', 'expect display "éé|"']],
    ['<4 digit>', ['paste "٣４५6"', 'expect raw "3456"']],
    ['<00..23>:<00..59>', ['paste "7:30"', 'expect left-out "73"', 'expect raw "0"']],
    ['<2 vowel>', ['paste "banana"', 'expect display "aa|"', 'expect left-out "bnna"']],
  ])('%s %j', (head, lines) => holds(head, lines));
});

describe('words, case and bounds', () => {
  test.each<[string, string[]]>([
    [
      '<00..59> <AM|PM>',
      [
        'type "45p"',
        'expect display "45 PM|"',
        'type "M"',
        'expect rejected none',
        'expect value "45PM"',
        'backspace',
        'expect display "45 P|"',
        'expect flags !complete',
      ],
    ],
    [
      '<no|none>',
      [
        'type "no"',
        'expect value "no"',
        'type "ne"',
        'expect value "none"',
        'backspace',
        'expect value null',
      ],
    ],
    [
      '<2 latin upper><2 latin lower>',
      ['type "abCD"', 'expect display "ABcd|"', 'home', 'delete', 'expect display "|BCd"'],
    ],
    ['<letter upper>', ['type "ß"', 'expect display "ß|"']],
    [
      '<00..23>:<00..59>',
      [
        'type "1959"',
        'home',
        'delete',
        'expect display "|9:59"',
        'expect flags !complete',
        'type "0"',
        'expect display "0|9:59"',
      ],
    ],
    [
      '<000..255>',
      ['type "25"', 'type "6"', 'expect rejected out-of-bounds', 'type "5"', 'expect value "255"'],
    ],
  ])('%s %j', (head, lines) => holds(head, lines));
});

describe('deleting and undoing', () => {
  test.each<[string, string[]]>([
    [
      phone,
      [
        'type "5550123456"',
        'select 2 11',
        'backspace',
        'expect display "(5|45) 6"',
        'undo',
        'expect display "(5|55) 012-3|456"',
      ],
    ],
    [
      phone,
      [
        'type "5550123456"',
        'select 4 6',
        'backspace',
        'expect display "(555|) 012-3456"',
        'backspace',
        'expect display "(55|0) 123-456"',
      ],
    ],
    [
      phone,
      [
        'type "5550123456"',
        'word-backspace',
        'expect display "(555) 012|"',
        'word-backspace',
        'expect display "(555|"',
        'undo',
        'expect display "(555) 012-3456|"',
      ],
    ],
    ['<20 any>', ['type "one two  "', 'word-backspace', 'expect display "one |"']],
    [
      phone,
      [
        'type "555"',
        'caret 2',
        'type "9"',
        'undo',
        'expect display "(5|55"',
        'undo',
        'expect display "|"',
        'redo',
        'expect display "(555|"',
      ],
    ],
    [
      phone,
      [
        'type "555"',
        'backspace',
        'type "7"',
        'undo',
        'undo',
        'expect display "(555|"',
        'type "1"',
        'redo',
        'expect display "(555) 1|"',
      ],
    ],
    [
      '<3 digit>-<3 digit>; positions fixed',
      [
        'type "123456"',
        'caret 1',
        'backspace',
        'expect display "|_23-456"',
        'delete',
        'expect display "|__3-456"',
        'type "9"',
        'expect display "9|_3-456"',
        'type "_"',
        'expect display "9_|3-456"',
      ],
    ],
    ['<3 digit>; positions fixed', ['set "1 3"', 'expect display "1_3|"', 'set ""', 'expect display "|___"']],
    [
      '<3 digit>; raw text; literals ahead',
      ['type "12"', 'reset', 'expect flags !dirty !touched', 'undo', 'expect display ""'],
    ],
  ])('%s %j', (head, lines) => holds(head, lines));
});

test('the longest pattern there can be takes a paste of its own display', () => {
  const text = 'y'.repeat(2000);
  holds('x<2000 any>', [`paste "x${text}"`, `expect raw "${text}"`, 'expect left-out ""']);
});
