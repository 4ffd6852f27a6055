import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';
import type { SetDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { build as esbuild } from 'esbuild';
import { build as vite } from 'vite';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { buildPackages } from '../../../../scripts/packages.mjs';
import { type HandedFiles, handOff } from './hand-off.ts';
import { sourcesFrom } from './sources.ts';

/** What a page carries of a hand-off with every kind, once a bundler has dropped what it does not use. */
const root = fileURLToPath(new URL('../../../..', import.meta.url));
const demo = JSON.parse(
  readFileSync(join(root, 'apps/studio/demo/ridge-huts.arbeit.json'), 'utf8'),
) as SetDocument;
/** The demo, and a field of the kinds that it has none of. */
const set = {
  ...demo,
  fields: [...demo.fields, { id: 'moment', kind: 'date-time', label: 'Moment', entry: {} }],
} as SetDocument;
const folder = mkdtempSync(join(tmpdir(), 'arbeit-shake-'));
let files: HandedFiles;
beforeAll(async () => {
  expect(buildPackages()).toBe(true);
  files = await handOff({ set, sources: sourcesFrom(root), uses: ['dom', 'react'] });
  for (const [path, content] of files) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), content);
  }
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const byEsbuild = async (page: string): Promise<string> => {
  const stdin = { contents: page, resolveDir: folder };
  const { outputFiles } = await esbuild({ stdin, bundle: true, minify: true, write: false, format: 'esm' });
  return outputFiles[0]!.text;
};
let count = 0;
const byVite = async (page: string): Promise<string> => {
  const entry = join(folder, `page-${count++}.js`);
  writeFileSync(entry, page);
  const made = await vite({
    root: folder,
    configFile: false,
    logLevel: 'silent',
    build: { write: false, minify: true, lib: { entry, formats: ['es'], fileName: 'page' } },
  });
  const [{ output }] = made as unknown as [{ readonly output: readonly { readonly code: string }[] }];
  return output.map(({ code }) => code).join('\n');
};

/** A text that only the code of a kind has: its own words and names. */
const marks: Readonly<Record<string, RegExp>> = {
  phone: /"?region-list"?/,
  time: /uhr o'clock/,
  duration: /["`]unit-labels["`]/,
  number: /lhõ|lh\\xF5|lh\\u00f5/,
};
const fieldOf: Readonly<Record<string, string>> = { number: 'deposit', phone: 'mobile', time: 'expected' };
const bound = (name: string): string =>
  `import { bind, createStore, evaluateOn } from './dom.js';
   import { ${name} } from './fields.js';
   bind(document.querySelector('input'), createStore(${name}, evaluateOn()));`;

describe.each([
  ['esbuild', byEsbuild],
  ['Vite', byVite],
])('bundled by %s', (_, bundle) => {
  test.each(Object.entries(fieldOf))('a page with one %s has no code of other kinds', async (kind, name) => {
    const page = await bundle(bound(name));
    const found = Object.entries(marks).flatMap(([other, mark]) => (mark.test(page) ? [other] : []));
    expect(found).toEqual([kind]);
  });

  test('one field is a fraction of all of them', async () => {
    const sizes = await Promise.all(
      [bound('deposit'), `import * as all from './fields.js'; import { bind } from './dom.js'; console.log(all, bind);`].map(
        async (page) => gzipSync(await bundle(page)).length,
      ),
    );
    expect(sizes[0]! * 2).toBeLessThan(sizes[1]!);
  }); // biome-ignore format: two pages
});

test('the label of one field is its text', async () => {
  const page = await byEsbuild("import { deposit } from './labels.js'; document.title = deposit;");
  expect(page.trim()).toMatch(/^\(?.{0,40}"Deposit".{0,80}$/s);
  expect(gzipSync(page).length).toBeLessThan(500);
});

test('nothing stands at the top level of the code of fields that a bundler must keep', async () => {
  expect([...new Set(set.fields.map(({ kind }) => kind))].sort()).toEqual(Object.keys(kinds).sort());
  const seen = new Set<string>();
  const left: string[] = [];
  const look = async (path: string): Promise<void> => {
    if (seen.has(path)) return;
    seen.add(path);
    const text = files.get(path)!;
    for (const [, other = ''] of text.matchAll(/from "\.\/([^"]+)"/g)) await look(`run-time/${other}`);
    // Without its exports nothing of it is used.
    const { outputFiles } = await esbuild({
      stdin: { contents: text.replace(/^export \{[^}]*\};?/m, ''), resolveDir: folder },
      bundle: true,
      write: false,
      format: 'esm',
      plugins: [
        {
          name: 'alone',
          setup: (own) =>
            own.onResolve({ filter: /./ }, () => ({ path: '-', external: true, sideEffects: false })),
        },
      ],
    });
    left.push(outputFiles[0]!.text.trim());
  };
  await look('run-time/fields.js');
  expect(seen.size).toBeGreaterThan(1);
  expect(left.filter(Boolean)).toEqual([]);
});
