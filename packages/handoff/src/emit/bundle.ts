import { posix } from 'node:path';
import { type BuildOptions, build, type Plugin } from 'esbuild';
import type { SetSources } from './tree-shake.ts';

/**
 * The modules to build, by their paths without `.js`, with their text. Names of Arbeit's packages refer to
 * the built packages.
 */
export type Entries = Readonly<Record<string, string>>;

const namespace = 'arbeit';

/** Entries and packages as files in memory, so that the output contains no path of this machine. */
const asTree = (entries: Entries, sources: SetSources): Plugin => ({
  name: 'arbeit',
  setup({ onLoad, onResolve }) {
    onResolve({ filter: /.*/ }, ({ path, importer, kind }) => {
      if (kind === 'entry-point') return { path, namespace: 'entry' };
      if (path.startsWith('#')) return { path: path.slice(1), namespace: 'entry', sideEffects: false };
      const found = sources.resolve(path, importer);
      return found === undefined ? { path, external: true } : { path: found, namespace, sideEffects: false };
    });
    onLoad({ filter: /.*/, namespace: 'entry' }, ({ path }) => ({
      contents: entries[path] ?? '',
      loader: 'js',
    }));
    onLoad({ filter: /.*/, namespace }, async ({ path }) => ({
      contents: await sources.load(path),
      loader: 'js',
    }));
  },
});

/** The output format: modules (ESM) for browsers released since 2022. */
const shape = {
  bundle: true,
  write: false,
  format: 'esm',
  target: 'es2022',
  charset: 'utf8',
  legalComments: 'none',
  logLevel: 'silent',
} as const satisfies BuildOptions;

/**
 * Bundles entries, each with just what it needs of the packages; what several need stands once, in
 * `run-time/shared-*.js`. The same entries and packages make the same bytes, wherever they stand.
 */
export async function bundled(entries: Entries, sources: SetSources): Promise<ReadonlyMap<string, string>> {
  const { outputFiles } = await build({
    ...shape,
    entryPoints: Object.keys(entries).map((path) => ({ in: path, out: path })),
    outdir: '/',
    absWorkingDir: '/',
    splitting: true,
    chunkNames: 'run-time/shared-[hash]',
    plugins: [asTree(entries, sources)],
  });
  const made = outputFiles.map(({ path, text }): [string, string] => [
    path.replace(/^[\\/]+/, ''),
    text.replace(forNothing, ''),
  ]);
  // A file that is empty without its unused parts is not imported.
  const isWanted = (path: string): boolean =>
    path.replace(/\.js$/, '') in entries ||
    made.some(([, text]) => text.includes(`${posix.basename(path)}"`));
  return new Map(made.filter(([path]) => isWanted(path)).sort(([a], [b]) => (a < b ? -1 : 1)));
}

/**
 * Imports of shared modules without names: they do nothing when they load, and a page's bundler would warn
 * that they are unused.
 */
const forNothing = /^import "[./]*(?:run-time\/)?shared-[^"]+";\n/gm;

/**
 * The entry `page` as a page gets it: minified, in one file, with the bytes that each module adds. Entries
 * import each other as `#name`; modules of other packages stay external.
 */
export async function minified(
  entries: Entries & { readonly page: string },
  sources: SetSources,
): Promise<{ readonly text: string; readonly parts: ReadonlyMap<string, number> }> {
  const { outputFiles, metafile } = await build({
    ...shape,
    minify: true,
    metafile: true,
    entryPoints: [{ in: 'page', out: 'page' }],
    outdir: '/',
    absWorkingDir: '/',
    plugins: [asTree(entries, sources)],
  });
  const [output] = Object.values(metafile.outputs);
  const parts = new Map(
    Object.entries(output?.inputs ?? {}).map(([path, { bytesInOutput }]) => [
      path.replace(/^[\w-]+:/, ''),
      bytesInOutput,
    ]),
  );
  return { text: outputFiles[0]?.text ?? '', parts };
}
