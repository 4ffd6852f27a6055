import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, rmSync, statSync, utimesSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));

/** Rooms that are built as packages, in the order in which they know each other. */
export const packages = [
  'engine',
  'dom',
  'react',
  'native',
  'element',
  'vue',
  'svelte',
  'handoff',
  'sandbox',
  'cli',
];
/** The folder of a package. */
export const folderOf = (room) => join(root, 'packages', room);
const left = new Set(['node_modules', '.next', 'dist']);

/** When the newest source under a folder was changed, in milliseconds. */
export function newest(folder) {
  let latest = 0;
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (left.has(entry.name) || entry.name === 'next-env.d.ts' || entry.name.includes('.test.')) continue;
    const path = join(folder, entry.name);
    latest = Math.max(latest, entry.isDirectory() ? newest(path) : statSync(path).mtimeMs);
  }
  return latest;
}

/** Declarations keep the names of sources in their imports; what is built beside them is called `.js`. */
function declareAsBuilt(folder) {
  for (const entry of readdirSync(folder, { recursive: true, withFileTypes: true })) {
    if (!entry.name.endsWith('.d.ts')) continue;
    const path = join(entry.parentPath, entry.name);
    const text = readFileSync(path, 'utf8');
    writeFileSync(path, text.replace(/((?:from |import\()['"]\.{1,2}\/[^'"]+)\.tsx?(?=['"])/g, '$1.js'));
  }
}

/**
 * Builds the packages (ESM and declarations, in `dist`) where they were not, or sources are newer. Returns
 * whether they are there.
 */
export function buildPackages() {
  let before = 0;
  for (const room of packages) {
    const folder = folderOf(room);
    const stamp = join(folder, 'dist', '.built');
    before = Math.max(before, newest(folder));
    if (existsSync(stamp) && statSync(stamp).mtimeMs >= before) continue;
    rmSync(join(folder, 'dist'), { recursive: true, force: true });
    const { status } = spawnSync(
      join(root, 'node_modules', '.bin', 'tsc'),
      ['-p', join(folder, 'tsconfig.build.json')],
      {
        cwd: root,
        stdio: ['ignore', 2, 2],
      },
    );
    if (status !== 0) return false;
    declareAsBuilt(join(folder, 'dist'));
    writeFileSync(stamp, '');
    // What was changed while it was built is newer than what was built.
    // A file's time is finer than a date's: cut off, it would always seem older.
    utimesSync(stamp, Math.ceil(before) / 1000, Math.ceil(before) / 1000);
  }
  return true;
}

if (process.argv[1] === fileURLToPath(import.meta.url)) process.exit(buildPackages() ? 0 : 1);
