import { type ChildProcess, spawn } from 'node:child_process';
import { existsSync, mkdtempSync } from 'node:fs';
import { request } from 'node:http';
import { createRequire } from 'node:module';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test } from '@playwright/test';
import { startPostgres } from '../apps/studio/store/postgres.fixture.ts';
import { saveSet } from '../apps/studio/store/save-set.ts';
import { openServer } from '../apps/studio/store/server.ts';
import { findSet, type StoredSet } from '../apps/studio/store/sets.ts';

// They go for one port.
test.describe.configure({ mode: 'serial' });

/** A server killed while it saves: whatever it had acknowledged is there when it comes up again. */
const kills = Number(process.env.ARBEIT_KILLS ?? 1);
const studio = fileURLToPath(new URL('../apps/studio', import.meta.url));
const port = 4398;
const base = `http://127.0.0.1:${port}`;

async function up(env: Readonly<Record<string, string>>): Promise<ChildProcess> {
  const next = createRequire(join(studio, 'package.json')).resolve('next/dist/bin/next');
  const server = spawn(process.execPath, [next, 'start', '-p', String(port), '-H', '127.0.0.1'], {
    cwd: studio,
    stdio: 'ignore',
    env: { ...process.env, NEXT_MANUAL_SIG_HANDLE: 'true', ...env },
  });
  for (let tries = 0; tries < 240; tries++) {
    const answer = await fetch(`${base}/api/sets/ridge-huts`).catch(() => undefined);
    if (answer?.ok) return server;
    await new Promise((later) => setTimeout(later, 250));
  }
  throw new Error('The server did not come up.');
}

const raw = (method: string, path: string, headers: Record<string, string>) =>
  new Promise<{ status: number; text: string }>((resolve, reject) => {
    const call = request({ port, host: '127.0.0.1', method, path, headers }, (response) => {
      let text = '';
      response.on('data', (chunk) => (text += chunk));
      response.on('end', () => resolve({ status: response.statusCode!, text }));
    });
    call.on('error', reject);
    call.end();
  });

const titled = (title: string) => ({ arbeit: 2, title, locale: 'en-GB', fields: [] });
const send = (method: string, path: string, body: object) =>
  fetch(base + path, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });

test(`killed while saving (${kills}), no acknowledged save is lost`, { tag: '@long' }, async () => {
  test.setTimeout(120_000 + kills * 60_000);
  const folder = mkdtempSync(join(tmpdir(), 'arbeit-kills-'));
  let server = await up({ ARBEIT_DATA: folder });
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
    server = await up({ ARBEIT_DATA: folder });
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

const endOf = (server: ChildProcess): Promise<number | null> =>
  new Promise((resolve) => server.once('exit', (code) => resolve(code)));

test('asked to end, a server answers what is under way, lets waiting connections go and closes its store', {
  tag: '@long',
}, async () => {
  const folder = mkdtempSync(join(tmpdir(), 'arbeit-end-'));
  const server = await up({ ARBEIT_DATA: folder });
  for (const path of ['healthz', 'readyz']) {
    const answer = await raw('GET', `/${path}`, { host: 'a-probe' });
    expect([path, answer.status, answer.text]).toEqual([path, 200, '{"ok":true}']);
  }
  // One that only waits, and one of which half has come.
  const idle = connect(port, '127.0.0.1');
  const half = connect(port, '127.0.0.1');
  half.write(
    'POST /api/sets HTTP/1.1\r\nhost: 127.0.0.1\r\ncontent-type: application/json\r\ncontent-length: 999\r\n\r\n{',
  );
  // And a stream of changes, which has no end of its own.
  const set = (await (await send('POST', '/api/sets', { document: titled('0') })).json()) as StoredSet;
  const told = (await fetch(`${base}/api/changes?set=${set.key}`)).body!.getReader();
  await told.read();
  await new Promise((later) => setTimeout(later, 300));
  for (const socket of [idle, half]) socket.on('error', () => undefined);
  const ended = endOf(server);
  server.kill('SIGTERM');
  expect(await ended).toBe(0);
  expect(existsSync(join(folder, 'arbeit.lock'))).toBe(false);
  while (!(await told.read()).done);
  idle.destroy();
  half.destroy();
});

test('two servers on one PostgreSQL: what one saves the other has, and one that is killed takes nothing with it', {
  tag: '@long',
}, async () => {
  const postgres = await startPostgres();
  const url = postgres.database('studio');
  const server = await up({ DATABASE_URL: url });
  const other = await openServer(url, join(studio, 'store', 'migrations'));
  const set = (await (await send('POST', '/api/sets', { document: titled('0') })).json()) as StoredSet;
  const operations = [{ do: 'set', at: ['title'], value: 'by the server' }] as const;
  const save = { generation: set.generation, page: 'p', counter: 1, base: 1, operations };
  expect((await send('PUT', `/api/sets/${set.key}`, save)).status).toBe(200);
  server.kill('SIGKILL');
  expect((await other.read((db) => findSet(db, set.id)))?.document.title).toBe('by the server');
  const next = {
    ...save,
    page: 'q',
    base: 2,
    operations: [{ do: 'set', at: ['locale'], value: 'de-DE' }],
  } as const;
  await other.write((db) => saveSet(db, set.key, next));
  const again = await up({ DATABASE_URL: url });
  const told = (await fetch(`${base}/api/changes?set=${set.key}`)).body!.getReader();
  const hears = async (revision: number): Promise<void> => {
    for (const text = new TextDecoder(); ; ) {
      const { done, value } = await told.read();
      expect(done).toBe(false);
      if (text.decode(value).includes(`${set.key} ${set.generation} ${revision}`)) return;
    }
  };
  await hears(3);
  const last = { ...next, counter: 2, base: 3, operations: [{ do: 'set', at: ['locale'], value: 'fr-FR' }] } as const; // biome-ignore format: a save
  await other.write((db) => saveSet(db, set.key, last));
  await hears(4);
  const found = (await (await fetch(`${base}/api/sets/${set.id}`)).json()) as StoredSet;
  expect(found).toMatchObject({ revision: 4, document: { title: 'by the server', locale: 'fr-FR' } });
  postgres.stop();
  expect((await raw('GET', '/readyz', {})).status).toBe(503);
  expect((await raw('GET', '/healthz', {})).status).toBe(200);
  const ended = endOf(again);
  again.kill('SIGTERM');
  expect(await ended).toBe(0);
  await other.close();
});
