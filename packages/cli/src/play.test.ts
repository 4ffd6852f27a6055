import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { placesIn } from '@arbeit/handoff';
import { describe, expect, test } from 'vitest';
import manifest from '../package.json' with { type: 'json' };
import { run } from './arbeit.ts';
import { type CommandName, commandWords } from './words.ts';

const demo = fileURLToPath(new URL('../../../apps/studio/demo/ridge-huts.arbeit.json', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'arbeit-cli-'));
const file = (name: string, text: string): string => {
  writeFileSync(join(folder, name), text);
  return join(folder, name);
};
const good = file('good.tape', 'tape "Good"\nfield key-box\ntype "12"\nexpect display "12|"\n');
const wrong = file('wrong.tape', 'tape "Wrong"\nfield key-box\ntype "12"\nexpect raw "13"\n');
const broken = file('broken.tape', 'tape "Broken"\nfield key-box\ntyp "12"\n');

const called = async (...args: string[]) => {
  const out: string[] = [];
  const err: string[] = [];
  const code = await run(args, { out: (line) => out.push(line), err: (line) => err.push(line) });
  return { code, out, err };
};

describe('arbeit play', () => {
  test('0 when every expectation holds', async () => {
    expect(await called('play', demo, good)).toEqual({
      code: 0,
      out: ['1 expectation passed, 0 failed'],
      err: [],
    });
  });
  test('1 when one does not, with file and line, what was expected and what was there', async () => {
    const { code, out } = await called('play', demo, good, wrong);
    expect(code).toBe(1);
    expect(out.join('\n')).toContain(`${wrong}:4: expect raw "13"\n  expected "13"\n  found    "12"`);
  });
  test('2 when a file cannot be read, with file, line and column', async () => {
    expect(await called('play', demo, broken)).toMatchObject({
      code: 2,
      err: [expect.stringContaining(`${broken}:3:1: `)],
    });
    expect(await called('play', demo, join(folder, 'none.tape'))).toMatchObject({
      code: 2,
      err: [expect.stringContaining('none.tape:1:1: No such file. [no-file]')],
    });
    const faulty = file(
      'faulty.arbeit.json',
      '{\n  "arbeit": 2, "title": "T", "locale": "en",\n  "fields": [\n    { "id": "a", "kind": "pattern", "label": "A", "entry": { "pattern": "<2 digt>" } }\n  ]\n}',
    );
    expect(await called('play', faulty, good)).toMatchObject({
      code: 2,
      err: [
        expect.stringMatching(
          /faulty\.arbeit\.json:4:\d+: \$\.fields\[0\]\.entry\.pattern, column 4 of the text: .*did you mean digit/,
        ),
      ],
    });
    expect(await called('play', file('no.json', '{"a" 1}'), good)).toMatchObject({
      code: 2,
      err: [expect.stringMatching(/no\.json:1:6: /)],
    });
  });
  test('2 and what is missing or unknown in the call', async () => {
    const errorOf = async (...args: string[]) => {
      const { code, out, err } = await called(...args);
      expect([args, code, out]).toEqual([args, 2, []]);
      return err.join('\n');
    };
    expect(await errorOf()).toContain('Usage: arbeit <command> [options]');
    expect(await errorOf('play')).toBe(
      'arbeit play: <document.arbeit.json> is missing. [missing-argument]\nUsage: arbeit play <document.arbeit.json> <tape>…',
    );
    expect(await errorOf('play', demo)).toContain('arbeit play: <tape> is missing.');
    expect(await errorOf('paly', demo, good)).toBe(
      'Unknown command "paly". Did you mean "play"? Run "arbeit --help" to list the commands. [unknown-command]',
    );
    expect(await errorOf('play', '--jsno', demo, good)).toBe(
      'Unknown option "--jsno". Did you mean "--json"? Run "arbeit play --help" to list the options. [unknown-option]',
    );
    expect(await errorOf('play', '--json=yes', demo, good)).toMatch(/--json/);
    expect(await errorOf('toString')).toMatch(/^Unknown command "toString"\. Run/);
    expect(await errorOf('laws', demo, '--seed', 'x')).toBe(
      '--seed: expected a positive integer, found "x". [not-a-count]',
    );
  });
  test('an option does not take the document as its value', async () => {
    const before = readFileSync(demo, 'utf8');
    for (const args of [
      ['test', '--junit', demo],
      ['test', '--junit', demo, demo],
      ['build', '--out', demo],
    ]) {
      const { code, err } = await called(...args);
      expect([code, err[0]]).toEqual([2, expect.stringContaining('is a document. Write the <f')]);
    }
    expect(readFileSync(demo, 'utf8')).toBe(before);
  });
  test('--help lists the commands with a sentence each, and the options of one', async () => {
    const { code, out, err } = await called('--help');
    expect([code, err]).toEqual([0, []]);
    const lines = out.join('\n').split('\n');
    for (const [name, { about }] of Object.entries(commandWords)) {
      expect(about).toMatch(/^[A-Z].*[^.]\.$/);
      expect(lines.filter((line) => line.startsWith(`  ${name} `))).toEqual([
        expect.stringContaining(about.slice(0, 60)),
      ]);
      const own = await called(name, '--help');
      expect(own).toMatchObject({ code: 0, err: [] });
      const text = own.out.join('\n');
      for (const option of [...Object.keys(commandWords[name as CommandName].options), 'help'])
        expect(text).toMatch(new RegExp(`^  --${option} .*\\S$`, 'm'));
      expect(text).toMatch(/Exit codes:\n {2}0 /);
      for (const line of text.split('\n')) expect(line.length, line).toBeLessThanOrEqual(120);
    }
    expect((await called('play', '-h')).out.join('\n')).toMatch(/--json +print one JSON object per action/);
  });
  test('--version prints the version of the package', async () => {
    expect(await called('--version')).toEqual({ code: 0, out: [manifest.version], err: [] });
  });
  test('a former name of a command works with a note', async () => {
    const { err } = await called('audit', '--help');
    expect(err).toEqual(['"arbeit audit" is now "arbeit laws". The old name works in this version only.']);
  });
  test('a file whose name begins like an option comes behind --', async () => {
    expect((await called('play', '--', demo, '--no-such.tape')).err[0]).toMatch(
      /^--no-such\.tape:1:1: No such file/,
    );
  });
  test('--json: one object a line for every action, and nothing else on standard output', async () => {
    const { code, out } = await called('play', demo, wrong, '--json');
    expect(code).toBe(1);
    expect(out.map((line) => JSON.parse(line))).toEqual([
      {
        tape: 'Wrong', line: 3, action: 'type "12"', field: 'key-box', display: '12', caret: [2, 2], raw: '12', value: null,
        flags: { focused: true, touched: false, dirty: true, complete: false, valid: false, pending: false },
        codes: [], message: null, rejected: null, leftOut: '',
      },
    ]); // biome-ignore format: the line as it is sent
  });
  test('as a command', async () => {
    const bin = fileURLToPath(new URL('../../../bin/arbeit.mjs', import.meta.url));
    const { status, stdout } = spawnSync(process.execPath, [bin, 'play', demo, good, '--json'], {
      encoding: 'utf8',
    });
    expect([status, JSON.parse(stdout).display]).toEqual([0, '12']);
  });
});

test.each([
  ['$.a', 1, 7],
  ['$.b[1]', 2, 14],
  ['$.b[2].c', 2, 27],
  ['$.missing', 1, 1],
  ['$["d e"]', 3, 9],
])('the place of %s', (path, line, column) => {
  expect(placesIn('{"a": 1,\n  "b": [[1], "x,]", {"c": 2}],\n "d e": null}')(path)).toEqual({ line, column });
});
