import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** The data folder is in use by another process. PGlite has one writer; a second would ruin the store. */
export class FolderInUse extends Error {
  constructor(folder: string, pid: number) {
    super(
      `The data folder ${folder} is in use by another Arbeit (process ${pid}). Stop that one, or choose another folder with ARBEIT_DATA.`,
    );
    this.name = 'FolderInUse';
  }
}

/**
 * Takes the folder for this process until it ends; returns the way to let go. A lock left behind by a process
 * that is gone is taken over. Throws `FolderInUse`.
 */
export function lockFolder(folder: string): () => void {
  mkdirSync(folder, { recursive: true });
  const path = join(folder, 'arbeit.lock');
  const own = JSON.stringify({ pid: process.pid, started: startOf(process.pid) });
  for (let attempt = 0; ; attempt++) {
    try {
      writeFileSync(path, own, { flag: 'wx' });
      break;
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
      const holder = holderOf(path);
      if (holder !== undefined || attempt > 3) throw new FolderInUse(folder, holder ?? 0);
      rmSync(path, { force: true });
    }
  }
  const release = () => rmSync(path, { force: true });
  process.once('exit', release);
  return () => {
    process.off('exit', release);
    release();
  };
}

/** The living process that holds the lock, if any. */
function holderOf(path: string): number | undefined {
  try {
    const { pid, started } = JSON.parse(readFileSync(path, 'utf8')) as { pid: number; started: string };
    process.kill(pid, 0);
    return startOf(pid) === started ? pid : undefined;
  } catch (error) {
    // EPERM: it lives, under another user. Anything else: gone, or the file is no lock.
    return (error as NodeJS.ErrnoException).code === 'EPERM' ? 0 : undefined;
  }
}

/** When a process started, in the system's own count, so that a number used again is not taken for the old process. */
function startOf(pid: number): string {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] ?? '';
  } catch {
    return '';
  }
}
