import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import { run } from './arbeit.ts';

const folder = mkdtempSync(join(tmpdir(), 'arbeit-compare-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const file = (name: string, max: number, label = 'A'): string => {
  const path = join(folder, name);
  const field = {
    id: 'a',
    kind: 'number',
    label,
    entry: {},
    rules: [{ id: 'most', check: { type: 'range', max } }],
  };
  writeFileSync(path, JSON.stringify({ arbeit: 2, title: 'T', locale: 'en-GB', fields: [field] }));
  return path;
};
const called = (...args: string[]) => {
  const out: string[] = [];
  const err: string[] = [];
  const code = run(args, { out: (line) => out.push(line), err: (line) => err.push(line) });
  return { code, out: out.join('\n'), err: err.join('\n') };
};

describe('arbeit compare', () => {
  const [one, two] = [file('one.json', 5), file('two.json', 6, '*<b>`x`')];
  test('0 where nothing behaves differently', () => {
    expect(called('compare', one, one)).toEqual({ code: 0, out: 'No behaviour changes in 1 fields and forms.', err: '' }); // biome-ignore format: an answer
  });
  test('1 where something does, with the tape that shows it', () => {
    const { code, out } = called('compare', one, two);
    expect(code).toBe(1);
    expect(out).toMatch(
      /^field a \(.*\) behaves differently\n {4}field a\n {4}(?:type|set) "6"\n {4}# before: expect flags !valid\n {4}# after: {2}expect flags valid\n/,
    );
    expect(out).toMatch(/\nBehaviour changes in 1 of 1 fields and forms\.$/);
  });
  test('as Markdown, in which what a document says stays text', () => {
    const { out } = called('compare', one, two, '--markdown');
    expect(out).toMatch(/^### \\\*\\<b\\>\\`x\\`: behaves differently \(field a\)\n\n```\nfield a\n/);
  });
  test('2 for a document that cannot be read', () => {
    writeFileSync(join(folder, 'broken.json'), '{');
    expect(called('compare', one, join(folder, 'broken.json'))).toMatchObject({ code: 2 });
    expect(called('compare', one)).toMatchObject({
      code: 2,
      err: expect.stringContaining('Usage: arbeit compare'),
    });
  });
});
