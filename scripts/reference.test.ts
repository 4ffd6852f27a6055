import { expect, test } from 'vitest';
import { terms } from '../apps/studio/words/glossary/terms.ts';
import { type CommandWords, commandWords, helpWords } from '../packages/cli/src/words.ts';
import { codesOfChecks } from '../packages/engine/src/checks/compile.ts';
import type { Reason } from '../packages/engine/src/field/text-state.ts';
import { english } from '../packages/engine/src/rules/wording/english.ts';

// Reference pages that are written from the code: `npx vitest run scripts/reference -u`.

const written = (from: string): string =>
  `Written from ${from} by the tests: \`npx vitest run scripts/reference -u\`.`;

/** When each code appears. */
const when: Readonly<Record<string, string>> = {
  required: 'a required field is empty',
  incomplete: 'the text is not finished',
  'too-short': 'fewer characters than the minimum',
  'too-long': 'more characters than the maximum',
  'no-match': 'the value does not match the expression, or fits no pattern',
  'not-allowed': 'the value is not in the list, or the region or type of a telephone number is not accepted',
  'below-min': 'the value is less than the minimum',
  'above-max': 'the value is more than the maximum',
  'off-step': 'the value is between two steps',
  trivial: 'the value is easy to guess',
  'bad-checksum': 'the check digit is wrong',
  differs: 'a comparison with another field fails',
  'check-broken': 'a custom check throws an error or does not end',
  'shape-broken': 'a custom format throws an error or returns an invalid text',
  unreachable: 'a server check had no response',
  'no-such-date': 'the date or month does not exist',
  'unknown-number': 'no numbering plan has this telephone number',
};

const rejections: Readonly<Record<Reason, string>> = {
  full: 'no room for another character',
  'not-accepted': 'this character is not accepted here',
  'out-of-bounds': 'the number of a part would be outside its bounds',
  'too-many-decimals': 'no more decimals are accepted',
};

/** Placeholders as code, so that no table cell ends at a bar. */
const cell = (text: string | { readonly other: string }): string =>
  (typeof text === 'string' ? text : text.other).replace(/\{[\w-]+\}/g, '`$&`');

test('docs/codes.md has every code, when it appears, and its default message', async () => {
  const codeOf = (key: string): string => (key.startsWith('compare/') ? 'differs' : key.split('/').at(-1)!);
  // Words that components draw have no code.
  const keys = Object.keys(english).filter((key) => !key.startsWith('drawn/'));
  const codes = [...new Set([...keys.map(codeOf), ...codesOfChecks])];
  expect(codes.filter((code) => when[code] === undefined)).toEqual([]);
  expect(Object.keys(when).filter((code) => !codes.includes(code))).toEqual([]);
  const rows = codes.flatMap((code) =>
    keys
      .filter((key) => codeOf(key) === code)
      .map((key, i) => {
        const where = key === code ? '' : key.startsWith('compare/') ? key.slice(8) : key.split('/')[0];
        return `| ${i === 0 ? `\`${code}\`` : ''} | ${i === 0 ? when[code] : ''} | ${where} | ${cell(english[key]!)} |`;
      }),
  );
  const page = [
    '# Codes',
    '',
    'Every finding of a rule has a code. The message is the rule’s own, or the default message below. A rule can have a code of its own.',
    `All languages are in [default messages](messages.md). ${written('the messages (`packages/engine/src/rules/wording/english.ts`)')}`,
    '',
    '| code | when | only for | default message |',
    '|---|---|---|---|',
    ...rows,
    '',
    '## Rejections',
    '',
    'A character that is not accepted leaves the text unchanged. The state has the reason:',
    '',
    '| reason | when |',
    '|---|---|',
    ...Object.entries(rejections).map(([reason, words]) => `| \`${reason}\` | ${words} |`),
    '',
  ];
  await expect(page.join('\n')).toMatchFileSnapshot('../docs/codes.md');
});

test('docs/commands.md has every command with its options and exit codes', async () => {
  const sections = Object.entries(commandWords as Readonly<Record<string, CommandWords>>).map(
    ([name, { about, more, exits, needs, further = '', options }]) =>
      [
        `## ${name}`,
        '',
        `    arbeit ${[name, ...needs, further].filter(Boolean).join(' ')}${Object.keys(options).length ? ' [options]' : ''}`,
        '',
        `${about}${more ? ` ${more.replaceAll('\n', ' ')}` : ''}`,
        '',
        ...(Object.keys(options).length
          ? [
              '| option | meaning |',
              '|---|---|',
              ...Object.entries(options).map(
                ([option, [value, words]]) => `| \`--${option}${value ? ` ${value}` : ''}\` | ${words} |`,
              ),
              '',
            ]
          : []),
        '| exit code | meaning |',
        '|---|---|',
        ...Object.entries(exits).map(([code, words]) => `| ${code} | ${words} |`),
        '',
      ].join('\n'),
  );
  const page = [
    '# Commands',
    '',
    `In this repository, \`arbeit\` is \`node bin/arbeit.mjs\`. Every command has \`--help\` (${helpWords.helpOption}); \`arbeit --version\` prints the version.`,
    written('the texts of the command line (`packages/cli/src/words.ts`)'),
    '',
    ...sections,
  ];
  await expect(page.join('\n')).toMatchFileSnapshot('../docs/commands.md');
});

test('docs/glossary.md has the words of the studio', async () => {
  expect(terms.map(({ word }) => word)).toEqual(terms.map(({ word }) => word).toSorted());
  const page = [
    '# Glossary',
    '',
    `Words that have a meaning of their own in Arbeit. ${written('the glossary of the studio (`apps/studio/words/glossary/terms.ts`)')}`,
    '',
    '| word | meaning |',
    '|---|---|',
    ...terms.map(({ word, meaning }) => `| **${word}** | ${meaning} |`),
    '',
  ];
  await expect(page.join('\n')).toMatchFileSnapshot('../docs/glossary.md');
});
