import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test } from '@playwright/test';

/** A server killed while it saves: whatever it had acknowledged is there when it comes up again. */
const kills = Number(process.env.ARBEIT_KILLS ?? 2);
const studio = fileURLToPath(new URL('../studio', import.meta.url));
const port = 4398;
const base = `http://127.0.0.1:${port}`;

async function up(folder: string): Promise<ChildProcess> {
  const next = createRequire(join(studio, 'package.json')).resolve('next/dist/bin/next');
  const server = spawn(process.execPath, [next, 'start', '-p', String(port), '-H', '127.0.0.1'], {
    cwd: studio,
    stdio: 'ignore',
    env: { ...process.env, ARBEIT_DATA: folder },
  });
  for (let tries = 0; tries < 240; tries++) {
    const answer = await fetch(`${base}/api/sets/ridge-huts`).catch(() => undefined);
    if (answer?.ok) return server;
    await new Promise((later) => setTimeout(later, 250));
  }
  throw new Error('The server did not come up.');
}

const titled = (title: string) => ({ arbeit: 1, title, locale: 'en-GB', fields: [] });
const send = (method: string, path: string, body: object) =>
  fetch(base + path, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });

test(`${kills} times killed while saving, no acknowledged save is lost`, async () => {
  test.setTimeout(120_000 + kills * 60_000);
  const folder = mkdtempSync(join(tmpdir(), 'arbeit-kills-'));
  let server = await up(folder);
  const { id, generation } = (await (await send('POST', '/api/sets', { document: titled('0') })).json()) as {
    id: string;
    generation: string;
  };
  let revision = 1;
  let acknowledged = '0';
  for (let round = 0; round < kills; round++) {
    const gone = new Promise((done) => server.once('exit', done));
    setTimeout(() => server.kill('SIGKILL'), 300 + ((round * 137) % 700));
    for (let i = 0; ; i++) {
      const title = `${round}.${i}`;
      const save = { generation, page: `kills-${round}`, counter: i + 1, base: revision };
      const operations = [{ do: 'set', at: ['title'], value: title }];
      const answer = await send('PUT', `/api/sets/${id}`, { ...save, operations }).catch(() => undefined);
      const told = answer?.ok
        ? ((await answer.json().catch(() => undefined)) as { revision: number } | undefined)
        : undefined;
      if (!told) break;
      ({ revision } = told);
      acknowledged = title;
    }
    await gone;
    server = await up(folder);
    const found = (await (await fetch(`${base}/api/sets/${id}`)).json()) as {
      revision: number;
      document: { title: string };
    };
    // One more may have been written whose answer never came.
    const [wanted, next] = acknowledged.split('.').map(Number);
    const after = acknowledged === '0' ? '0.0' : `${wanted}.${next! + 1}`;
    expect([acknowledged, after, `${round}.0`]).toContain(found.document.title);
    expect(found.revision).toBeGreaterThanOrEqual(revision);
    ({ revision } = found);
  }
  server.kill('SIGKILL');
});
