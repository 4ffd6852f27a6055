import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { placesIn } from '@arbeit/handoff';
import { describe, expect, test } from 'vitest';
import { run } from './arbeit.ts';

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
      out: ['1 expectation held, 0 missed'],
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
      err: [expect.stringContaining('none.tape:1:1: no such file')],
    });
    const faulty = file(
      'faulty.arbeit.json',
      '{\n  "arbeit": 2, "title": "T", "locale": "en",\n  "fields": [\n    { "id": "a", "kind": "pattern", "label": "A", "entry": { "pattern": "<2 digt>" } }\n  ]\n}',
    );
    expect(await called('play', faulty, good)).toMatchObject({
      code: 2,
      err: [
        expect.stringMatching(
          /faulty\.arbeit\.json:4:\d+: \$\.fields\[0\]\.entry\.pattern, column 4 of the text: .*perhaps digit/,
        ),
      ],
    });
    expect(await called('play', file('no.json', '{"a" 1}'), good)).toMatchObject({
      code: 2,
      err: [expect.stringMatching(/no\.json:1:6: /)],
    });
  });
  test('2 and how to call it when it is called otherwise', async () => {
    for (const args of [[], ['play'], ['play', demo], ['paly', demo, good], ['play', '--jsno', demo, good]])
      expect(await called(...args)).toMatchObject({
        code: 2,
        out: [],
        err: expect.arrayContaining([expect.stringContaining('usage')]),
      });
  });
  test('--help tells what can be asked for, and of each command what it takes', async () => {
    expect(await called('--help')).toMatchObject({ code: 0, err: [] });
    expect((await called('-h')).out.join('\n')).toContain('arbeit play <document.arbeit.json> <tape>…');
    const play = await called('play', '--help');
    expect(play).toMatchObject({ code: 0, err: [] });
    expect(play.out.join('\n')).toMatch(/--json +one JSON object a line[\s\S]*--help/);
  });
  test('what is wrong with a call is said before how to call it', async () => {
    expect((await called('paly', demo, good)).err[0]).toBe('paly: no such command');
    expect((await called('play', '--jsno', demo, good)).err[0]).toBe('--jsno: no such option');
    expect((await called('play', '--json=yes', demo, good)).err[0]).toMatch(/--json/);
    expect(await called('toString')).toMatchObject({ code: 2 });
  });
  test('a file whose name begins like an option comes behind --', async () => {
    expect((await called('play', '--', demo, '--no-such.tape')).err[0]).toMatch(
      /^--no-such\.tape:1:1: no such file/,
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
