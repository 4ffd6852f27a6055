import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';
import { compileField } from '@arbeit/engine/document';
import { dehydrate } from '@arbeit/engine/field';
import { kinds } from '@arbeit/engine/kinds';
import { phone } from '@arbeit/engine/kinds/phone';
import { build } from 'esbuild';
import { minify } from 'terser';

/** Bytes after terser and gzip, as a page would be served them. */
async function bytesOf(source: string, root: string): Promise<number> {
  const { outputFiles } = await build({
    stdin: { contents: source, resolveDir: fileURLToPath(root), loader: 'ts' },
    bundle: true,
    minify: true,
    write: false,
    format: 'esm',
    target: 'es2022',
    external: ['react', 'react/*'],
    // Not the project's own paths: they lead to sources beside what is built, and both would be counted.
    tsconfigRaw: '{}',
  });
  return shrunk(outputFiles[0]!.text);
}

/** Bytes of a script after terser and gzip. */
export async function shrunk(text: string): Promise<number> {
  const { code } = await minify(text, {
    module: true,
    ecma: 2020,
    compress: { passes: 6, unsafe: true, unsafe_arrows: true, unsafe_methods: true, pure_getters: true },
  });
  return gzipSync(code!, { level: 9 }).length;
}

const core = `export { bind, createStore } from '@arbeit/dom'; export { hydrate } from '@arbeit/engine/field';`;
/** The core, and the editing that several kinds are made with: a page with two of them carries it once. */
const shared = `${core} export * from './packages/engine/dist/values/graphemes.js'; export * from './packages/engine/dist/kinds/editing/line.js'; export * from './packages/engine/dist/kinds/editing/parts.js'; export * from './packages/engine/dist/kinds/editing/parts-editing.js'; export * from './packages/engine/dist/field/resting.js';`;
const withKind = (name: string, file: string, base = core) =>
  `${base} export { ${name} } from '@arbeit/engine/runs/${file}';`;

const picks = `export { bindPicks, createStore } from '@arbeit/dom'; export { hydrate } from '@arbeit/engine/field';`;

/** The README's one field, as it comes out of `arbeit compile`. */
const readme = dehydrate(
  compileField(
    { id: 'pass', kind: 'pattern', label: 'Hut pass', entry: { pattern: '<2 latin upper>-<4 digit>' } },
    { locale: 'en-GB' },
    kinds,
  ),
);

export interface Size {
  readonly what: string;
  readonly bytes: number;
  readonly limit: number | null;
}

/**
 * What pages carry: the core with the pattern kind, each other kind over the core, and all numbering plans.
 */
export async function sizes(root: string): Promise<Size[]> {
  const rows: Size[] = [];
  const bare = await bytesOf(core, root);
  const base = await bytesOf(shared, root);
  const pattern = await bytesOf(withKind('pattern', 'pattern'), root);
  rows.push({ what: 'the field, pattern kind, and dom', bytes: pattern, limit: 8192 });
  const compiled = `import { hydrate } from '@arbeit/engine/field'; import { pattern } from '@arbeit/engine/runs/pattern'; export const pass = hydrate(${JSON.stringify(readme)}, { pattern });`;
  for (const [what, source, limit] of [
    ['the README’s field in React, compiled ahead, without React itself', `export { useField } from '@arbeit/react'; ${compiled}`, 10_240],
    ['the same without React', `${core} ${compiled}`, 7_680],
    ['choice alone, over the field and what binds it', withKind('choice', 'choice', picks), 3_072],
  ] as const) {
    const over = what.startsWith('choice') ? await bytesOf(picks, root) : 0;
    rows.push({ what, bytes: (await bytesOf(source, root)) - over, limit });
  } // biome-ignore format: one beside the other
  rows.push({ what: 'the field without a kind, and dom', bytes: bare, limit: null });
  rows.push({ what: 'the core: that, and the editing that kinds share', bytes: base, limit: null });
  for (const [name, file] of [
    ['text', 'text'], ['number', 'number'], ['date', 'date'], ['time', 'time'], ['duration', 'duration'], ['phone', 'phone'], ['boxes', 'boxes'], ['custom', 'custom'],
  ] as const) {
    const bytes = (await bytesOf(withKind(name, file, shared), root)) - base;
    const alone = (await bytesOf(withKind(name, file), root)) - bare;
    const what = name === 'number' ? 'number, currency, percent' : name === 'boxes' ? 'pin, one-time-code' : name;
    rows.push({ what: `kind ${what}, over the core`, bytes, limit: 3072 });
    rows.push({ what: `  a page with no other kind carries for it`, bytes: alone, limit: null });
  } // biome-ignore format: one kind beside the other
  const asking = `export { bindForm, createFormStore, driveFormAsks, askByFetch } from '@arbeit/dom'; export { hydrateForm } from '@arbeit/engine/form'; export { compare, remote } from '@arbeit/engine/checks';`;
  // A page that shows what is told of its field reads it as well.
  const patterned = `${withKind('pattern', 'pattern')} export { evaluate } from '@arbeit/engine/field';`;
  rows.push({
    what: 'forms, rules across fields and server checks, over a field',
    bytes: (await bytesOf(`${patterned} ${asking}`, root)) - (await bytesOf(patterned, root)),
    limit: 2560,
  });
  const plans = (regions: 'any' | string[]) =>
    gzipSync(
      JSON.stringify(
        phone.define.plan(
          { home: 'GB', regions },
          { id: 'f', language: 'en', locale: 'en-GB', rules: [], classes: {} },
        ),
      ),
      { level: 9 },
    ).length;
  rows.push({
    what: 'phone plans of all regions, in a compiled field',
    bytes: plans('any'),
    limit: 14 * 1024,
  });
  rows.push({
    what: 'phone plans of GB, FR and CH, in a compiled field',
    bytes: plans(['FR', 'CH']),
    limit: null,
  });
  return rows;
}
