import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import type { SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { compiledModule } from '@arbeit/handoff';
import { customCodeModule } from '@arbeit/handoff/emit';
import { build } from 'esbuild';
import { afterAll, describe, expect, test } from 'vitest';
import { run } from './arbeit.ts';

const folder = mkdtempSync(join(tmpdir(), 'arbeit-own-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const shape = "export function shape(content) { return content.replace(/(..)(?=.)/g, '$1-'); }";
const check = "export default ({ value }) => (value === '1234' ? { code: 'easy' } : undefined);";

function file(name: string, code = shape): string {
  const path = join(folder, name);
  writeFileSync(path, JSON.stringify(setOf(code)));
  return path;
}
const setOf = (code: string) =>
  ({
    arbeit: 2,
    title: 'Lockers',
    locale: 'en-GB',
    fields: [
      {
        id: 'locker',
        kind: 'custom',
        label: 'Locker',
        entry: { code, length: { min: 4, max: 4 } },
        rules: [{ id: 'easy', check: { type: 'custom', code: check }, show: 'at-once' }],
      },
    ],
    trials: [
      {
        id: 'easy',
        tape: 'field locker\ntype "123"\nexpect display "12-3|"\ntype "4"\nexpect codes easy\nbackspace\nexpect codes none\n',
      },
    ],
  }) as unknown as SetDocument;

async function arbeit(...args: string[]) {
  const [out, err]: [string[], string[]] = [[], []];
  const code = await run(args, { out: (line) => out.push(line), err: (line) => err.push(line) });
  return { code, out: out.join('\n'), err: err.join('\n') };
}

describe('developers’ code on the command line', () => {
  test('runs in its sandbox: trials hold, tapes play', async () => {
    const path = file('locker.json');
    expect(await arbeit('test', path)).toMatchObject({ code: 0, err: '' });
    const tape = join(folder, 'one.tape');
    writeFileSync(tape, 'field locker\ntype "1234"\nexpect display "12-34|"\nexpect codes easy\n');
    expect(await arbeit('play', path, tape)).toMatchObject({ code: 0, err: '' });
    // Without what it says, neither would hold.
    const silent = file('silent.json', 'export function shape(content) { return content; }');
    expect((await arbeit('test', silent)).code).toBe(1);
  });

  test('what a shape may not do is told by the audit, with its shortest tape', async () => {
    expect(await arbeit('laws', file('locker.json'), '--events', '3000', '--threads', '1')).toMatchObject({
      code: 0,
    });
    const dropping = file('dropping.json', 'export function shape(content) { return content.slice(0, 3); }');
    const { code, out } = await arbeit('laws', dropping, '--events', '3000', '--threads', '1');
    expect(code).toBe(1);
    expect(out).toContain('law 2:');
    expect(out).toMatch(
      /found {4}no such text: shape\(\) left out “\d”\. Return all typed characters\n {6}field locker\n {6}today .*\n(?: {6}type "\d+"\n){1,2}/,
    );
    const hanging = file(
      'hanging.json',
      'export function shape(content) { if (content.length > 2) for (;;); return content; }',
    );
    expect((await arbeit('laws', hanging, '--events', '200', '--threads', '1')).out).toContain(
      'after 500,000 steps',
    );
  });

  test('two shapes are compared by what they show', async () => {
    const dotted = file('dotted.json', shape.replace('$1-', '$1.'));
    const { code, out } = await arbeit('compare', file('locker.json'), dotted);
    expect(code).toBe(1);
    expect(out).toMatch(/before.*\d\d-\d.*\n[\s\S]*after.*\d\d\.\d/);
    expect((await arbeit('compare', dotted, dotted)).code).toBe(0);
  });

  test('handed off it is plain code, which does the same', async () => {
    const valued = `${shape}\nexport const value = (content) => (content === '0000' ? null : content);`;
    const set = setOf(valued);
    const { js, dts, customCode } = compiledModule(
      { ...set, fields: [set.fields[0]!, { ...set.fields[0]!, id: 'second' }] as never },
      kinds,
    );
    expect(js.match(/customFormatBy/g)).toHaveLength(2);
    expect(dts).toContain('export declare const locker: FieldOf<typeof customKind, LockerValue>;');
    const source = join(folder, 'fields.js');
    writeFileSync(source, `${js}\nexport { apply, evaluate, keysOf, start } from '@arbeit/engine/field';\n`);
    writeFileSync(join(folder, 'custom-code.js'), await customCodeModule(customCode!));
    const outfile = join(folder, 'bundled.mjs');
    await build({
      entryPoints: [source],
      outfile,
      bundle: true,
      format: 'esm',
      platform: 'node',
      nodePaths: ['node_modules'],
      logLevel: 'silent',
    });
    const { locker, second, apply, evaluate, keysOf, start } = await import(pathToFileURL(outfile).href);
    for (const field of [locker, second]) {
      const after = (text: string) =>
        keysOf(text).reduce((state: unknown, key: unknown) => apply(field, state, key), start(field));
      expect(evaluate(field, after('123'))).toMatchObject({ display: '12-3', value: null });
      expect(evaluate(field, after('1239'))).toMatchObject({ display: '12-39', value: '1239' });
      expect(evaluate(field, after('0000'))).toMatchObject({ display: '00-00', value: null });
      expect(evaluate(field, after('1234')).shown).toMatchObject([{ code: 'easy' }]);
    }
  });

  test('that does not parse is told at its place by every command, and nothing is written', async () => {
    const path = file('slip.json', 'export function shape(content) { return (; }');
    const out = join(folder, 'slip');
    for (const args of [
      ['build', path, '--out', out],
      ['compile', path, '--out', out],
      ['test', path],
      ['laws', path],
    ]) {
      const { code, err } = await arbeit(...args);
      expect([args[0], code, err]).toEqual([
        args[0],
        2,
        expect.stringMatching(
          /slip\.json:1:\d+: .*entry\.code: The code has a syntax error \(line 1, column 42 of the code\).*\[code-syntax\]$/,
        ),
      ]);
    }
    expect(existsSync(out)).toBe(false);
    const rule = { id: 'r', check: { type: 'custom', code: 'export default ({ value) => {}' } };
    const set = {
      ...setOf(shape),
      fields: [{ id: 'a', kind: 'text', label: 'A', entry: {}, rules: [rule] }],
      trials: [],
    };
    writeFileSync(join(folder, 'rule.json'), JSON.stringify(set));
    expect((await arbeit('compile', join(folder, 'rule.json'), '--out', out)).err).toContain(
      '$.fields[0].rules[0].check.code',
    );
  });

  test('that never comes back ends the call and not the command, as it is built', () => {
    // What the engine cannot count as steps: searches of its own, and stacks that are caught again and again.
    const hostile = [
      '[].indexOf.call({ length: 2 ** 53 - 1 }, 1)',
      '(function f() { try { f(); } finally { f(); } })()',
      '"\\u0344".repeat(3e6).normalize("NFD").normalize("NFC")',
    ];
    const rules = hostile.map((one, i) => ({
      id: `r${i}`,
      check: { type: 'custom', code: `export default () => { ${one}; return { code: "over" }; }` },
    }));
    const path = join(folder, 'hostile.json');
    writeFileSync(
      path,
      JSON.stringify({
        ...setOf(shape),
        fields: [
          ...rules.map((rule, i) => ({ id: `f${i}`, kind: 'text', label: 'F', entry: {}, rules: [rule] })),
          {
            id: 'good',
            kind: 'text',
            label: 'G',
            entry: {},
            rules: [
              {
                id: 'r',
                check: {
                  type: 'custom',
                  code: 'export default ({ value }) => (value === "no" ? { code: "bad" } : undefined);',
                },
              },
            ],
          },
        ],
        trials: [
          ...rules.map((_, i) => ({ id: `t${i}`, tape: `field f${i}\nset "x"\nleave\nexpect value "x"\n` })),
          {
            id: 'good',
            tape: 'field good\nset "no"\nexpect verdict r fail\nset "yes"\nexpect verdict r pass\n',
          },
        ],
      }),
    );
    const { status, stdout, stderr } = spawnSync(
      process.execPath,
      [fileURLToPath(new URL('../../../bin/arbeit.mjs', import.meta.url)), 'test', path],
      { encoding: 'utf8' },
    );
    expect([status, stderr, stdout]).toEqual([0, '', expect.stringContaining('4 of 4 trials pass')]);
  });
});
