import { spawnSync } from 'node:child_process';

const apt = (args) =>
  spawnSync('apt-get', args, {
    stdio: ['ignore', 2, 2],
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  });

/** Installs Debian's packages where this user may. */
export function installPackages(packages) {
  if (process.getuid?.() !== 0) return;
  process.stderr.write(`Missing; installing Debian’s: ${packages.join(', ')}.\n`);
  apt(['update']);
  apt(['install', '-y', '--no-install-recommends', ...packages]);
}
