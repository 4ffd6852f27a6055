import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** Memory of the server after many requests, against its memory after a quarter of them. */
export interface Memory {
  readonly requests: number;
  readonly ratio: number;
  readonly limit: number;
  /** Resident memory in bytes after each quarter. */
  readonly quarters: readonly number[];
}

const port = 4397;
const address = `http://localhost:${port}`;
const requests = 20_000;
/** Requests under way at the same time. */
const together = 4;

/** Resident memory of a process, in bytes. Throws on systems without `/proc`. */
function residentOf(pid: number): number {
  const [, kilobytes] = /^VmRSS:\s+(\d+) kB/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8')) ?? [];
  return Number(kilobytes) * 1024;
}

const json = { 'content-type': 'application/json', origin: address };

interface Stored {
  readonly key: string;
  readonly id: string;
  readonly generation: string;
}

/** One of the requests that pages send, by its number: pages, saves, changes, events that are left. */
async function ask(set: Stored, i: number, state: { revision: number }): Promise<void> {
  const get = async (path: string): Promise<void> => {
    const answer = await fetch(`${address}${path}`);
    await answer.arrayBuffer();
    if (!answer.ok) throw new Error(`${path} answered ${answer.status}.`);
  };
  if (i % 20 === 0) return get('/');
  if (i % 20 === 1) return get(`/sets/${set.id}/fields/pin`);
  if (i % 20 === 2) {
    const leaving = new AbortController();
    const { body } = await fetch(`${address}/api/changes?set=${set.key}`, { signal: leaving.signal });
    await body!.getReader().read();
    leaving.abort();
    return;
  }
  if (i % 4 !== 3) return get(i % 2 ? `/api/sets/${set.key}` : '/api/sets');
  const operations = [{ do: 'set', at: ['title'], value: `Huts ${i}` }];
  // A new page every now and then, as when people come and go.
  const save = { generation: set.generation, page: `page-${i}`, counter: 1, base: state.revision, operations };
  const answer = await fetch(`${address}/api/sets/${set.key}`, { method: 'PUT', headers: json, body: JSON.stringify(save) });
  const taken = (await answer.json()) as { revision?: number };
  if (!answer.ok) throw new Error(`A save was answered with ${answer.status}.`);
  state.revision = taken.revision!;
} // biome-ignore format: a request a line

/** Sends the requests to the studio as it is built, in a data folder of its own. */
export async function memoryGrowth(root: string): Promise<Memory> {
  const studio = fileURLToPath(new URL('apps/studio/', root));
  const data = mkdtempSync(join(tmpdir(), 'arbeit-bench-'));
  const next = createRequire(join(studio, 'package.json')).resolve('next/dist/bin/next');
  const env = { ...process.env, ARBEIT_DATA: data, NEXT_TELEMETRY_DISABLED: '1' };
  const server = spawn(process.execPath, [next, 'start', '-p', String(port), '-H', '127.0.0.1'], {
    cwd: studio,
    env,
    stdio: 'ignore',
  });
  try {
    while (
      !(await fetch(`${address}/readyz`).then(
        ({ ok }) => ok,
        () => false,
      ))
    )
      await new Promise((later) => setTimeout(later, 250));
    const document = {
      arbeit: 2,
      title: 'Huts',
      locale: 'en-GB',
      fields: [{ id: 'pin', kind: 'pattern', label: 'PIN', entry: { pattern: '<4 digit>' } }],
    };
    const made = await fetch(`${address}/api/sets`, { method: 'POST', headers: json, body: JSON.stringify({ document }) }); // biome-ignore format: a request
    const set = (await made.json()) as Stored;
    const state = { revision: 1 };
    const quarters: number[] = [];
    for (let i = 0; i < requests; i += together) {
      await Promise.all(Array.from({ length: together }, (_, k) => ask(set, i + k, state)));
      if ((i + together) % (requests / 4) === 0) quarters.push(residentOf(server.pid!));
    }
    return { requests, ratio: quarters.at(-1)! / quarters[0]!, limit: 1.15, quarters };
  } finally {
    server.kill('SIGKILL');
    rmSync(data, { recursive: true, force: true });
  }
}
