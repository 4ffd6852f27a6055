import { expect, test } from 'vitest';
import { compileField } from '../../document/compile-field.ts';
import type { FieldDocument } from '../../document/document.ts';
import { trial } from '../../tape/trial.ts';
import { kinds } from '../registry.ts';

/** What a tape misses on a text of those options. */
const misses = (entry: object, lines: string): readonly string[] => {
  const definition = { id: 'it', kind: 'text', label: 'It', entry } as FieldDocument;
  return trial(
    { fields: [compileField(definition, { locale: 'en-GB' }, kinds)], forms: [] },
    `field it\nfocus\n${lines}`,
  );
};

test.each([
  ['a mark on a blank goes with it when it is trimmed', {}, 'type " \u0301a"\nleave\nexpect display "a"\nexpect raw "a"'],
  ['so does a joiner, and nothing is left of nothing', {}, 'type " \u200d"\nleave\nexpect display ""\nexpect value null'],
  ['a letter with a joiner behind it is a letter, typed and pasted', {}, 'type "b"\ntype "\u200d"\nexpect raw "b\u200d"\nselect all\npaste "b\u200d"\nexpect raw "b\u200d"\nexpect rejected none'],
  ['an accent that is a key of its own joins its letter, composed', {}, 'type "e"\ntype "\u0301"\nexpect raw "\u00e9"\nexpect display "\u00e9|"\nbackspace\nexpect raw ""'],
  ['also in the middle', {}, 'type "abc"\ncaret 1\ntype "\u0308"\nexpect display "\u00e4|bc"\nundo\nexpect display "a|bc"'],
  ['also where the text is full', { max: 1 }, 'type "o"\ntype "\u0308"\nexpect raw "\u00f6"\nexpect rejected none'],
  ['white space alone is nothing, also where it is kept', { trim: false }, 'type "  "\nexpect raw ""\nexpect value null\ntype "a "\nexpect raw "  a "\nselect all\ntype " "\nleave\nexpect display ""'],
  ['a joiner alone is nothing', {}, 'type "\u200d"\nexpect rejected not-accepted\nexpect raw ""'],
])('%s', (_, entry, lines) => expect(misses(entry, lines)).toEqual([])); // biome-ignore format: a row a case
