import { chmodSync, existsSync, mkdtempSync, rmSync, statfsSync } from 'node:fs';
import { join } from 'node:path';

const memory = '/dev/shm';
/** Free memory that temporary files of a test run may need, in bytes, with room to spare. */
const needed = 4e9;

/**
 * Puts temporary files of this process and of those it starts into memory, where Linux has a file system for
 * it: a store flushes a thousand files when it is opened, and each takes a disk some milliseconds. Elsewhere
 * nothing changes.
 */
export function scratchInMemory() {
  if (!existsSync(memory)) return;
  const { bavail, bsize } = statfsSync(memory);
  if (bavail * bsize < needed) return;
  const folder = mkdtempSync(join(memory, 'arbeit-'));
  // As /tmp: servers of tests run as other users.
  chmodSync(folder, 0o1777);
  process.env.TMPDIR = folder;
  process.on('exit', () => rmSync(folder, { recursive: true, force: true }));
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(1));
}
