import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, readlinkSync, writeFileSync } from 'node:fs';
import { hostname, tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';
import { beforeAll, describe, expect, test } from 'vitest';
import { FolderInUse, lockFolder } from './lock.ts';

const place = mkdtempSync(join(tmpdir(), 'arbeit-locks-'));
const script = (name: string): string => fileURLToPath(new URL(name, import.meta.url));
const bundled = join(place, 'lock.mjs');
beforeAll(async () => {
  const entryPoints = [script('./lock.ts')];
  const { outputFiles } = await build({
    entryPoints,
    bundle: true,
    platform: 'node',
    format: 'esm',
    write: false,
  });
  writeFileSync(bundled, outputFiles[0]!.text);
});
const folder = (): string => mkdtempSync(join(tmpdir(), 'arbeit-lock-'));

test('a second opening is refused, and says who and what to do', async () => {
  const own = folder();
  const held = await lockFolder(own);
  await expect(lockFolder(own)).rejects.toThrow(FolderInUse);
  await expect(lockFolder(own)).rejects.toThrow(/in use by another Arbeit process \(PID \d+\).*ARBEIT_DATA/);
  held.release();
  const again = await lockFolder(own);
  expect([held.isStill(), again.isStill()]).toEqual([false, true]);
  again.release();
});

const gone = spawnSync(process.execPath, ['-e', '']).pid;
const lease = { holder: 'h', pid: gone, started: '1', host: hostname(), where: 'elsewhere', flock: false };
const stale = JSON.stringify(lease);
test.each([
  ['one left behind by a process that is gone', stale],
  [
    'one of another machine that is touched no more',
    JSON.stringify({ ...lease, host: 'another-machine', flock: true }),
  ],
  ['one of an older Arbeit', JSON.stringify({ pid: process.pid, started: 'long ago', host: hostname() })],
  ['garbage', '}{'],
  ['another file', '"text"'],
  ['nothing', ''],
])('%s is taken over, once', async (_, text) => {
  const left = folder();
  writeFileSync(join(left, 'arbeit.lock'), text);
  const held = await lockFolder(left, { beat: 20, patience: 200 });
  expect(held.isStill()).toBe(true);
  await expect(lockFolder(left)).rejects.toThrow(FolderInUse);
  held.release();
  expect(readdirSync(left).filter((name) => name !== 'arbeit.flock')).toEqual([]);
});

test('a folder where the lock should be is told, and what to do', async () => {
  const left = folder();
  mkdirSync(join(left, 'arbeit.lock'));
  await expect(lockFolder(left)).rejects.toThrow(/arbeit\.lock is a folder.*Delete it/);
});

/** Containers have process numbers of their own. Where none can be made, both processes are on one system. */
const canContain =
  spawnSync('/usr/bin/unshare', ['--pid', '--fork', '--mount-proc', '/bin/true']).status === 0;

/**
 * A process in a container of its own, as far as process numbers go: there it is number 1, as the other is.
 */
async function contained(own: string, hasFlock: boolean): Promise<{ said: string; child: ChildProcess }> {
  const node = [process.execPath, script('./lock.holder.mjs'), bundled, own];
  const [program, ...args] = canContain ? ['/usr/bin/unshare', '--pid', '--fork', '--kill-child', '--mount-proc', ...node] : node;
  const env = hasFlock ? process.env : { ...process.env, PATH: '/nowhere' };
  const child = spawn(program!, args, { env, stdio: 'pipe' });
  let errors = '';
  child.stderr.on('data', (text) => (errors += text));
  const said = await new Promise<string>((resolve) => {
    child.stdout.once('data', (text) => resolve(String(text)));
    child.once('exit', () => resolve(errors));
  });
  return { said, child };
} // biome-ignore format: the command on a line

describe.each([
  ['with the system’s lock', true],
  ['without it', false],
])('two containers with one folder, %s', (_, hasFlock) => {
  test('one has it while it lives; killed, it blocks nobody', async () => {
    const own = folder();
    const first = await contained(own, hasFlock);
    expect(first.said).toBe('held');
    expect((await contained(own, hasFlock)).said).toBe('FolderInUse');
    const ended = new Promise((resolve) => first.child.once('exit', resolve));
    first.child.kill('SIGKILL');
    await ended;
    const next = await contained(own, hasFlock);
    expect(next.said).toBe('held');
    next.child.kill('SIGKILL');
  });
});

test('of six processes at once one gets it, whatever lies there', () => {
  const rounds = Number(process.env.ARBEIT_ROUNDS ?? 12);
  const boot = readFileSync('/proc/sys/kernel/random/boot_id', 'utf8').trim();
  const here = JSON.stringify({ ...lease, where: `${boot} ${readlinkSync('/proc/self/ns/pid')}` });
  const args = [script('./lock.contender.mjs'), bundled, join(place, 'data'), String(rounds), here];
  const result = spawnSync(process.execPath, args, { encoding: 'utf8' });
  expect(result.stderr).toBe('');
  expect(JSON.parse(result.stdout)).toEqual({ rounds, holders: rounds });
});
