import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Audited } from '@arbeit/engine/proof';
import { afterAll, describe, expect, test, vi } from 'vitest';
import { run } from './arbeit.ts';

/** What threads would tell of a field with a fault: no definition is known that has one. */
const planted = vi.hoisted((): { steps: Audited[] | undefined } => ({ steps: undefined }));
vi.mock('@arbeit/engine/proof', async (original) => {
  const proof = await original<typeof import('@arbeit/engine/proof')>();
  return {
    ...proof,
    auditSet: (...given: Parameters<typeof proof.auditSet>) => planted.steps ?? proof.auditSet(...given),
  };
});

const root = fileURLToPath(new URL('../../..', import.meta.url));
const demo = join(root, 'apps/studio/demo/ridge-huts.arbeit.json');
const folder = mkdtempSync(join(tmpdir(), 'arbeit-audit-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

async function called(...args: string[]) {
  const [out, err]: [string[], string[]] = [[], []];
  const code = await run(['laws', ...args], {
    out: (line) => out.push(line),
    err: (line) => err.push(line),
  });
  return { code, out: out.join('\n'), err: err.join('\n') };
}

describe('arbeit laws', () => {
  test('exits with 0 if no law is broken, and prints the events of each field and the seed', async () => {
    const { code, out, err } = await called(
      demo,
      '--field',
      'key-box',
      '--field',
      'dog',
      '--events',
      '2000',
      '--seed',
      '7',
    );
    expect([code, err]).toEqual([0, '']);
    expect(out).toMatch(
      /^pass key-box \([2-5]\d{3} events\)\npass dog \([2-5]\d{3} events\)\n2 of 2 fields pass the law check, in \d+ events and \d+\.\d s; seed 7$/,
    );
  });

  test('exits with 1 if a law is broken, and prints the law, both results and the tape', async () => {
    const found = {
      law: 4 as const,
      expected: '“1” gone',
      found: '“1|”',
      actions: ['type "1"', 'backspace'],
      tape: 'field dog\ntype "1"\nbackspace\n',
      at: 9,
    };
    planted.steps = [
      { field: 'dog', events: 40, found, isDone: false },
      { field: 'dog', events: 40, found: { ...found, at: 3, found: '“2|”' }, isDone: true },
    ];
    const { code, out } = await called(demo, '--field', 'dog', '--field', 'key-box');
    planted.steps = undefined;
    expect(code).toBe(1);
    expect(out).toContain(
      'FAIL dog (80 events)\n  law 4: Backspace removes exactly one character, across any fixed text, and never gets stuck.\n    expected “1” gone\n    found    “2|”\n      field dog\n      type "1"\n      backspace\nnot tested key-box (0 events)\n1 of 2 fields pass',
    );
  });

  test('exits with 2 for an unreadable document, an unknown field and an invalid number', async () => {
    const path = join(folder, 'broken.json');
    writeFileSync(path, '{ "arbeit": 2 }');
    expect((await called(path)).code).toBe(2);
    const empty = join(folder, 'empty.json');
    writeFileSync(empty, '{ "arbeit": 2, "title": "E", "locale": "en-GB", "fields": [] }');
    expect(await called(empty)).toMatchObject({
      code: 2,
      err: expect.stringContaining('The document has no fields. [no-fields]'),
    });
    const { code, err } = await called(demo, '--field', 'mobil');
    expect([code, err]).toEqual([
      2,
      expect.stringContaining('The document has no field "mobil". Its fields are: mobile, email'),
    ]);
    for (const wrong of ['0', '-3', 'x', '1.5'])
      expect([(await called(demo, `--events=${wrong}`)).code, wrong]).toEqual([2, wrong]);
  });

  test('stops when its time is over', async () => {
    const { code, out } = await called(demo, '--field', 'mobile', '--events', '1000000000', '--seconds', '1');
    expect([code, out]).toEqual([0, expect.stringMatching(/and \d+\.\d s; seed 1$/)]);
  });

  test('shares the tapes out over threads, where it is run as it is built', () => {
    const path = join(folder, 'one.json');
    const { fields, ...rest } = JSON.parse(readFileSync(demo, 'utf8')) as { fields: { id: string }[] };
    const pin = fields.filter(({ id }) => id === 'key-box');
    writeFileSync(path, JSON.stringify({ ...rest, fields: pin, forms: [], trials: [] }));
    const { status, stdout, stderr } = spawnSync(
      process.execPath,
      [join(root, 'bin/arbeit.mjs'), 'laws', path, '--events', '20000', '--threads', '3'],
      { encoding: 'utf8' },
    );
    expect([status, stderr]).toEqual([0, '']);
    const [, events] = /key-box \((\d+) events\)/.exec(stdout) ?? [];
    expect(Number(events)).toBeGreaterThanOrEqual(20_000);
  });
});
