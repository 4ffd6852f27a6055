import { chmodSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { run } from './arbeit.ts';

const version1 = `{ "arbeit": 1,
   "title": "Huts", "locale": "en-GB",
   "fields": [
      {"id":"locker","kind":"own","label":"Locker","entry":{"code":"export const shape = (content) => content;"}},
      {"id":"pass","kind":"pattern","label":"own","entry":{"pattern":"RH-<4 digit>"}} ] }
`;
const version2 = version1.replace('"arbeit": 1', '"arbeit": 2').replace('"kind":"own"', '"kind":"custom"');

let folder = '';
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'arbeit-migrate-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const file = (name: string, text: string): string => {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
};

const called = async (...args: string[]) => {
  const lines: string[] = [];
  const output = { out: (line: string) => lines.push(line), err: (line: string) => lines.push(line) };
  return { code: await run(['migrate', ...args], output), text: lines.join('\n') };
};

test('replaces only the values that differ, and nothing the second time', async () => {
  const path = file('huts.arbeit.json', version1);
  expect((await called(path, '--check')).code).toBe(1);
  expect(readFileSync(path, 'utf8')).toBe(version1);
  expect((await called(path)).code).toBe(0);
  expect(readFileSync(path, 'utf8')).toBe(version2);
  expect(await called(path)).toEqual({ code: 0, text: `${path}: has version 2 already` });
  expect(readFileSync(path, 'utf8')).toBe(version2);
  expect((await called(path, '--check')).code).toBe(0);
});

test('leaves a document with faults as it is and migrates the others', async () => {
  const faulty = file('faulty.arbeit.json', version1.replace('"pattern"', '"patern"'));
  const good = file('good.arbeit.json', version1);
  const { code, text } = await called(faulty, good, join(folder, 'missing.arbeit.json'));
  expect(code).toBe(2);
  expect(text).toContain('$.fields[1].kind');
  expect(text).toContain('No such file.');
  expect(readFileSync(faulty, 'utf8')).toContain('"arbeit": 1');
  expect(readFileSync(good, 'utf8')).toBe(version2);
});

test('names an unknown version and the versions it reads', async () => {
  const { code, text } = await called(
    file('new.arbeit.json', version1.replace('"arbeit": 1', '"arbeit": 3')),
  );
  expect(code).toBe(2);
  expect(text).toContain('Unknown document version: 3. Expected 1 or 2.');
});

test('says so if a file cannot be written', async () => {
  const path = file('locked.arbeit.json', version1);
  chmodSync(path, 0o444);
  const { code, text } = await called(path);
  // Root may write to any file.
  if (process.getuid?.() === 0) expect(code).toBe(0);
  else expect([code, text]).toEqual([2, expect.stringContaining('Cannot be written')]);
});
