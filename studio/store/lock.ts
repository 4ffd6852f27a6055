import { linkSync, lstatSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { hostname } from 'node:os';
import { join } from 'node:path';

/** The data folder is in use by another process. PGlite has one writer; a second would ruin the store. */
export class FolderInUse extends Error {
  constructor(folder: string, holder: Holder) {
    const who =
      holder.host === hostname() ? `process ${holder.pid}` : `process ${holder.pid} on ${holder.host}`;
    const gone =
      holder.host === hostname() ? '' : ` If that machine is gone, delete ${join(folder, 'arbeit.lock')}.`;
    super(
      `The data folder ${folder} is in use by another Arbeit (${who}). Stop that one, or choose another folder with ARBEIT_DATA.${gone}`,
    );
    this.name = 'FolderInUse';
  }
}

interface Holder {
  readonly pid: number;
  /** When the process started, so that a number used again is not taken for the old process. */
  readonly started: string;
  readonly host: string;
}

/** A folder that is held. */
export interface Held {
  /** Whether it still is: the lock may have gone with the folder. */
  isStill(): boolean;
  release(): void;
}

/**
 * Takes the folder for this process until it ends. There are never two holders: the lock comes into being with its
 * content, by a hard link, which fails where there is one. One left behind is taken over under a name made of that very
 * lock, so only one process ever removes it, however many find it stale. Throws `FolderInUse`.
 */
export function lockFolder(folder: string): Held {
  mkdirSync(folder, { recursive: true });
  const path = join(folder, 'arbeit.lock');
  const own: Holder = { pid: process.pid, started: startOf(process.pid), host: hostname() };
  const ticket = join(folder, `arbeit.lock.${process.pid}.${Math.random().toString(36).slice(2)}`);
  writeFileSync(ticket, JSON.stringify(own));
  try {
    for (;;) {
      if (link(ticket, path)) break;
      const left = identityOf(path);
      if (left === undefined) continue;
      const holder = holderOf(path);
      if (holder) throw new FolderInUse(folder, holder);
      takeAway(folder, path, left, ticket);
    }
  } finally {
    rmSync(ticket, { force: true });
  }
  const mine = identityOf(path);
  const isStill = (): boolean => identityOf(path) === mine;
  const release = (): void => {
    if (isStill()) rmSync(path, { force: true });
  };
  process.once('exit', release);
  return {
    isStill,
    release: () => {
      process.off('exit', release);
      release();
    },
  };
}

/** Removes a lock that nobody holds, if this process is the one to do it. */
function takeAway(folder: string, path: string, left: string, ticket: string): void {
  // Whoever dies in the middle of taking over leaves a claim that the next one finds stale, and goes past.
  for (let turn = 0; ; turn++) {
    const claim = join(folder, `arbeit.takeover.${left}.${turn}`);
    if (link(ticket, claim)) {
      if (identityOf(path) === left) rmSync(path, { force: true });
      // Whoever still knows the old lock and claims it after this finds another one there, and leaves it.
      rmSync(claim, { force: true });
      return;
    }
    if (identityOf(path) !== left) return;
    if (holderOf(claim)) {
      pause();
      return;
    }
  }
}

/** A moment for another process to finish; opening a store is nobody's keystroke. */
const pause = (): void => {
  Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 5);
};

/** A hard link to the file, which fails where the name is taken: this one call is what decides. */
function link(from: string, to: string): boolean {
  try {
    linkSync(from, to);
    return true;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'EEXIST') return false;
    throw error;
  }
}

/** What tells one lock from every other at that path; `undefined` where there is none. */
function identityOf(path: string): string | undefined {
  try {
    const { ino, mtimeMs } = lstatSync(path, { bigint: false });
    return `${ino}-${Math.round(mtimeMs * 1000)}`;
  } catch {
    return undefined;
  }
}

/** The living process that holds a lock, if any. A file that is no lock has none. */
function holderOf(path: string): Holder | undefined {
  try {
    const { pid, started, host = hostname() } = JSON.parse(readFileSync(path, 'utf8')) as Holder;
    if (!Number.isInteger(pid) || typeof started !== 'string') return undefined;
    const holder = { pid, started, host };
    // Processes of another machine cannot be seen from here.
    if (host !== hostname()) return holder;
    return isAlive(pid) && startOf(pid) === started ? holder : undefined;
  } catch {
    return undefined;
  }
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    // EPERM: it lives, under another user.
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}

/** When a process started, in the system's own count; '' where that is not told. */
function startOf(pid: number): string {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] ?? '';
  } catch {
    return '';
  }
}
