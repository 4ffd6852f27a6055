import { type ChildProcess, execFileSync, fork, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';
import { newFolder } from './new-folder.fixture.ts';
import type { PostgresServer } from './postgres.fixture.ts';
import type { StormServer } from './storm-server.fixture.ts';

const migrations = fileURLToPath(new URL('./migrations', import.meta.url));
const root = fileURLToPath(new URL('../../..', import.meta.url));

/**
 * Bundles the process of a storm's server. It is placed beside the packages, so that Node finds them. Returns
 * its file.
 */
export async function bundledServer(): Promise<string> {
  mkdirSync(join(root, 'node_modules', '.cache'), { recursive: true });
  const place = mkdtempSync(join(root, 'node_modules', '.cache', 'arbeit-storm-'));
  const outfile = join(place, 'child.mjs');
  await build({
    entryPoints: [fileURLToPath(new URL('./storm-child.fixture.ts', import.meta.url))],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    loader: { '.json': 'json' },
  });
  return outfile;
}

const methods = ['create', 'save', 'changes', 'rename', 'backUp', 'restore', 'everything', 'faults', 'close'] as const; // biome-ignore format: a list

/** A server in a process of its own. After `kill` and after `restart` it runs again. */
export interface ServerProcess extends StormServer {
  kill(): Promise<void>;
  restart(): Promise<void>;
}

async function serverProcess(file: string, where: string): Promise<ServerProcess> {
  let child: ChildProcess;
  let count = 0;
  const waiting = new Map<number, (message: { answer?: unknown; error?: string }) => void>();
  const answer = (id: number): Promise<unknown> =>
    new Promise((resolve, reject) =>
      waiting.set(id, (message) =>
        message.error === undefined ? resolve(message.answer) : reject(new Error(message.error)),
      ),
    );
  const start = async (): Promise<void> => {
    child = fork(file, [where, migrations], { serialization: 'advanced', stdio: 'inherit' });
    child.on('message', ({ id, ...message }: { id: number; answer?: unknown; error?: string }) => {
      waiting.get(id)?.(message);
      waiting.delete(id);
    });
    child.on('exit', () => {
      for (const end of waiting.values()) end({ error: 'The server ended.' });
      waiting.clear();
    });
    await answer(0);
  };
  const end = async (how: () => void): Promise<void> => {
    const ended = new Promise((resolve) => child.once('exit', resolve));
    how();
    await ended;
  };
  const ask = (method: keyof StormServer, args: readonly unknown[]): Promise<unknown> => {
    if (!child.connected) return Promise.reject(new Error('The server ended.'));
    const id = ++count;
    child.send({ id, ask: method, args });
    return answer(id);
  };
  await start();
  const asked = Object.fromEntries(
    methods.map((method) => [method, (...args: readonly unknown[]) => ask(method, args)]),
  ) as unknown as StormServer;
  return {
    ...asked,
    async kill() {
      await end(() => child.kill('SIGKILL'));
      await start();
    },
    async restart() {
      await ask('close', []);
      await end(() => child.disconnect());
      await start();
    },
    async close() {
      await ask('close', []);
      await end(() => child.disconnect());
    },
  };
}

/** Servers on one store, and the disaster that can happen to it. */
export interface World {
  readonly servers: readonly ServerProcess[];
  disaster(): Promise<void>;
  /** Ends what a disaster left. */
  calm(): void;
  end(): Promise<void>;
}

/** Two servers on a database of their own. The disaster is a crash of PostgreSQL. */
export async function databaseWorld(file: string, postgres: PostgresServer, name: string): Promise<World> {
  const url = postgres.database(name);
  const servers = [await serverProcess(file, url), await serverProcess(file, url)];
  return {
    servers,
    disaster: () => postgres.crash(),
    calm: () => undefined,
    end: async () => void (await Promise.all(servers.map((server) => server.close()))),
  };
}

/**
 * One server on a folder. The disaster is a full disk, which stays full until the next one. Needs a tmpfs:
 * where none can be mounted, the disk has always room.
 */
export async function folderWorld(file: string): Promise<World> {
  const place = mkdtempSync(join(tmpdir(), 'arbeit-storm-'));
  const isMounted =
    spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=120m', 'tmpfs', place], { stdio: 'ignore' }).status === 0;
  const filler = join(place, 'full');
  let isFull = false;
  const calm = (): void => {
    rmSync(filler, { force: true });
    isFull = false;
  };
  const server = await serverProcess(file, await newFolder(join(place, 'data')));
  return {
    servers: [server],
    calm,
    async disaster() {
      if (isFull || !isMounted) return calm();
      const { bavail, bsize } = statfsSync(place);
      writeFileSync(filler, Buffer.alloc(Math.max(0, bavail * bsize - 100_000), 1));
      isFull = true;
    },
    async end() {
      await server.close();
      if (isMounted) execFileSync('umount', ['-l', place]);
      rmSync(place, { recursive: true, force: true });
    },
  };
}
