import { existsSync } from 'node:fs';
import { installPackages } from './debian.mjs';

const programs = '/usr/lib/postgresql';

/**
 * Finds PostgreSQL’s server, which the tests of the store start for themselves; installs Debian’s where it is
 * missing and this user may.
 */
export function postgres() {
  if (existsSync(programs)) return;
  installPackages(['postgresql']);
  if (existsSync(programs)) return;
  process.stderr.write(
    `The tests of the store need PostgreSQL in ${programs} (Debian package postgresql). Install it and run the tests again.\n`,
  );
  process.exit(1);
}
