import { request as ask, createServer } from 'node:http';
import { afterEach, expect, test, vi } from 'vitest';
import { StoreError } from '../../store/store-error.ts';
import { refuseMethods } from '../methods.ts';
import { answer } from './request.ts';

afterEach(() => vi.restoreAllMocks());

/** What is logged while a handler fails with an error, and what is answered. */
async function failing(error: unknown) {
  const lines: string[] = [];
  vi.spyOn(process.stderr, 'write').mockImplementation((line) => lines.push(String(line)) > 0);
  const response = await answer('test', async () => {
    throw error;
  });
  return { status: response.status, body: await response.json(), logged: JSON.parse(lines.join('')) };
}

test('a failure of the store is said to be one', async () => {
  const { status, body, logged } = await failing(new StoreError('The disk is full.'));
  expect([status, body.error, logged.message]).toEqual([503, 'The disk is full.', 'The disk is full.']);
});

test('an error of ours is one: its class and our own places are logged, and nothing of a document', async () => {
  const secret = 'guest@huts.example';
  function ours(): never {
    throw new TypeError(`Cannot read ${secret}\n    of this document`);
  }
  let error: unknown;
  try {
    ours();
  } catch (caught) {
    error = caught;
  }
  const { status, body, logged } = await failing(error);
  expect(status).toBe(500);
  expect(body.error).not.toContain('store');
  expect(logged).toMatchObject({ what: 'test', message: 'TypeError' });
  expect(logged.frames[0]).toMatch(/^at ours \(studio\/app\/api\/request\.test\.ts:\d+:\d+\)$/);
  expect(logged.frames.join()).not.toMatch(/node_modules|node:/);
  expect(JSON.stringify(logged)).not.toContain(secret);
});

test.each([undefined, null, 'text', { message: 'x' }])('whatever is thrown: %j', async (thrown) => {
  expect((await failing(thrown)).status).toBe(500);
});

test('methods that no request may have are refused, others are not', async () => {
  refuseMethods();
  const server = createServer((_, response) => response.end('fine')).listen(0);
  const { port } = server.address() as { readonly port: number };
  const status = (method: string) =>
    new Promise<number>((resolve, reject) => {
      ask({ port, method }, (response) => {
        response.resume();
        resolve(response.statusCode ?? 0);
      })
        .on('error', reject)
        .end();
    });
  expect(await Promise.all(['TRACE', 'GET', 'OPTIONS'].map(status))).toEqual([405, 200, 200]);
  server.close();
});
