import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { kinds } from '../kinds/registry.ts';
import { compile } from './compile.ts';
import { readDocument } from './read-document.ts';

const demo: unknown = JSON.parse(
  readFileSync(new URL('../../../../apps/studio/demo/ridge-huts.arbeit.json', import.meta.url), 'utf8'),
);

/** Names that every object inherits: none of them is in any table. */
const inherited = ['toString', 'constructor', 'hasOwnProperty', 'valueOf', '__proto__'];

/** The paths of every text of a document. */
function* texts(node: unknown, path: readonly string[] = []): Generator<readonly string[]> {
  if (typeof node === 'string') yield path;
  if (typeof node === 'object' && node !== null)
    for (const [key, inner] of Object.entries(node)) yield* texts(inner, [...path, key]);
}

/** The document with another text at a place. */
function withText(path: readonly string[], text: string): unknown {
  const copy = structuredClone(demo) as Record<string, unknown>;
  let at = copy;
  for (const key of path.slice(0, -1)) at = at[key] as Record<string, unknown>;
  at[path.at(-1)!] = text;
  return copy;
}

test.each(inherited)('%s in place of any text of a document is read, or a fault', (name) => {
  let sound = 0;
  let refused = 0;
  // Of each place in its sort once: the fields of a document have the same members.
  const places = new Map([...texts(demo)].map((path) => [path.join('.').replace(/\d+/g, 'n'), path]));
  for (const path of places.values()) {
    const read = readDocument(withText(path, name), kinds);
    if (read.ok) {
      compile(read.document, kinds);
      sound++;
    } else refused++;
  }
  expect(Math.min(sound, refused)).toBeGreaterThan(5);
});
