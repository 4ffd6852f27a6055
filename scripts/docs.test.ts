import { execFileSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import type { FieldDocument } from '@arbeit/engine/document';
import { compile, withCustomCode } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import type { PatternField } from '@arbeit/engine/kinds/pattern';
import { lay, parseNotation, readAloud, sampleCells } from '@arbeit/engine/kinds/pattern';
import { tableOf } from '@arbeit/engine/options';
import { parseTape, play } from '@arbeit/engine/tape';
import { describe, expect, test } from 'vitest';
import { checkTypes, definitionOf } from '../packages/engine/src/checks/registry.ts';
import { plainly } from '../packages/engine/src/kinds/custom/plainly.fixture.ts';
import { allRegions, plannedRegions, planOf } from '../packages/engine/src/plans/plans.ts';
import { lawWords } from '../packages/engine/src/prove/law.ts';

const root = new URL('../', import.meta.url);
const notation = readFileSync(new URL('docs/notation.md', root), 'utf8');

/** Every file that is kept in the repository, or will be. */
const filesOfProject = (): readonly string[] =>
  execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard'], {
    cwd: root,
    encoding: 'utf8',
  })
    .trim()
    .split('\n')
    .filter((file) => existsSync(new URL(file, root)));

/** The rows of the table under a heading, cells without their code marks. */
function table(heading: string): string[][] {
  const [section = ''] = notation.split(`## ${heading}\n`)[1]?.split('\n## ') ?? [];
  const rows = section.split('\n').filter((line) => line.startsWith('| ') && !line.startsWith('| --'));
  return rows.slice(1).map((line) =>
    line
      .slice(2, -2)
      .split(/(?<!\\) \| /)
      .map((cell) => cell.trim().replace(/^`|`$/g, '').replaceAll('\\|', '|')),
  );
}

const fieldFor = (pattern: string, options: object = {}) => {
  const field: FieldDocument = { id: 'it', kind: 'pattern', label: 'It', entry: { pattern, ...options } };
  return compile({ arbeit: 2, title: 'Docs', locale: 'en-GB', fields: [field] }, kinds);
};

describe('docs/notation.md', () => {
  test.each(table('Patterns'))('%s', (pattern, aloud, sample) => {
    expect(readAloud(parseNotation(pattern!).nodes)).toBe(aloud);
    const { plan } = fieldFor(pattern!).fields[0] as PatternField;
    expect(lay(plan, sampleCells(plan), undefined).display).toBe(sample);
  });
  test.each(table('Mistakes'))('%s', (pattern, column, suggestion) => {
    expect(parseNotation(pattern!).faults.map((fault) => [String(fault.column), fault.suggestion])).toEqual([
      [column, suggestion],
    ]);
  });
  const examples = [...notation.matchAll(/```tape (.+)\n([\s\S]*?)```/g)].map(
    (match) => [match[1]!, match[2]!] as const,
  );
  test.each(examples)('%s', (head, lines) => {
    const [pattern, ...options] = head.split('; ');
    const entry = Object.fromEntries(options.map((option) => option.split(' ')));
    const read = parseTape(`field it\n${lines}`);
    expect(read).toMatchObject({ ok: true });
    expect(read.ok && play(fieldFor(pattern!, entry), read.tape)).toMatchObject({ misses: [] });
  });
  test('has examples of each', () => {
    expect(
      [table('Patterns').length, table('Mistakes').length, examples.length].every((count) => count > 6),
    ).toBe(true);
  });
});

describe('docs/kinds.md', () => {
  const text = readFileSync(new URL('docs/kinds.md', root), 'utf8');
  const examples = [...text.matchAll(/```tape (\S+) (\{.*\}) (\S+)\n([\s\S]*?)```/g)];
  test.each(examples.map(([, ...parts]) => parts as [string, string, string, string]))(
    '%s %s %s',
    (kind, entry, locale, lines) => {
      const field = { id: 'it', kind, label: 'It', entry: JSON.parse(entry) } as FieldDocument;
      const own = { check: () => undefined, shape: plainly() };
      const set = withCustomCode(compile({ arbeit: 2, title: 'Docs', locale, fields: [field] }, kinds), own);
      const read = parseTape(`field it\n${lines}`);
      expect(read).toMatchObject({ ok: true });
      expect(read.ok && play(set, read.tape)).toMatchObject({ misses: [] });
    },
  );
  test('has an example of most', () => {
    expect(examples.length).toBeGreaterThan(7);
  });
});

test('every link and picture of the README and the docs is there', () => {
  const pages = filesOfProject().filter((file) => file.endsWith('.md'));
  expect(pages.length).toBeGreaterThan(20);
  for (const page of pages) {
    const text = readFileSync(new URL(page, root), 'utf8');
    for (const [, target] of text.matchAll(/\]\((?!https?:|#)([^)#]+)/g))
      expect(() => readFileSync(new URL(target!, new URL(page, root)))).not.toThrow(/ENOENT/);
  }
});

test('every path that a page or a comment names is there', () => {
  const listed = filesOfProject();
  const named = /(?<![\w/@.:-])(?:packages|apps|e2e|bench|scripts|bin|docs)\/[\w./*@[\]{},-]*\w/g;
  const isThere = (path: string): boolean => {
    const form = path
      .replace(/[.+?^$()|[\]\\]/g, '\\$&')
      .replace(/\*/g, '[^/]*')
      .replace(/\{([^}]*)\}/g, (_, choices: string) => `(?:${choices.replaceAll(',', '|')})`);
    return listed.some((file) => new RegExp(`^${form}(?:/|\\.tsx?|\\.test\\.tsx?|$)`).test(file));
  };
  const texts = listed.flatMap((file) => {
    if (!/\.(?:md|tsx?|mjs)$/.test(file)) return [];
    const text = readFileSync(new URL(file, root), 'utf8');
    const parts = file.endsWith('.md')
      ? text.match(/`[^`\n]+`|^ {4}.*$/gm)
      : text.match(/^\s*(?:\/\/|\/?\*).*$|\s\/\/ .*$/gm);
    return (parts ?? []).flatMap((part) => (part.match(named) ?? []).map((path) => ({ file, path })));
  });
  expect(texts.length).toBeGreaterThan(60);
  // What is built, written or made for somebody else.
  const madeLater = /^docs\/api|\/dist\b|^bin\/dist/;
  expect(
    texts
      .filter(({ path }) => !madeLater.test(path) && !isThere(path))
      .map(({ file, path }) => `${file}: ${path}`),
  ).toEqual([]);
});

test('no comment has a line over 110 columns', () => {
  const long = filesOfProject().flatMap((file) =>
    /\.(?:tsx?|mjs)$/.test(file)
      ? readFileSync(new URL(file, root), 'utf8')
          .split('\n')
          .flatMap((line, i) =>
            /^\s*(?:\/\/ (?!biome-ignore)|\* |\/\*\*)/.test(line) && [...line].length > 110
              ? [`${file}:${i + 1}`]
              : [],
          )
      : [],
  );
  expect(long).toEqual([]);
});

describe('the contract', () => {
  const laws = readFileSync(new URL('docs/contract/laws.md', root), 'utf8');
  const pages = readdirSync(new URL('docs/contract', root)).filter((name) => name !== 'README.md');

  test('has fourteen laws in their order, each with what breaks it', () => {
    const found = [...laws.matchAll(/^## Law (\d+): .+\n\n([\s\S]*?)(?=^##)/gm)];
    expect(found.map(([, number]) => Number(number))).toEqual(Array.from({ length: 14 }, (_, i) => i + 1));
    expect(found.filter(([, , text]) => !text?.includes('*Broken by*')).map(([, number]) => number)).toEqual(
      [],
    );
    expect(Object.keys(lawWords).map(Number)).toEqual(Array.from({ length: 12 }, (_, i) => i + 1));
  });

  test('numbers its pages and their sections, and its index names every page', () => {
    const index = readFileSync(new URL('docs/contract/README.md', root), 'utf8');
    const listed = [...index.matchAll(/^(\d+)\. \[.*?\]\((.*?)\)$/gm)].map(([, number, name]) => [
      Number(number),
      name,
    ]);
    expect(listed.map(([, name]) => name).sort()).toEqual([...pages].sort());
    for (const [number, name] of listed) {
      const text = readFileSync(new URL(`docs/contract/${name}`, root), 'utf8');
      expect([name, /^# (\d+)\. /.exec(text)?.[1]]).toEqual([name, String(number)]);
      const sections = [...text.matchAll(/^## (\d+)\.(\d+) /gm)].map(([, page, section]) => [
        Number(page),
        Number(section),
      ]);
      expect(sections).toEqual(sections.map((_, i) => [number, i + 1]));
    }
  });

  test('has every law that a comment, a test or a page cites', () => {
    const cited = filesOfProject().flatMap((file) =>
      /\.(?:md|tsx?|mjs)$/.test(file)
        ? [
            ...readFileSync(new URL(file, root), 'utf8').matchAll(
              /\b[Ll]aws? (\d+)(?:(?:, | and | to )(\d+))*/g,
            ),
          ].flatMap(([text]) => (text.match(/\d+/g) ?? []).map((number) => [file, Number(number)] as const))
        : [],
    );
    expect(cited.length).toBeGreaterThan(20);
    expect(cited.filter(([, number]) => number < 1 || number > 14)).toEqual([]);
  });

  test('is what comments cite sections of: nothing outside the repository', () => {
    const astray = filesOfProject().filter(
      (file) =>
        /\.(?:tsx?|mjs)$/.test(file) &&
        /`engine\.md`|shared\/design/.test(readFileSync(new URL(file, root), 'utf8')) &&
        !file.endsWith('docs.test.ts'),
    );
    expect(astray).toEqual([]);
  });
});

test('the contract names every exemption from a law, and no other', () => {
  const contract = readFileSync(
    new URL('packages/engine/src/kinds/contract/law-exemptions.ts', root),
    'utf8',
  );
  const [, members = ''] = contract.split('export interface LawExemptions');
  const named = [...members.matchAll(/^ {2}(?:readonly )?(\w+)\?/gm)].map(([, name]) => name);
  const laws = readFileSync(new URL('docs/contract/laws.md', root), 'utf8');
  const listed = [...laws.matchAll(/^\| `(\w+)` \|/gm)].map(([, name]) => name);
  expect(named.length).toBeGreaterThan(10);
  expect(listed.toSorted()).toEqual(named.toSorted());
});

test('docs/options.md is what the kinds say of their options', async () => {
  const sections = Object.entries(kinds).map(
    ([name, { define }]) => `## ${name}\n\n${tableOf(define.options)}\n`,
  );
  const head = [
    '# Entry options of each kind',
    '',
    'Written from the kinds’ own descriptions (`packages/engine/src/kinds/*/define.ts`) by the tests: `npx vitest run scripts/docs -u`. What',
    'the kinds do with them is in [kinds](kinds.md).',
    '',
  ];
  await expect([...head, ...sections].join('\n')).toMatchFileSnapshot('../docs/options.md');
});

test('docs/telephone-plans.md is what is known of the numbers of each region', async () => {
  const names = new Intl.DisplayNames('en', { type: 'region' });
  const types = { mobile: 'mobile', fixed: 'fixed', either: 'mobile or fixed', other: 'other' } as const;
  const rows = plannedRegions.map((region) => {
    const { code, trunk, idd, formats } = planOf(region)!;
    const known = (Object.keys(types) as (keyof typeof types)[]).flatMap((type) => {
      const of = formats.filter((format) => format.type === type);
      if (!of.length) return [];
      const written = [...new Set(of.map(({ national }) => national))].map((one) => `\`${one}\``);
      return [`${types[type]} ${written.join(', ')}`];
    });
    const dialled = [trunk || '–', idd || '–'].join(' | ');
    return `| ${names.of(region)} (${region}) | +${code} | ${dialled} | ${known.join('; ')} |`;
  });
  const others = allRegions.filter((region) => !plannedRegions.includes(region));
  const page = [
    '# Numbering plans of telephone numbers',
    '',
    'Written from the plans (`packages/engine/src/plans`) by the tests: `npx vitest run scripts/docs -u`. `#` is a digit. In these regions mobile and',
    'fixed numbers are told apart where the plan does; other numbers are freephone, shared cost, premium and special services. The tests hold numbers',
    'of most regions against the plans (`packages/engine/src/plans/known-numbers.test.ts`).',
    '',
    '| region | calling code | trunk prefix | international prefix | numbers, as they are written there |',
    '|---|---|---|---|---|',
    ...rows,
    '',
    '## Regions of which only lengths are known',
    '',
    'A number of these is taken by its length alone, and written in the format of the main region of its calling code, or in threes:',
    `${others.map((region) => `${names.of(region)} (${region})`).join(', ')}.`,
    '',
  ];
  await expect(page.join('\n')).toMatchFileSnapshot('../docs/telephone-plans.md');
});

test('docs/checks.md is what the checks say of their options', async () => {
  const sections = checkTypes.map((type) => {
    const { options, data } = definitionOf(type);
    const brings =
      data === 'own'
        ? 'what its answer brings'
        : ['label', ...data].map((name) => `\`{${name}}\``).join(', ');
    const table = Object.keys(options).length === 0 ? '' : `${tableOf(options)}\n\n`;
    return `## ${type}\n\n${table}A message may name ${brings}.\n`;
  });
  const head = [
    '# Checks of rules',
    '',
    'Written from the checks’ own descriptions (`packages/engine/src/checks/*/define.ts`) by the tests: `npx vitest run scripts/docs -u`.',
    'How rules are shown and combined is in [the engine](engine.md) and [forms](forms.md).',
    '',
  ];
  await expect([...head, ...sections].join('\n')).toMatchFileSnapshot('../docs/checks.md');
});

test('docs/licences.md lists the licence of everything shipped', async () => {
  interface Locked {
    readonly version?: string;
    readonly license?: string;
    readonly dev?: boolean;
    readonly devOptional?: boolean;
    readonly link?: boolean;
  }
  const lock = JSON.parse(readFileSync(new URL('package-lock.json', root), 'utf8'));
  const rows = new Map<string, Set<string>>();
  for (const [path, { version, license, dev, devOptional, link }] of Object.entries(
    lock.packages as Record<string, Locked>,
  )) {
    const name = path.split('node_modules/').at(-1) ?? '';
    if (!path.includes('node_modules/') || dev || devOptional || link) continue;
    const licence = license ?? 'unknown';
    rows.set(licence, (rows.get(licence) ?? new Set()).add(`${name} ${version}`));
  }
  // A package without a licence may not be shipped.
  expect([...(rows.get('unknown') ?? [])]).toEqual([]);
  const byName = (a: string, b: string): number => (a < b ? -1 : 1);
  const sections = [...rows]
    .sort(([a], [b]) => byName(a, b))
    .map(
      ([licence, names]) =>
        `## ${licence}\n\n${[...names]
          .sort(byName)
          .map((name) => `- ${name}`)
          .join('\n')}\n`,
    );
  const head = [
    '# Licences of what is shipped',
    '',
    'Arbeit itself is under the [MIT licence](../LICENSE). The studio and the packages use the packages below, as `package-lock.json`',
    'has them (`npx vitest run scripts/docs -u` writes this page). The fonts in `apps/studio/app/fonts` are under the SIL Open Font License 1.1.',
    'Pages that a hand-off is put into carry none of them: a hand-off contains only code of Arbeit.',
    '',
  ];
  await expect([...head, ...sections].join('\n')).toMatchFileSnapshot('../docs/licences.md');
});
