import { spawnSync } from 'node:child_process';
import { existsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));

/**
 * Installs the npm packages of the lock file where they are missing or older than it. Speaks on standard
 * error only.
 */
export function install() {
  const stamp = join(root, 'node_modules', '.package-lock.json');
  const lock = join(root, 'package-lock.json');
  if (existsSync(stamp) && statSync(stamp).mtimeMs >= statSync(lock).mtimeMs) return;
  const { status } = spawnSync('npm', ['ci', '--no-audit', '--no-fund'], {
    cwd: root,
    stdio: ['ignore', 2, 2],
  });
  if (status !== 0) {
    process.stderr.write('The packages could not be installed: see npm’s message above.\n');
    process.exit(1);
  }
}
