import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { expect, test } from 'vitest';
import { entriesElsewhere, pages as inPalette } from '../apps/studio/ui/entries.ts';
import * as words from '../apps/studio/words/index.ts';
import { routes } from '../e2e/pages.ts';

// What a new screen needs beside its page. Browser tests take the addresses of all pages from the same list:
// axe, the palette, margins and widths.

const studio = fileURLToPath(new URL('../apps/studio', import.meta.url));
const foldersOf = (path: string): readonly string[] =>
  readdirSync(`${studio}/${path}`, { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map(({ name }) => name);
const inCamelCase = (name: string): string => name.replace(/-(\w)/g, (_, c: string) => c.toUpperCase());

test('every page of a set is in the palette', () => {
  const ofSets = routes.flatMap((route) => /^\/sets\/\[set\]\/([^/[]+)$/.exec(route)?.[1] ?? []);
  expect(ofSets.length).toBeGreaterThan(3);
  expect(ofSets.filter((page) => !Object.hasOwn(inPalette, page))).toEqual([]);
});

test('every page outside of a set is opened from the palette', () => {
  const opened: string[] = [];
  const around = {
    setKey: undefined,
    page: 'elsewhere',
    index: [],
    open: (path: string) => void opened.push(path),
    use: () => false,
    choose: () => false,
  };
  for (const { disabled, run } of entriesElsewhere(around)) if (!disabled) run();
  const outside = routes.filter((route) => !route.includes('['));
  expect(outside.length).toBeGreaterThan(1);
  expect(outside.filter((route) => !opened.includes(route))).toEqual([]);
});

test('every page is in docs/screens.md, and no other', () => {
  const listed = readFileSync(new URL('../docs/screens.md', import.meta.url), 'utf8');
  const addresses = [...listed.matchAll(/^\| .+? \| `(.+?)` \|$/gm)].map(([, address]) => address);
  expect(addresses.sort()).toEqual([...routes]);
});

test('every screen has its texts, and every folder of texts is in the index of all', () => {
  const folders = foldersOf('words');
  expect(foldersOf('screens').filter((screen) => !folders.includes(screen))).toEqual([]);
  expect(folders.filter((folder) => !Object.hasOwn(words, inCamelCase(folder)))).toEqual([]);
});
