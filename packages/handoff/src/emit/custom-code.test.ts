import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { SetDocument } from '@arbeit/engine/document';
import type { CodeInput, CodeOutcome } from '@arbeit/engine/rules';
import { createSandbox } from '@arbeit/sandbox';
import { quickjs } from '@arbeit/sandbox/node';
import { afterAll, expect, test } from 'vitest';
import { customCodeModule, parseCode } from './custom-code.ts';
import { handOff } from './hand-off.ts';
import { sourcesFrom } from './sources.ts';

const folder = mkdtempSync(join(tmpdir(), 'arbeit-custom-code-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Checks as developers write them: what is handed off must do what was tried, however it is written. */
const checks = [
  'export default ({ value }) => (value === "2" ? { code: "two" } : undefined);',
  'export default check;\nfunction check({ value }) { return value > least ? undefined : { code: "few" }; }\nconst least = 1;',
  // biome-ignore lint/suspicious/noTemplateCurlyInString: the source of a template
  'const check = ({ value }) => ({ code: `two\nlines ${value}`.length > 9 ? "long" : "short" });\nexport { check as default };',
  'export const least = 2;\nexport default ({ value }) => (value < least ? { code: "few", data: { least } } : null);',
  'let calls = 0;\nexport default () => ({ facts: { calls: ++calls } });',
  'const seen = new Set();\nexport default ({ value }) => { const was = seen.has(value); seen.add(value); return was ? { code: "again" } : undefined; }',
  'export default function ({ raw }) { return { facts: { raw: String(raw), type: typeof this } }; }',
  'export default class {}',
  'export default async () => {}',
  'export default () => 42',
  'export default () => { throw new TypeError("no"); }',
  '// export default of another kind\nconst text = "export default 1";\nexport default () => ({ facts: { text } })',
  'const text = `\nexport default () => 1\n`;\nexport default () => ({ facts: { n: text.length } });',
  'export default (input) => { input.values.x = 1; input.value = "9"; return { facts: { v: input.value } }; }',
  'const checks = 1, callCheck = 2, make = 3, own = 4, answer = 5, at = 6;\nexport default () => ({ facts: { n: checks + callCheck + make + own + answer + at } });',
  'export default () => ({ data: undefined, code: "x", facts: { a: 1, b: undefined } })',
  'export default ({ value }) => (/^(?<n>\\d+)$/u.exec(value)?.groups.n === value ? null : { code: "x" })',
  'var String = 1;\nexport default () => ({ facts: { string: String } })',
  'export default ({ values, today }) => ({ facts: { day: today, other: values.other ?? "none" } })',
  'label: for (const a of [1]) { for (const b of [2]) continue label; }\nexport default () => undefined;',
] as const;

const inputs = (['1', '2', '3', '2'] as const).map(
  (value): CodeInput => ({ value, raw: value, values: { other: null }, today: '2027-02-10' }),
);
/** Why it is broken is said in words of its own. */
const told = (outcome: CodeOutcome) => ('broken' in outcome ? 'broken' : outcome);

test('checks do in the page what they do in the sandbox, call after call', async () => {
  const file = join(folder, 'custom-code.mjs');
  writeFileSync(file, await customCodeModule({ checks, shapes: [] }));
  const { check } = (await import(pathToFileURL(file).href)) as {
    check(at: number, input: CodeInput): CodeOutcome;
  };
  const sandbox = createSandbox(await quickjs(), () => {});
  for (const [at, code] of checks.entries())
    for (const input of inputs) {
      const given = structuredClone(input);
      expect(told(check(at, given)), code).toEqual(told(sandbox.check(code, input)));
      // What it is given stays the page's.
      expect(given).toEqual(input);
    }
});

test('shapes do too, which keep their world from call to call', async () => {
  const shapes = [
    'export function shape(content) { return content; }',
    'export const shape = (c) => ["", c];\nexport const value = (c) => (c === "1" ? null : c);',
    // biome-ignore lint/suspicious/noTemplateCurlyInString: the source of a template
    'const shape = (c) => `<${c}>`;\nconst value = undefined;\nexport { shape, value };',
    'let calls = 0;\nexport function shape(c) { return c + "-".repeat(++calls % 3); }',
    'export function shape() { throw new Error("no"); }',
  ];
  const file = join(folder, 'shapes.mjs');
  writeFileSync(file, await customCodeModule({ checks: [], shapes }));
  const { shape } = await import(pathToFileURL(file).href);
  const sandbox = createSandbox(await quickjs(), () => {});
  for (const [at, code] of shapes.entries())
    for (const content of ['1', '12', '1'])
      expect(told(shape(at, content)), code).toEqual(told(sandbox.shape(code, content) as CodeOutcome));
});

const setOf = (code: string, more: object = {}): SetDocument =>
  ({
    arbeit: 2,
    title: 'Huts',
    locale: 'en-GB',
    fields: [
      { id: 'String', kind: 'text', label: 'String', entry: {} },
      {
        id: 'guest',
        kind: 'text',
        label: 'Guest',
        entry: {},
        rules: [
          { id: 'own', check: { type: 'custom', code }, samples: { pass: ['ok'], fail: ['no'] }, ...more },
        ],
      },
    ],
  }) as unknown as SetDocument;

test('the names of a set hide none that the code uses', async () => {
  const files = await handOff({
    set: setOf('export default ({ value }) => (String(1) === "1" && Object && value ? null : { code: "x" })'),
    sources: sourcesFrom(process.cwd()),
    uses: [],
  });
  expect(files.get('fields.js')).toContain("from './custom-code.js'");
  expect(files.get('custom-code.js')).not.toContain('const String');
});

test('a build compares: what does something else once it is bundled is refused', async () => {
  const sandbox = createSandbox(await quickjs(), () => {});
  const made = (run: { check: typeof sandbox.check; shape: typeof sandbox.shape }) =>
    handOff({ set: setOf(checks[1]), sources: sourcesFrom(process.cwd()), uses: [], run });
  await expect(made(sandbox)).resolves.toBeInstanceOf(Map);
  // As if the engine of the sandbox did something else with the bundled code.
  const other: typeof sandbox.check = (code, input) =>
    code.includes('callCheck') ? { answer: { code: 'other' } } : sandbox.check(code, input);
  await expect(made({ ...sandbox, check: other })).rejects.toThrow(
    'The check "own" of the field "guest" behaves differently in the hand-off and in the sandbox, for "ok".',
  );
});

test.each([
  ['export default (', 1],
  ['export default () => {\n  const a = ;\n}', 2],
  ['export default () => { return 1', 1],
  ['const a = 1;\nconst a = 2;\nexport default () => a;', 2],
  ['export default await 1;', 1],
])('code that is no module is told with its place: %s', async (code, line) => {
  expect(parseCode(code)).toMatchObject({ line, message: expect.any(String), column: expect.any(Number) });
  await expect(handOff({ set: setOf(code), sources: sourcesFrom(process.cwd()), uses: [] })).rejects.toThrow(
    RangeError,
  );
  for (const good of checks) expect(parseCode(good)).toBeUndefined();
});
