import { existsSync, readdirSync, renameSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { install } from './install.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
const bundle = join(root, 'cli', 'dist', 'arbeit.mjs');

/** Bundles the command line where it is missing or older than its sources; returns its URL. */
export async function build() {
  if (!existsSync(bundle) || newest('engine') > mtime(bundle) || newest('cli') > mtime(bundle)) {
    install();
    const { build } = await import('esbuild');
    // Under another name first: two commands started together must not read half a file.
    const fresh = `${bundle}.${process.pid}`;
    await build({
      entryPoints: [join(root, 'cli', 'main.ts')],
      outfile: fresh,
      bundle: true,
      platform: 'node',
      format: 'esm',
      tsconfig: join(root, 'tsconfig.json'),
      // Some packages have a CommonJS build that no bundler can follow, and name it first.
      mainFields: ['module', 'main'],
      target: 'node20',
      logLevel: 'error',
    });
    renameSync(fresh, bundle);
  }
  return pathToFileURL(bundle).href;
}

const mtime = (path) => statSync(path).mtimeMs;

function newest(folder) {
  let latest = 0;
  for (const entry of readdirSync(join(root, folder), { recursive: true, withFileTypes: true }))
    if (entry.isFile() && entry.name.endsWith('.ts') && !entry.name.endsWith('.test.ts'))
      latest = Math.max(latest, mtime(join(entry.parentPath, entry.name)));
  return latest;
}
