import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test } from 'vitest';

const arbeit = fileURLToPath(new URL('../bin/arbeit.mjs', import.meta.url));
const place = mkdtempSync(join(tmpdir(), 'arbeit-cli-store-'));
const run = (...args: string[]) => {
  const { DATABASE_URL: _, ...env } = process.env;
  const { status, stdout, stderr } = spawnSync(process.execPath, [arbeit, ...args], {
    encoding: 'utf8',
    env,
  });
  return { status, text: stdout + stderr };
};

test('a data folder is backed up into a file, and restored into another', () => {
  const [from, to, file] = ['from', 'to', 'store.ndjson'].map((name) => join(place, name)) as [string, string, string];
  expect(run('backup', file, '--data', from)).toMatchObject({ status: 0, text: `${file} written.\n` });
  expect(readFileSync(file, 'utf8').split('\n')[0]).toMatch(/^\{"arbeit":"backup","version":1,"at":/);
  expect(run('restore', file, '--data', to)).toMatchObject({ status: 0, text: expect.stringMatching(/^1 set restored/) });
  const again = join(place, 'again.ndjson');
  run('backup', again, '--data', to);
  const rows = (path: string) => readFileSync(path, 'utf8').split('\n').slice(1, -2);
  expect(rows(again)).toEqual(rows(file));
  writeFileSync(file, readFileSync(file, 'utf8').slice(0, -30));
  expect(run('restore', file, '--data', to, '--replace')).toMatchObject({ status: 2, text: expect.stringMatching(/cut off/) });
  expect(run('restore', join(place, 'nothing'), '--data', to)).toMatchObject({ status: 2, text: expect.stringMatching(/nothing: ENOENT/) });
  expect(run('backup', join(place, 'no', 'folder'), '--data', to)).toMatchObject({ status: 2, text: expect.stringMatching(/no\/folder/) });
}); // biome-ignore format: a command a line
