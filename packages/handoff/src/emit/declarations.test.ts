import { posix } from 'node:path';
import { expect, test } from 'vitest';
import { declarations } from './declarations.ts';
import type { Sources } from './sources.ts';

const modules: Readonly<Record<string, string>> = {
  'a/index.d.ts': "export { one } from './one.js';\nimport type { Outer } from 'outer';\n",
  // As the compiler writes a type that it inferred.
  'a/one.d.ts': 'export declare const one: { readonly two: import("./two.js").Two; };\n',
  'a/two.d.ts': "export type Two = import('../b/three.js').Three;\n",
  'b/three.d.ts': 'export type Three = 3;\n',
};

const sources: Pick<Sources, 'read' | 'resolve'> = {
  read: (path) => modules[path] ?? '',
  resolve: (name, from) =>
    name === '@arbeit/a'
      ? 'a/index.js'
      : name.startsWith('.')
        ? posix.join(posix.dirname(from), name)
        : undefined,
};

test('declarations bring along what they import, however it is written', () => {
  const files = declarations(['@arbeit/a'], sources as Sources);
  expect([...files.keys()]).toEqual(Object.keys(modules).map((path) => `types/${path}`));
  expect(files.get('types/a/one.d.ts')).toContain('import("./two.js")');
  expect(files.get('types/a/index.d.ts')).toContain("from 'outer'");
});
