import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';

import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';
import { expect, test } from 'vitest';
import { newFolder } from './new-folder.fixture.ts';

/**
 * Drizzle looks at the name of a class to see whether it is a pool: a server is minified, and names in it are
 * others.
 */
test('minified, as it is served, transactions at the same time keep out of each other’s way', async () => {
  const root = fileURLToPath(new URL('../../..', import.meta.url));
  mkdirSync(join(root, 'node_modules', '.cache'), { recursive: true });
  // Beside the packages, so that they are found.
  const place = mkdtempSync(join(root, 'node_modules', '.cache', 'arbeit-minified-'));
  const store = join(root, 'apps', 'studio', 'store');
  writeFileSync(
    join(place, 'run.ts'),
    `import { openStore } from ${JSON.stringify(join(store, 'store.ts'))};
import { createSet, listSets } from ${JSON.stringify(join(store, 'sets.ts'))};
const store = await openStore(process.argv[2]!, ${JSON.stringify(join(store, 'migrations'))});
const titled = (title: string) => ({ arbeit: 2, title, locale: 'en-GB', fields: [] }) as const;
const each = Array.from({ length: 8 }, (_, i) => i);
const all = await Promise.allSettled(each.map((i) => store.write((db) => db.transaction(async (tx) => {
  await createSet(tx, titled((i % 2 ? 'Taken back ' : 'Kept ') + i));
  await listSets(tx);
  if (i % 2) throw new Error('taken back');
}))));
const titles = (await store.read(listSets)).map(({ title }) => title).sort();
process.stdout.write(JSON.stringify([all.map(({ status }) => status === 'fulfilled'), titles]));
await store.close();
process.exit(0);
`,
  );
  const outfile = join(place, 'run.mjs');
  const tsconfig = join(root, 'tsconfig.json');
  await build({ entryPoints: [join(place, 'run.ts')], outfile, bundle: true, minify: true, platform: 'node', format: 'esm', external: ['pg', '@electric-sql/pglite'], tsconfig });
  const run = spawnSync(process.execPath, [outfile, await newFolder()], { encoding: 'utf8' });
  rmSync(place, { recursive: true });
  expect(run.stderr).toBe('');
  expect(JSON.parse(run.stdout)).toEqual([[0, 1, 2, 3, 4, 5, 6, 7].map((i) => i % 2 === 0), ['Kept 0', 'Kept 2', 'Kept 4', 'Kept 6', 'Ridge Huts']]);
}); // biome-ignore format: a command a line
