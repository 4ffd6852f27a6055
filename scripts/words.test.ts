import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test } from 'vitest';

// Texts that people read use the words of the trade: none of these phrases is in a text of the product.

const root = fileURLToPath(new URL('..', import.meta.url));

/** Phrases that texts do not use, with what they use instead. */
const instead: readonly (readonly [phrase: RegExp, words: string])[] = [
  [/\b(?:take|taken|took|takes) (?:in|out|away|home|back|along)\b/i, 'import, remove, download, restore'],
  [/\b(?:put|puts|brought|bring|brings) (?:back|away|in)\b/i, 'restore, close, import'],
  [/\bthrow\w* away\b|\bthrown away\b/i, 'discard, delete'],
  [/\bmend(?:ed|s)?\b/i, 'fix, edit'],
  [/\bare sound\b|\bis sound\b|\bno sound\b/i, 'valid'],
  [/\bby itself\b|\bof itself\b/i, 'automatically, alone'],
  [/\bon (?:leaving|sending)\b/i, 'on blur, on submit'],
  [/\b(?:this|that|it|"|”|>) is no (?!longer|more)/i, 'is not a'],
  [/\bthere is no such\b/i, 'this … does not exist'],
  [/\b(?:stands|stand) (?:in|at|behind|there|by)\b/i, 'is'],
  [/\bin braces\b/i, 'placeholders'],
  [/\bsmall letters\b/i, 'lower case'],
  [/\bnothing is known\b/i, 'unknown'],
  [/\bnot carried over\b|\bcarried over\b/i, 'not imported'],
  [/\baudit(?:ed|s)?\b/i, 'law check'],
  [/\bbroken on purpose\b|\bbreak it\b/i, 'mutation tests'],
  [/\bown (?:shape|code)\b/i, 'custom format, custom check'],
  [/\bat hand\b/i, 'available'],
  [/\bkept as\b|\bkeep as\b/i, 'saved as'],
  [/\bdoes not answer\b|\bdid not answer\b/i, 'no response'],
  [/\bnone is called\b|\bis called that\b/i, 'no match, already in use'],
  [/\bunder each other\b|\bbehind it\b/i, 'vertical, suffix'],
];

/** Texts that have a reason to use such a phrase. */
const allowed: readonly RegExp[] = [
  // Keys of a synonym are what somebody may type.
  /^ import: load/,
  // Names of files and stores, which nobody reads.
  /^\$\{setId\} audit$|steps: readonly Audited/,
  // Undo brings a text back, which is the ordinary word.
  /^Undo brings back/,
];

const sources = (folder: string): readonly string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory())
      return /^(?:node_modules|dist|\.next|migrations)$/.test(entry.name) ? [] : sources(path);
    return /\.tsx?$/.test(entry.name) && !/\.(?:test|fixture)\.tsx?$/.test(entry.name) ? [path] : [];
  });

/** Every string, so that quotes are matched in pairs, and text between tags. */
const texts = /'((?:[^'\\\n]|\\.)*)'|`((?:[^`\\\n]|\\.)*)`|>\s*([^<>{}=;()']*[a-z] [^<>{}=;()']*?)\s*</g; // biome-ignore format: one expression

function textsIn(path: string): readonly string[] {
  const source = readFileSync(path, 'utf8').replace(/^\s*(?:\/\/|\*|\/\*).*$/gm, '');
  return [...source.matchAll(texts)]
    .map(([, quoted, template, between]) => (quoted ?? template ?? between ?? '').replace(/\s+/g, ' '))
    .filter((text) => text.includes(' '));
}

test('texts use the words of the trade', () => {
  const folders = [
    'apps/studio',
    ...readdirSync(join(root, 'packages')).map((name) => `packages/${name}/src`),
  ];
  const files = folders.flatMap((folder) => sources(join(root, folder)));
  const all = files.flatMap((path) => textsIn(path).map((text) => [relative(root, path), text] as const));
  expect(all.length).toBeGreaterThan(1500);
  const odd = all.flatMap(([path, text]) => {
    if (allowed.some((one) => one.test(text))) return [];
    const found = instead.find(([phrase]) => phrase.test(text));
    return found ? [`${path}: “${text.slice(0, 120)}”: ${found[1]}`] : [];
  });
  expect(odd).toEqual([]);
});
