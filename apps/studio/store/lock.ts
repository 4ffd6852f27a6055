import { type ChildProcess, spawn } from 'node:child_process';
import { linkSync, lstatSync, mkdirSync, readFileSync, readlinkSync, rmSync, writeFileSync } from 'node:fs';
import { hostname } from 'node:os';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import * as words from '../words/store/lock.ts';
import { StoreError } from './store-error.ts';

/**
 * The data folder is in use by another process. PGlite supports one writer; a second would damage the store.
 */
export class FolderInUse extends Error {
  constructor(folder: string, holder: Holder | undefined) {
    const who = !holder
      ? ''
      : holder.host === hostname()
        ? ` (PID ${holder.pid})`
        : ` (PID ${holder.pid} on ${holder.host})`;
    super(words.dataFolderIsInUse(folder, who));
    this.name = 'FolderInUse';
  }
}

interface Holder {
  /** A unique name of the holder: process numbers and host names are reused. */
  readonly holder: string;
  readonly pid: number;
  /** When the process started, so that a reused number is not taken for the old process. */
  readonly started: string;
  readonly host: string;
  /**
   * The scope of its process number: the boot of the system, and the namespace. Two containers may both have
   * a process 1.
   */
  readonly where: string;
  /** Whether it also holds the lock of the operating system. */
  readonly flock: boolean;
}

/** A locked folder. */
export interface HeldLock {
  /** Whether the lock is still held: it may have been deleted with the folder. */
  isStill(): boolean;
  release(): void;
}

/**
 * How often a holder touches its lock, and the age after which a lock counts as abandoned, in milliseconds.
 */
export interface Pace {
  readonly beat: number;
  readonly patience: number;
}
const usual: Pace = { beat: 2_000, patience: 12_000 };

/**
 * Takes the folder for this process until it ends. There are never two holders: the lock comes into being
 * with its content, by a hard link, which fails where there is one. It is a lease: its holder touches it
 * again and again, and one that is touched no more is taken over; no clock is compared with another. Where
 * the system can tell at once that a holder is gone (`flock`, or its process), it is asked. One left behind
 * is taken over under a name made of that very lock, so only one process ever removes it, however many find
 * it stale. Rejects with `FolderInUse` or `StoreError`.
 */
export async function lockFolder(folder: string, pace: Pace = usual): Promise<HeldLock> {
  mkdirSync(folder, { recursive: true });
  const path = join(folder, 'arbeit.lock');
  if (lstatSync(path, { throwIfNoEntry: false })?.isDirectory())
    throw new StoreError(words.isAFolderBut(path));
  const flock = await flockOf(folder, path);
  const { pid } = process;
  const holder = crypto.randomUUID();
  const own: Holder = {
    holder,
    pid,
    started: startOf(pid),
    host: hostname(),
    where,
    flock: flock !== 'none',
  };
  const ticket = join(folder, `arbeit.lock.${pid}.${holder}`);
  try {
    writeFileSync(ticket, JSON.stringify(own));
    await take(folder, path, ticket, own, pace);
  } catch (error) {
    letGo(flock);
    throw error;
  } finally {
    rmSync(ticket, { force: true });
  }
  return hold(path, own, pace, flock);
}

async function take(folder: string, path: string, ticket: string, own: Holder, pace: Pace): Promise<void> {
  for (;;) {
    if (link(ticket, path)) return;
    const left = identityOf(path);
    if (left === undefined) continue;
    const holder = readHolder(path);
    if (holder && (await isAlive(holder, path, own, pace))) throw new FolderInUse(folder, holder);
    await takeAway(folder, path, left, ticket, own);
  }
}

function hold(path: string, { holder }: Holder, { beat }: Pace, flock: Flock): HeldLock {
  // In a thread of its own, so that it continues while this one is busy.
  const heart = new Worker(
    `const { readFileSync, utimesSync } = require('node:fs');
     const { workerData: { path, holder, beat } } = require('node:worker_threads');
     setInterval(() => {
       try {
         if (JSON.parse(readFileSync(path, 'utf8')).holder === holder) utimesSync(path, new Date(), new Date());
       } catch {}
     }, beat);`,
    { eval: true, workerData: { path, holder, beat } },
  );
  heart.unref();
  const isStill = (): boolean => readHolder(path)?.holder === holder;
  const release = (): void => {
    if (isStill()) rmSync(path, { force: true });
  };
  process.once('exit', release);
  return {
    isStill,
    release: () => {
      process.off('exit', release);
      void heart.terminate();
      release();
      letGo(flock);
    },
  };
}

type Flock = ChildProcess | 'none';

function letGo(flock: Flock): void {
  if (flock !== 'none') flock.kill();
}

/** Time to wait for an operating system lock whose process has just ended, in milliseconds. */
const mostLeaving = 1_000;

/**
 * Takes the lock of the operating system on a folder. Rejects with `FolderInUse` if another process has it.
 */
async function flockOf(folder: string, path: string): Promise<Flock> {
  for (let waited = 0; ; waited += 50) {
    const flock = await takeFlock(join(folder, 'arbeit.flock'));
    if (flock !== 'taken') return flock;
    const holder = readHolder(path);
    const isGone = holder?.where !== where || !isSame(holder);
    if (!isGone || waited >= mostLeaving) throw new FolderInUse(folder, holder);
    await new Promise((later) => setTimeout(later, 50));
  }
}

/**
 * Takes the lock of the operating system on a file, held by a child process that ends with this one. `taken`
 * if another process has it, `none` if there is no such lock here.
 */
function takeFlock(path: string): Promise<Flock | 'taken'> {
  return new Promise((resolve) => {
    const child = spawn(
      'flock',
      ['--exclusive', '--nonblock', '--no-fork', '--conflict-exit-code', '75', path, 'cat'],
      {
        stdio: ['pipe', 'pipe', 'ignore'],
        // A signal from the terminal to this process and its children must not end the child before this
        // process.
        detached: true,
      },
    );
    child.once('error', () => resolve('none'));
    child.once('exit', (code) => resolve(code === 75 ? 'taken' : 'none'));
    child.stdin.on('error', () => undefined);
    // The child answers when it has the lock; until then another process may still have it.
    child.stdin.write('held\n');
    child.stdout.once('data', () => {
      child.unref();
      for (const pipe of [child.stdin, child.stdout]) (pipe as { unref?(): void }).unref?.();
      resolve(child);
    });
  });
}

/** Whether the holder of a lock is alive. */
async function isAlive(
  holder: Holder,
  path: string,
  own: Holder,
  { beat, patience }: Pace,
): Promise<boolean> {
  const isHere = holder.where === where;
  // It held the operating system's lock on this same system, which this process holds now.
  if (own.flock && holder.flock && bootOf(holder.where) === bootOf(where)) return false;
  if (isHere) return isSame(holder);
  // Processes on another machine or in another container cannot be seen from here, but they touch their
  // locks.
  const before = touchedAt(path);
  for (let waited = 0; waited < patience; waited += beat) {
    await new Promise((later) => setTimeout(later, beat));
    if (touchedAt(path) !== before) return true;
  }
  return false;
}

/** Removes an abandoned lock. Returns whether this process was the one that did. */
async function takeAway(
  folder: string,
  path: string,
  left: string,
  ticket: string,
  own: Holder,
): Promise<void> {
  // A process that dies during this leaves a claim, which the next one recognises as stale and ignores.
  for (let turn = 0; ; turn++) {
    const claim = join(folder, `arbeit.takeover.${left}.${turn}`);
    if (link(ticket, claim)) {
      if (identityOf(path) === left) rmSync(path, { force: true });
      // A process that knows the old lock and claims it later finds another lock here, and leaves it.
      rmSync(claim, { force: true });
      return;
    }
    if (identityOf(path) !== left) return;
    const claimer = readHolder(claim);
    if (claimer?.where === where && isSame(claimer) && claimer.holder !== own.holder) {
      // Gives another process time to finish.
      await new Promise((later) => setTimeout(later, 5));
      return;
    }
  }
}

/** Creates a hard link, which fails if the name exists: this single call decides who has the lock. */
function link(from: string, to: string): boolean {
  try {
    linkSync(from, to);
    return true;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'EEXIST') return false;
    throw error;
  }
}

/** When a lock was last touched. It is compared only with itself. */
const touchedAt = (path: string): number | undefined => lstatSync(path, { throwIfNoEntry: false })?.mtimeMs;

/**
 * Distinguishes a lock from every other at that path, and from itself before it was last touched; `undefined`
 * if there is none.
 */
function identityOf(path: string): string | undefined {
  const found = lstatSync(path, { throwIfNoEntry: false });
  return found && `${found.ino}-${Math.round(found.mtimeMs * 1000)}`;
}

/** The holder named in a lock; `undefined` for a file that is not a lock. */
function readHolder(path: string): Holder | undefined {
  try {
    const found = JSON.parse(readFileSync(path, 'utf8')) as Holder;
    const { holder, pid, started, host, where: place } = found;
    const isOne = [holder, started, host, place].every((one) => typeof one === 'string');
    return Number.isInteger(pid) && isOne ? found : undefined;
  } catch {
    return undefined;
  }
}

/** Whether exactly the named process runs on this machine. */
const isSame = ({ pid, started }: Holder): boolean => isRunning(pid) && startOf(pid) === started;

function isRunning(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    // EPERM: the process exists, under another user.
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}

/** When a process started, in the system's own count; '' if unknown. */
function startOf(pid: number): string {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] ?? '';
  } catch {
    return '';
  }
}

/** The boot id of this system and its process namespace; the host name if the system has neither. */
const where = ((): string => {
  try {
    const boot = readFileSync('/proc/sys/kernel/random/boot_id', 'utf8').trim();
    return `${boot} ${readlinkSync('/proc/self/ns/pid')}`;
  } catch {
    return hostname();
  }
})();

const bootOf = (place: string): string => place.split(' ')[0]!;
