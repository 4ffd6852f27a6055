import { existsSync, renameSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { install } from './install.mjs';
import { folderOf, newest, root } from './packages.mjs';

const bundle = join(root, 'bin', 'dist', 'arbeit.mjs');

/** Bundles the command line where it is missing or older than its sources; returns its URL. */
export async function build() {
  if (
    !existsSync(bundle) ||
    [...['engine', 'handoff', 'sandbox', 'cli'].map(folderOf), join(root, 'apps', 'studio', 'store')].some(
      (folder) => newest(folder) > mtime(bundle),
    )
  ) {
    install();
    const { build } = await import('esbuild');
    // The program last: where it is there and new, so are the threads it starts.
    for (const [entry, outfile] of [
      ['packages/cli/src/audit-thread.ts', join(root, 'bin', 'dist', 'audit-thread.js')],
      ['packages/sandbox/src/at-once-thread.ts', join(root, 'bin', 'dist', 'custom-code-thread.js')],
      ['apps/studio/store/command.ts', join(root, 'bin', 'dist', 'store.js')],
      ['packages/cli/src/main.ts', bundle],
    ]) {
      // Under another name first: two commands started together must not read half a file.
      const fresh = `${outfile}.${process.pid}`;
      await build({
        entryPoints: [join(root, entry)],
        outfile: fresh,
        bundle: true,
        platform: 'node',
        // What runs a program of its own, or WebAssembly, has that stand beside it; one is there for whoever
        // drives pages.
        external: [
          'esbuild',
          'playwright-core',
          'quickjs-emscripten-core',
          '@jitl/*',
          'pg',
          '@electric-sql/pglite',
        ],
        format: 'esm',
        tsconfig: join(root, 'tsconfig.json'),
        // Some packages have a CommonJS build that no bundler can follow, and name it first.
        mainFields: ['module', 'main'],
        target: 'node20',
        logLevel: 'error',
      });
      renameSync(fresh, outfile);
    }
  }
  return pathToFileURL(bundle).href;
}

const mtime = (path) => statSync(path).mtimeMs;
