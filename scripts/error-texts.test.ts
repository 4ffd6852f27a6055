import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from 'vitest';
import { cliTexts } from '../packages/cli/src/words.ts';
import * as elements from '../packages/element/src/usage.ts';
import { checkTypes, definitionOf } from '../packages/engine/src/checks/registry.ts';
import type { Texts } from '../packages/engine/src/faults/say.ts';
import * as texts from '../packages/engine/src/faults/texts.ts';
import * as usage from '../packages/engine/src/faults/usage.ts';
import { kinds } from '../packages/engine/src/kinds/index.ts';
import { importTexts, notPatternTexts } from '../packages/handoff/src/import/texts.ts';
import { buildTexts, jsonTexts } from '../packages/handoff/src/texts.ts';

// Errors have codes, and their texts are in one place each: this test holds that, and writes `docs/errors.md`
// (`npx vitest run scripts/error-texts -u`).

/** The errors of calls, with three dots for what is filled in. */
const usageTexts = (all: object): Texts =>
  Object.fromEntries(
    Object.values(all).flatMap((make: unknown) => {
      if (typeof make !== 'function') return [];
      const error = make(...Array.from({ length: Math.max(make.length, 1) }, () => '…')) as Error & {
        readonly code: string;
      };
      return [[error.code, error.message]];
    }),
  );

const ofKinds = Object.entries(kinds).map(
  ([name, { define }]) => [`Fields of kind \`${name}\``, define.faults ?? {}] as const,
);
const ofChecks = checkTypes.map(
  (type) => [`Checks of type \`${type}\``, definitionOf(type).faults ?? {}] as const,
);

const areas: readonly (readonly [title: string, texts: Texts])[] = [
  ['JSON of a document', jsonTexts],
  ['Documents', texts.documentTexts],
  ...ofKinds.filter(([, own]) => Object.keys(own).length > 0),
  ['Rules, messages and trials', texts.ruleTexts],
  ...ofChecks.filter(([, own]) => Object.keys(own).length > 0),
  ['Rules that contradict each other', texts.contradictionTexts],
  ['Patterns', texts.patternTexts],
  ['Regular expressions', texts.expressionTexts],
  ['Icons', texts.iconTexts],
  ['Tapes', texts.tapeTexts],
  ['Tapes that do not fit their document', texts.playTexts],
  ['Answers of custom checks', texts.codeTexts],
  ['Import', importTexts],
  ['Why an expression is imported as a rule', notPatternTexts],
  ['Hand-off', buildTexts],
  ['Command line', cliTexts],
  ['Calls of the packages', { ...usageTexts(usage), ...usageTexts(elements) }],
];

const cell = (text: string): string =>
  text
    .replaceAll('\n', ' ')
    .replace(/[|<\\*]/g, '\\$&')
    .replace(/\{[a-z]+\}/gi, '`$&`');

test('docs/errors.md has every error by code', async () => {
  const page = [
    '# Errors',
    '',
    'Every error has a code and a message. Codes stay the same; messages may be reworded. The command line prints the code in brackets.',
    'Written from the texts of the packages by the tests: `npx vitest run scripts/error-texts -u`.',
    '',
    ...areas.flatMap(([title, all]) => [
      `## ${title}`,
      '',
      '| code | message |',
      '|---|---|',
      ...Object.entries(all).map(([key, text]) => {
        const [code, more] = key.split('/');
        // A code with several texts is named before the first.
        const isNamed = more !== undefined && code! in all;
        return `| ${isNamed ? '' : `\`${code}\``} | ${cell(text)} |`;
      }),
      '',
    ]),
  ];
  await expect(page.join('\n')).toMatchFileSnapshot('../docs/errors.md');
});

const sources = readdirSync('packages', { recursive: true, encoding: 'utf8' })
  .map((path) => join('packages', path))
  .filter((path) => /^packages\/[^/]+\/src\/.*\.tsx?$/.test(path))
  .filter((path) => !/\.(?:test|fixture)\.|\/dist\/|\/(?:seen|usage)\.ts$/.test(path));
const isTable = (path: string): boolean => /\/(?:texts|words)\.ts$|\/faults\/say\.ts$/.test(path);

test('every code is reported somewhere', () => {
  const all = sources.filter((path) => !isTable(path)).map((path) => readFileSync(path, 'utf8'));
  const uses = all.join('\n');
  const unused = areas
    .filter(([title]) => title !== 'Calls of the packages')
    .flatMap(([title, own]) =>
      Object.keys(own)
        // A table that is in the file that uses it names each code a second time.
        .filter((code) => uses.split(`'${code}'`).length < (/kind|type `/.test(title) ? 3 : 2))
        // Those are made of the type of what a tape is about.
        .filter((code) => !code.startsWith('unknown-target/'))
        .map((code) => `${title}: ${code}`),
    );
  expect(unused).toEqual([]);
});

test('no error has its text where it is reported', () => {
  const inline = sources
    // Applications of a hand-off are text that developers go on from.
    .filter((path) => !isTable(path) && !path.includes('handoff/src/emit/apps/'))
    .flatMap((path) =>
      readFileSync(path, 'utf8')
        .split('\n')
        .flatMap((line, i) =>
          !/^\s*(?:\*|\/\/|\/\*)/.test(line) &&
          (/\bmessage: ['`](?!\$\{)/.test(line) || /new (?:Range|Type)?Error\(['`]/.test(line))
            ? [`${path}:${i + 1}: ${line.trim()}`]
            : [],
        ),
    );
  expect(inline).toEqual([
    // Data of the package itself, and a promise that the compiler cannot see: no user can cause them.
    expect.stringContaining('A numbering plan does not read'),
    expect.stringContaining('No item at'),
  ]);
});

test('each text is a sentence, and one at a time', () => {
  const odd = areas.flatMap(([title, all]) =>
    Object.entries(all)
      .filter(
        ([, text]) =>
          !/[.?"}]$/.test(text) || /(?<!");(?!")(?! (?:skipped|imported as|this one|the options))/.test(text),
      )
      .map(([code, text]) => `${title}: ${code}: ${text}`),
  );
  expect(odd).toEqual([]);
});
