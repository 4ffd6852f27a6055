import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, describe, expect, test } from 'vitest';
import { run } from './arbeit.ts';
import { junit } from './junit.ts';

const demo = fileURLToPath(new URL('../../../apps/studio/demo/ridge-huts.arbeit.json', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'arbeit-test-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const file = (name: string, text: string): string => {
  writeFileSync(join(folder, name), text);
  return join(folder, name);
};
const pin = { id: 'pin', kind: 'pin', label: 'PIN', entry: { length: 4 } };
const setOf = (...trials: object[]): string =>
  JSON.stringify({ arbeit: 2, title: 'Huts & more', locale: 'en-GB', fields: [pin], trials });
const good = { id: 'good', name: 'Good', tape: 'field pin\ntype "12"\nexpect display "12|"' };
const wrong = { id: 'wrong', name: 'Wrong <1>', tape: 'field pin\ntype "12"\nexpect raw "13"' };
const called = async (...args: string[]) => {
  const out: string[] = [];
  const err: string[] = [];
  const code = await run(args, { out: (line) => out.push(line), err: (line) => err.push(line) });
  return { code, out: out.join('\n'), err: err.join('\n') };
};

describe('arbeit test', () => {
  test('0 when all trials of a document hold', async () => {
    const { code, out, err } = await called('test', demo);
    expect([code, err]).toEqual([0, '']);
    expect(out).toMatch(/^29 of 29 trials pass, in \d+ ms$/m);
    expect(out).not.toContain('FAIL');
  });

  test('1 when one does not: which, at which line, what was expected and what was there', async () => {
    const path = file('one.json', setOf(good, wrong));
    const { code, out } = await called('test', path);
    expect(code).toBe(1);
    expect(out).toContain(
      `pass  Good\nFAIL  Wrong <1>\n  ${path}: trial "wrong", line 3: expect raw "13"\n    expected "13"\n    found    "12"\n1 of 2 trials pass`,
    );
  });

  test('tapes beside it are tried as well, and told by their files', async () => {
    const path = file('two.json', setOf(good));
    const tape = file('beside.tape', 'tape "Beside"\nfield pin\nexpect display "1"\n');
    const { code, out } = await called('test', path, tape);
    expect(code).toBe(1);
    expect(out).toContain(`FAIL  Beside\n  ${tape}:3: expect display "1"`);
    expect(await called('test', path, join(folder, 'nobody.tape'))).toMatchObject({
      code: 2,
      err: expect.stringContaining('No such file.'),
    });
  });

  test.each([
    ['nothing to try', setOf(), 'The document has no trials.'],
    [
      'a trial of a field that is gone',
      setOf({ ...good, tape: 'field gone\nexpect codes none' }),
      'trial "good", line 1: The document has no field "gone".',
    ],
    [
      'a trial that expects nothing',
      setOf({ ...good, tape: 'field pin\ntype "1"' }),
      'This trial has no expectations',
    ],
    [
      'a tape that cannot be read',
      setOf({ ...good, tape: 'field pin\ntyp "1"' }),
      'Line 2, column 1 of the tape',
    ],
  ])('2 for %s', async (name, text, why) => {
    const path = file(`${name.replaceAll(' ', '-')}.json`, text);
    expect(await called('test', path)).toMatchObject({ code: 2, err: expect.stringContaining(why) });
  });

  test('rejects a tape without expectations', async () => {
    const path = file('three.json', setOf(good));
    const tape = file('nothing.tape', 'field pin\ntype "1"\n');
    expect(await called('test', path, tape)).toMatchObject({
      code: 2,
      err: expect.stringContaining('no expectations'),
    });
  });

  test('--name runs some of the trials, --json prints an object for each', async () => {
    const path = file('named.json', setOf(good, wrong));
    const { code, out } = await called('test', path, '--json');
    expect(code).toBe(1);
    expect(out.split('\n').map((line) => JSON.parse(line))).toMatchObject([
      { id: 'good', name: 'Good', verdict: 'pass', failures: [], errors: [] },
      {
        id: 'wrong',
        verdict: 'fail',
        failures: [
          {
            at: `${path}: trial "wrong", line 3`,
            source: 'expect raw "13"',
            expected: '"13"',
            found: '"12"',
          },
        ],
      },
    ]);
    expect(await called('test', path, '--name', 'GOO')).toMatchObject({
      code: 0,
      out: expect.stringMatching(/^pass {2}Good\n1 of 1 trial passes/),
    });
    expect(await called('test', path, '--name', 'x')).toMatchObject({
      code: 2,
      err: '--name: no trial matches. The trials are: Good, Wrong <1>. [no-matching-trial]',
    });
  });

  test('a report as JUnit XML: a case a trial, with what was missed', async () => {
    const path = file('four.json', setOf(good, wrong, { id: 'gone', tape: 'field gone\nexpect codes none' }));
    const report = join(folder, 'report.xml');
    expect((await called('test', path, '--junit', report)).code).toBe(2);
    const xml = readFileSync(report, 'utf8');
    expect(xml).toMatch(/<testsuites tests="3" failures="1" errors="1" time="\d+\.\d{4}">/);
    expect(xml).toContain('<testsuite name="Huts &#38; more"');
    expect(xml).toContain('name="Wrong &#60;1&#62;"');
    expect(xml).toMatch(
      /<failure message="1 of its expectations did not hold">line 3: expect raw &#34;13&#34;/,
    );
    expect(xml).toMatch(/<error message="line 1: The document has no field &#34;gone&#34;\."\/>/);
    expect((await called('test', path, '--junit', join(folder, 'no', 'such', 'x.xml'))).code).toBe(2);
  });

  test('what XML cannot hold is left out of a report', async () => {
    const xml = junit('a\u0000b', [{ name: 'x\u0008\ud800y😀', seconds: 0, misses: [], problems: [] }]);
    expect(xml).toContain('classname="ab"');
    expect(xml).toContain('name="xy😀"');
  });

  test('watching: again whenever the document is saved, however the editor does that', async () => {
    const path = file('watched.json', setOf(good));
    const bin = fileURLToPath(new URL('../../../bin/arbeit.mjs', import.meta.url));
    const child = spawn(process.execPath, [bin, 'test', path, '--watch']);
    let told = '';
    const until = (text: string) =>
      new Promise<void>((resolve) => {
        const look = () => told.includes(text) && resolve();
        child.stdout.on('data', look);
        look();
      });
    child.stdout.on('data', (piece) => {
      told += piece;
    });
    await until('1 of 1 trial passes');
    writeFileSync(path, setOf(good, wrong));
    await until('1 of 2 trials pass');
    child.kill();
  });
});
