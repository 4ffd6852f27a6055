import { type ChildProcess, execFileSync, spawn, spawnSync } from 'node:child_process';
import { chownSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A PostgreSQL server of a test's own, from Debian's packages, in a folder of its own. */
export interface PostgresServer {
  /** An empty database of its own on it, by its address. */
  database(name: string): string;
  /** Ends it as a crash does, and starts it again. */
  crash(): Promise<void>;
  stop(): void;
}

const versions = '/usr/lib/postgresql';
const program = (name: string): string => {
  const [version] = readdirSync(versions).sort((a, b) => Number(b) - Number(a));
  return join(versions, version!, 'bin', name);
};

/** PostgreSQL refuses to run as root: then as the user Debian has made for it. */
const asUser = (command: string, args: readonly string[]): [string, string[]] =>
  process.getuid?.() === 0
    ? ['setpriv', ['--reuid', 'postgres', '--regid', 'postgres', '--clear-groups', command, ...args]]
    : [command, [...args]];

export async function startPostgres(): Promise<PostgresServer> {
  const place = mkdtempSync(join(tmpdir(), 'arbeit-postgres-'));
  const folder = join(place, 'data');
  if (process.getuid?.() === 0) {
    const [uid, gid] = ['-u', '-g'].map((which) => Number(execFileSync('id', [which, 'postgres'], { encoding: 'utf8' })));
    chownSync(place, uid!, gid!);
  }
  execFileSync(...asUser(program('initdb'), ['-D', folder, '-U', 'arbeit', '-A', 'trust', '-E', 'UTF8', '--no-locale']), { stdio: 'ignore' });
  // By a socket in its folder: no port can be taken.
  const address = (name: string): string => `postgres://arbeit@${encodeURIComponent(place)}/${name}`;
  const query = (text: string) =>
    spawnSync('psql', ['-h', place, '-U', 'arbeit', '-d', 'postgres', '-qAtc', text], { encoding: 'utf8' });
  let server: ChildProcess = spawn('true');
  const start = async (): Promise<void> => {
    server = spawn(...asUser(program('postgres'), ['-D', folder, '-h', '', '-k', place]), { stdio: 'ignore' });
    for (;;) {
      if (query('select 1').stdout?.trim() === '1') return;
      if (server.exitCode !== null) throw new Error('PostgreSQL did not start.');
      await new Promise((later) => setTimeout(later, 50));
    }
  };
  await start();
  return {
    database(name) {
      query(`create database ${name}`);
      return address(name);
    },
    async crash() {
      const ended = new Promise((resolve) => server.once('exit', resolve));
      server.kill('SIGKILL');
      await ended;
      // The processes it had begun see that it is gone, and end.
      for (const file of ['postmaster.pid']) if (existsSync(join(folder, file))) rmSync(join(folder, file));
      await new Promise((later) => setTimeout(later, 500));
      await start();
    },
    stop() {
      server.kill('SIGQUIT');
      rmSync(place, { recursive: true, force: true });
    },
  };
} // biome-ignore format: a command a line
