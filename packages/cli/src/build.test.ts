import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { buildPackages } from '../../../scripts/packages.mjs';
import { run } from './arbeit.ts';

const folder = mkdtempSync(join(tmpdir(), 'arbeit-build-'));
beforeAll(() => expect(buildPackages()).toBe(true));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const demo = fileURLToPath(new URL('../../../apps/studio/demo/', import.meta.url));
const document = join(demo, 'ridge-huts.arbeit.json');

async function arbeit(...args: string[]): Promise<{ code: number; out: string; err: string }> {
  const [out, err]: [string[], string[]] = [[], []];
  const code = await run(args, { out: (line) => out.push(line), err: (line) => err.push(line) });
  return { code, out: out.join('\n'), err: err.join('\n') };
}
const filesIn = (path: string): readonly string[] =>
  readdirSync(path, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name).slice(path.length + 1))
    .sort();

describe('arbeit build', () => {
  test('writes the folder, telling what it does; twice the same bytes', async () => {
    const tapes = ['one.tape', 'two.tape'].map((name) => join(folder, name));
    for (const tape of tapes) writeFileSync(tape, 'tape "T"\nfield key-box\nexpect codes none\n');
    const [one, two] = [join(folder, 'one'), join(folder, 'two', 'deep')];
    const { code, out, err } = await arbeit('build', document, ...tapes, '--out', one);
    expect([code, out]).toEqual([0, expect.stringMatching(/one: \d+ files$/)]);
    expect(err.split('\n').at(0)).toBe('  0 % compiling');
    expect(err.split('\n').at(-1)).toBe('100 % done');
    await arbeit('build', document, ...[...tapes].reverse(), '--out', two);
    expect(filesIn(two)).toEqual(filesIn(one));
    for (const file of filesIn(one))
      expect(readFileSync(join(two, file), 'utf8'), file).toBe(readFileSync(join(one, file), 'utf8'));
    // The set's own trials, and the tapes beside them.
    for (const name of ['key-box', 'one', 'two']) expect(filesIn(one)).toContain(`trials/${name}.tape`);
  });

  test('one made before is made anew: what is not in it any more goes', async () => {
    const path = join(folder, 'one');
    expect((await arbeit('build', document, '--out', path, '--for', 'dom', '--for', 'server')).code).toBe(0);
    expect(existsSync(join(path, 'trials'))).toBe(false);
    expect(filesIn(path)).toContain('server.js');
    expect(filesIn(path).filter((name) => /^(?:vue|react|element)/.test(name))).toEqual([]);
  });

  test('applications are written once: what somebody made of one stays', async () => {
    const path = join(folder, 'with-apps');
    const app = join(path, 'apps/react/src/App.tsx');
    await arbeit('build', document, '--out', path, '--for', 'react,server,apps');
    writeFileSync(app, 'mine');
    const { out } = await arbeit('build', document, '--out', path, '--for', 'react,vue,server,apps');
    expect(out).toMatch(/apps\/react: kept; delete it to have it written again/);
    expect(out).not.toMatch(/apps\/vue: kept/);
    expect(readFileSync(app, 'utf8')).toBe('mine');
    expect(filesIn(path)).toContain('apps/vue/src/App.vue');
  });

  test('what is wrong is told, and a folder with something else in it stays as it is', async () => {
    const other = join(folder, 'other');
    mkdirSync(other);
    writeFileSync(join(other, 'mine.txt'), 'mine');
    expect(await arbeit('build', document, '--out', other)).toMatchObject({
      code: 2,
      err: expect.stringContaining('the folder is not empty'),
    });
    expect(filesIn(other)).toEqual(['mine.txt']);
    expect(await arbeit('build', document, '--for', 'cobol', '--out', join(folder, 'c'))).toMatchObject({
      code: 2,
      err: expect.stringMatching(/^--for: unknown output "cobol"\. Available: element, dom/),
    });
    writeFileSync(join(folder, 'broken.tape'), 'tape "B"\nfield a\ntyp "1"\n');
    expect(await arbeit('build', document, join(folder, 'broken.tape'))).toMatchObject({
      code: 2,
      err: expect.stringContaining('broken.tape:3:1: '),
    });
    expect(await arbeit('build', join(folder, 'nobody.json'))).toMatchObject({ code: 2 });
    expect(await arbeit('build')).toMatchObject({
      code: 2,
      err: expect.stringMatching(
        /^arbeit build: <document.arbeit.json> is missing\. \[missing-argument\]\nUsage: arbeit build/,
      ),
    });
    const twice = join(folder, 'twice.json');
    writeFileSync(
      twice,
      JSON.stringify({
        arbeit: 2,
        title: 'T',
        locale: 'en-GB',
        fields: ['walk-in', 'walkIn'].map((id) => ({ id, kind: 'text', label: id, entry: {} })),
      }),
    );
    expect(await arbeit('build', twice, '--out', join(folder, 'd'))).toMatchObject({
      code: 2,
      err: expect.stringContaining('would both be exported as walkIn'),
    });
    expect(existsSync(join(folder, 'd'))).toBe(false);
  });
});
