import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

/** Finds Chromium, installing Debian's where it is missing and this user may. Says what to do where neither works. */
export function chromium() {
  const path = process.env.ARBEIT_CHROMIUM ?? '/usr/bin/chromium';
  if (existsSync(path)) return path;
  const run = (args) =>
    spawnSync('apt-get', args, {
      stdio: ['ignore', 2, 2],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
  if (!process.env.ARBEIT_CHROMIUM && process.getuid?.() === 0) {
    process.stderr.write('Chromium is missing; installing Debian’s.\n');
    run(['update']);
    run(['install', '-y', '--no-install-recommends', 'chromium']);
  }
  if (existsSync(path)) return path;
  process.stderr.write(
    `There is no Chromium at ${path}. Install your system’s package, or name one with ARBEIT_CHROMIUM.\n`,
  );
  process.exit(1);
}
