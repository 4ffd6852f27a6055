import { spawnSync } from 'node:child_process';
import { existsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));

/**
 * Installs the npm packages of a folder's lock file where they are missing or older than it. Speaks on
 * standard error only.
 */
export function install(folder = root) {
  const stamp = join(folder, 'node_modules', '.package-lock.json');
  const lock = join(folder, 'package-lock.json');
  if (existsSync(stamp) && statSync(stamp).mtimeMs >= statSync(lock).mtimeMs) return;
  const { status } = spawnSync('npm', ['ci', '--no-audit', '--no-fund'], {
    cwd: folder,
    stdio: ['ignore', 2, 2],
  });
  if (status !== 0) {
    process.stderr.write('The packages could not be installed: see npm’s message above.\n');
    process.exit(1);
  }
}
