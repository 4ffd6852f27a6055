import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { expect, test } from 'vitest';

const root = fileURLToPath(new URL('..', import.meta.url));
const sources = readdirSync(`${root}bench`)
  .filter((name) => name.endsWith('.ts'))
  .map((name) => readFileSync(`${root}bench/${name}`, 'utf8'))
  .join('\n');

// The compiler does not read pages that are written as texts, and nobody runs the measurements with each
// change.

test('pages that are weighed import what the packages have', async () => {
  const imports = [...sources.matchAll(/(?:export|import) \{ ([^}$]+) \} from '(@arbeit\/[\w/-]+)'/g)].filter(
    ([, , from = '']) => !from.endsWith('/'),
  );
  expect(imports.length).toBeGreaterThan(10);
  const missing: string[] = [];
  for (const [, names = '', from = ''] of imports) {
    const found: object = await import(from);
    // Types are gone by then, and the compiler has read those.
    for (const name of names.split(',').map((one) => one.trim()))
      if (!name.startsWith('type ') && /^[a-z]/.test(name) && !(name.split(' as ')[0]! in found))
        missing.push(`${name} from ${from}`);
  }
  expect(missing).toEqual([]);
});

test('files of packages that are weighed exist', () => {
  const paths = [...sources.matchAll(/'\.\/(packages\/\w+\/)dist\/([\w/-]+)\.js'/g)];
  expect(paths.length).toBeGreaterThan(2);
  const missing = paths
    .map(([, room, path]) => `${room}src/${path}.ts`)
    .filter((path) => !existsSync(root + path));
  expect(missing).toEqual([]);
});
