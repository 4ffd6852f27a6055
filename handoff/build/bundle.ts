import { type BuildOptions, build, type Metafile, type Plugin } from 'esbuild';
import type { Sources } from './sources.ts';

/** A module to be made, by its path without `.js`: what stands in it. Names of Arbeit's packages lead to what was built of them. */
export type Entries = Readonly<Record<string, string>>;

/** Modules by path, and what each is made of. */
export interface Bundled {
  readonly files: ReadonlyMap<string, string>;
  readonly metafile: Metafile;
}

const namespace = 'arbeit';

/** Entries and the packages' own modules, as files that stand nowhere: what is made of them says nothing of this machine. */
const asTree = (entries: Entries, sources: Sources): Plugin => ({
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
    onLoad({ filter: /.*/, namespace }, ({ path }) => ({ contents: sources.read(path), loader: 'js' }));
  },
});

/** The shape of what is made: modules (ESM) for anything that came out since 2022. */
const shape = {
  bundle: true,
  write: false,
  format: 'esm',
  target: 'es2022',
  charset: 'utf8',
  legalComments: 'none',
  logLevel: 'silent',
  metafile: true,
} as const satisfies BuildOptions;

/**
 * Bundles entries, each with just what it needs of the packages; what several need stands once, in `run-time/shared-*.js`. The same
 * entries and packages make the same bytes, wherever they stand.
 */
export async function bundled(entries: Entries, sources: Sources): Promise<Bundled> {
  const { outputFiles, metafile } = await build({
    ...shape,
    entryPoints: Object.keys(entries).map((path) => ({ in: path, out: path })),
    outdir: '/',
    absWorkingDir: '/',
    splitting: true,
    chunkNames: 'run-time/shared-[hash]',
    plugins: [asTree(entries, sources)],
  });
  const made = outputFiles.map(({ path, text }): [string, string] => [path.replace(/^[\\/]+/, ''), text]);
  // What modules share that all of them leave out is a file of nothing.
  const empty = made.flatMap(([path, text]) => (text.trim() ? [] : [path.replace(/^run-time\//, '')]));
  const files = new Map(
    made
      .filter(([, text]) => text.trim())
      .map(([path, text]): [string, string] => [path, withoutImports(text, empty)])
      .sort(([a], [b]) => (a < b ? -1 : 1)),
  );
  return { files, metafile };
}

const withoutImports = (text: string, names: readonly string[]): string =>
  names.reduce(
    (kept, name) =>
      kept.replace(new RegExp(`^import "[./]*(?:run-time/)?${name.replace('.', '\\.')}";\n`, 'm'), ''),
    text,
  );

/**
 * The entry `page` as a page gets it: minified, in one piece, with the bytes each module adds to it. Entries are known to each other as
 * `#name`; modules of other packages stay out.
 */
export async function minified(
  entries: Entries & { readonly page: string },
  sources: Sources,
): Promise<{ readonly text: string; readonly parts: ReadonlyMap<string, number> }> {
  const { outputFiles, metafile } = await build({
    ...shape,
    minify: true,
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
