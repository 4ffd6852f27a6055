import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test } from 'vitest';
import { newFolder } from '../../../apps/studio/store/new-folder.fixture.ts';

const arbeit = fileURLToPath(new URL('../../../bin/arbeit.mjs', import.meta.url));
const place = mkdtempSync(join(tmpdir(), 'arbeit-cli-store-'));
const run = (...args: string[]) => {
  const { DATABASE_URL: _, ...env } = process.env;
  const { status, stdout, stderr } = spawnSync(process.execPath, [arbeit, ...args], {
    encoding: 'utf8',
    env,
  });
  return { status, text: stdout + stderr };
};

test('a data folder is backed up into a file, and restored into another', async () => {
  const [from, to, file, begun] = ['from', 'to', 'store.ndjson', 'begun.ndjson'].map((name) => join(place, name)) as [string, string, string, string];
  expect(run('backup', file, '--data', from)).toMatchObject({ status: 2, text: `The folder ${from} has no store.\n` });
  expect(existsSync(from)).toBe(false);
  // A store without a set begins with the demo, as any does.
  const head = '{"arbeit":"backup","version":1,"at":"2027-02-10T08:00:00.000Z","generation":"g"}\n';
  const end = { end: true, rows: 0, sha256: createHash('sha256').update(head).digest('hex') };
  writeFileSync(begun, `${head}${JSON.stringify(end)}\n`);
  await newFolder(from);
  expect(run('restore', begun, '--data', from)).toMatchObject({ status: 0, text: expect.stringMatching(/^0 sets restored/) });
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
