import { spawnSync } from 'node:child_process';
import { existsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { buildPackages, folderOf, newest, packages, root } from './packages.mjs';

export { root } from './packages.mjs';
export const studio = join(root, 'apps', 'studio');

/**
 * Builds the packages and on them the studio, where it was not, or sources are newer. Returns whether there
 * is a build now.
 */
export function buildStudio() {
  if (!buildPackages()) return false;
  const stamp = join(studio, '.next', 'BUILD_ID');
  const sources = Math.max(
    ...packages.map((room) => newest(folderOf(room))),
    newest(studio),
    statSync(join(root, 'package-lock.json')).mtimeMs,
  );
  if (existsSync(stamp) && statSync(stamp).mtimeMs > sources) return true;
  const env = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' };
  return spawnSync('npx', ['next', 'build'], { cwd: studio, stdio: ['ignore', 2, 2], env }).status === 0;
}

if (process.argv[1] === fileURLToPath(import.meta.url)) process.exit(buildStudio() ? 0 : 1);
