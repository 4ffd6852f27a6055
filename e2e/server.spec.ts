import { request as ask } from 'node:http';
import { expect } from '@playwright/test';
import fc from 'fast-check';
import * as words from '../apps/studio/words/index.ts';
import { test } from './alive.ts';

const document = { arbeit: 2, title: 'Guarded', locale: 'en-GB', fields: [] };
const port = Number(process.env.ARBEIT_E2E_PORT ?? 4319);

/** A request as no browser or library would let one write it. */
function raw(
  method: string,
  path: string,
  headers: Record<string, string> = {},
  body: Buffer | string = '',
): Promise<{ status: number; text: string }> {
  return new Promise((resolve, reject) => {
    const call = ask(
      {
        host: '127.0.0.1',
        port,
        method,
        path,
        headers: { host: `127.0.0.1:${port}`, ...headers },
      },
      (response) => {
        let text = '';
        response.setEncoding('utf8');
        response.on('data', (chunk) => {
          text += chunk;
        });
        response.on('end', () => resolve({ status: response.statusCode!, text }));
        response.on('error', reject);
      },
    );
    call.on('error', (error: NodeJS.ErrnoException) =>
      // The server may hang up on a body that is too large before all of it is written.
      error.code === 'ECONNRESET' || error.code === 'EPIPE'
        ? resolve({ status: 413, text: '' })
        : reject(error),
    );
    call.end(body);
  });
}
const json = { 'content-type': 'application/json' };
const post = (headers: Record<string, string>, body: Buffer | string = JSON.stringify({ document })) =>
  raw('POST', '/api/sets', { ...json, ...headers }, body);

test('TRACE is refused everywhere', async () => {
  for (const path of ['/', '/api/sets', '/sets/ridge-huts', '/_next/static/nothing.js'])
    expect((await raw('TRACE', path)).status, path).toBe(405);
});

test('a page from elsewhere can do nothing', async () => {
  expect((await post({})).status).toBe(201);
  const refused = [
    await post({ origin: 'http://elsewhere.example' }),
    await post({ origin: 'null' }),
    await post({ 'sec-fetch-site': 'cross-site' }),
    await post({ 'sec-fetch-site': 'same-site', origin: `http://127.0.0.1:${port + 1}` }),
    await post({ host: 'elsewhere.example' }),
    await post({ host: `localhost.elsewhere.example:${port}` }),
    await raw('GET', '/api/sets/ridge-huts', {
      'sec-fetch-site': 'cross-site',
      'sec-fetch-mode': 'cors',
      'sec-fetch-dest': 'empty',
    }),
    await raw('GET', '/api/sets/ridge-huts', {
      'sec-fetch-site': 'cross-site',
      'sec-fetch-mode': 'navigate',
      'sec-fetch-dest': 'document',
    }),
    await raw('GET', '/', {
      'sec-fetch-site': 'cross-site',
      'sec-fetch-mode': 'navigate',
      'sec-fetch-dest': 'iframe',
    }),
    await raw('GET', '/document.schema.json', { host: 'elsewhere.example' }),
  ];
  expect(refused.map(({ status }) => status)).toEqual(refused.map(() => 403));
  // A link from elsewhere to a page is a visit like any other.
  const visit = {
    'sec-fetch-site': 'cross-site',
    'sec-fetch-mode': 'navigate',
    'sec-fetch-dest': 'document',
  };
  expect((await raw('GET', '/', visit)).status).toBe(200);
  expect((await raw('GET', '/', { host: `localhost:${port}` })).status).toBe(200);
  expect((await post({ origin: `http://127.0.0.1:${port}`, 'sec-fetch-site': 'same-origin' })).status).toBe(
    201,
  );
});

const save = { generation: 'g', page: 'p', counter: 1, base: 1, operations: [] };

test('requests that make no sense get a clear answer each', async () => {
  const { id } = JSON.parse((await post({})).text) as { id: string };
  const cases: [string, Promise<{ status: number; text: string }>, number][] = [
    ['not JSON', post({}, '{"document": '), 400],
    ['another type', post({ 'content-type': 'text/plain' }), 415],
    ['no type', raw('POST', '/api/sets', {}, JSON.stringify({ document })), 415],
    ['not UTF-8', post({}, Buffer.from([0x7b, 0x22, 0xff, 0xfe, 0x22, 0x3a, 0x31, 0x7d])), 400],
    ['larger than a set', post({}, `{"document":"${'y'.repeat(4_100_000)}"}`), 413],
    [
      'more than is announced',
      post({ 'transfer-encoding': 'chunked' }, `{"document":"${'y'.repeat(4_100_000)}"}`),
      413,
    ],
    ['a NUL in the address', raw('GET', '/api/sets/a%00b'), 400],
    ['an escape that is none', raw('GET', '/api/sets/%E0%A4%A'), 400],
    [
      'a revision beyond counting',
      raw('PUT', '/api/sets/ridge-huts', json, JSON.stringify({ ...save, base: 99_999_999_999 })),
      400,
    ],
    [
      'a name the request does not have',
      raw('PUT', '/api/sets/ridge-huts', json, JSON.stringify({ ...save, extra: 1 })),
      400,
    ],
    ['a set there cannot be', raw('PUT', '/api/sets/%2e%2e%2fetc', json, JSON.stringify(save)), 404],
    ['another method', raw('POST', '/api/sets/ridge-huts'), 405],
    ['changes of a set nobody has', raw('GET', '/api/changes?set=nobody'), 404],
    ['changes of no set', raw('GET', '/api/changes'), 404],
    [
      'changes of too many sets',
      raw('GET', `/api/changes?${Array.from({ length: 201 }, (_, i) => `set=s${i}`).join('&')}`),
      400,
    ],
    ['a set nobody has, taken away', raw('DELETE', '/api/sets/nobody'), 404],
    ['a set nobody has, put back', raw('POST', '/api/sets/nobody/restore'), 404],
    ['a set on the shelf, put back', raw('POST', '/api/sets/ridge-huts/restore'), 404],
    ['an id that is none', raw('PATCH', '/api/sets/ridge-huts', json, '{"id":"Ridge Huts"}'), 400],
    ['an id another has', raw('PATCH', `/api/sets/${id}`, json, '{"id":"ridge-huts"}'), 409],
    ['the id it has', raw('PATCH', '/api/sets/ridge-huts', json, '{"id":"ridge-huts"}'), 200],
    ['a save of another store', raw('PUT', '/api/sets/ridge-huts', json, JSON.stringify(save)), 409],
    [
      'a page without a name',
      raw('PUT', '/api/sets/ridge-huts', json, JSON.stringify({ ...save, page: '' })),
      400,
    ],
    [
      'an operation there is not',
      raw('PUT', '/api/sets/ridge-huts', json, JSON.stringify({ ...save, operations: [{ do: 'x' }] })),
      400,
    ],
    ['changes since no revision', raw('GET', '/api/sets/ridge-huts?since=x'), 400],
    ['a key nobody has', raw('GET', `/api/sets/s_${'0'.repeat(32)}`), 404],
    ['a method there is not', raw('PATCH', '/api/sets'), 405],
    ['a number that is none', raw('GET', '/api/sets/ridge-huts/refused/1e9'), 404],
    [
      'an attribute that is none',
      post(
        {},
        JSON.stringify({
          document: { ...document, fields: [{ id: 'a', kind: 'text', label: 'A', html: { children: 'x' } }] },
        }),
      ),
      422,
    ],
  ];
  for (const [what, answer, status] of cases) expect([what, (await answer).status]).toEqual([what, status]);
  expect((await raw('GET', '/')).status).toBe(200);
});

test('pages allow scripts of their own alone, and nothing to frame them', async ({ page }) => {
  const complaints: string[] = [];
  page.on('console', (message) => message.type() === 'error' && complaints.push(message.text()));
  const answer = await page.goto('/sets/ridge-huts/fields/arrival');
  const policy = answer!.headers()['content-security-policy']!;
  expect(policy).toMatch(/script-src 'self' 'nonce-[\w+/=]+'/);
  expect(policy).not.toMatch(/unsafe-eval|script-src[^;]*unsafe-inline/);
  expect(policy).toContain("frame-ancestors 'none'");
  expect(answer!.headers()['x-content-type-options']).toBe('nosniff');
  expect(answer!.headers()['referrer-policy']).toBe('no-referrer');
  const again = await page.goto('/');
  expect(again!.headers()['content-security-policy']).not.toBe(policy);
  // Menus and dialogs, which write styles of their own, work under it.
  await page.getByRole('button', { name: words.shared.newField }).first().click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  await page
    .getByRole('button', { name: words.shared.actionsFor('') })
    .first()
    .click();
  await expect(page.getByRole('menu')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.goto('/sets/ridge-huts/fields/arrival');
  await page.getByRole('button', { name: words.ui.calendar }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  // A script somebody managed to write into the page does not run.
  await page.evaluate(() => {
    const script = globalThis.document.createElement('script');
    script.textContent = 'window.broken = true';
    globalThis.document.body.insertAdjacentHTML('beforeend', '<img src=x onerror="window.broken = true">');
  });
  expect(await page.evaluate(() => (globalThis as { broken?: boolean }).broken)).toBeUndefined();
  expect(complaints.filter((text) => !/onerror|inline event handler|404|Failed to load/.test(text))).toEqual(
    [],
  );
});

const hostile = Number(process.env.ARBEIT_HOSTILE ?? 80);
const seed = Number(process.env.ARBEIT_SEED ?? 20270210);

test(`${hostile} hostile requests (seed ${seed}): each is refused in words, none is a fault of the server’s`, async () => {
  test.setTimeout(60_000 + hostile * 1000);
  const before = await raw('GET', '/api/sets/ridge-huts');
  const text = fc.oneof(
    fc.string({ maxLength: 30 }),
    fc.string({ unit: 'binary', maxLength: 30 }),
    fc.constantFrom('__proto__', '../..', '%', '\0', 'constructor', '<script>', '\ud800'),
  );
  const value: fc.Arbitrary<unknown> = fc.oneof(
    text,
    fc.integer(),
    fc.double(),
    fc.constant(null),
    fc.array(text, { maxLength: 3 }),
    fc.dictionary(text, text, { maxKeys: 3 }),
    fc.constant('y'.repeat(100_000)),
    fc.constant(Array(200).fill([])),
  );
  const field = fc.record({
    id: fc.oneof(text, fc.constant('a')),
    kind: fc.constantFrom('text', 'pattern', 'date', 'phone', '__proto__', 'currency'),
    label: value,
    entry: value,
    html: value,
    rules: value,
    initial: text,
  });
  const deep = `${'{"a":'.repeat(20_000)}1${'}'.repeat(20_000)}`;
  const { id, generation } = JSON.parse((await post({})).text) as { id: string; generation: string };
  const step = fc.oneof(
    fc.constantFrom('title', 'fields', '__proto__', 'constructor'),
    fc.record({ id: text }),
    value,
  );
  const operation = fc.record(
    {
      do: fc.constantFrom('set', 'insert', 'move', 'remove', 'toString'),
      at: fc.oneof(fc.array(step, { maxLength: 3 }), value),
      id: value,
      after: value,
      before: value,
      value,
      next: value,
    },
    { requiredKeys: ['do', 'at'] },
  );
  const body = fc.oneof(
    fc
      .record({
        document: fc.record({
          arbeit: fc.constantFrom(1, 2),
          title: value,
          locale: text,
          fields: fc.oneof(fc.array(field, { maxLength: 3 }), value),
          forms: value,
          classes: value,
        }),
        base: value,
      })
      .map((it) => JSON.stringify(it)),
    fc
      .record({
        generation: fc.oneof(fc.constant(generation), value),
        page: fc.oneof(fc.constant('p'), text),
        counter: fc.oneof(fc.integer({ min: 0, max: 3 }), value),
        base: fc.oneof(fc.constant(1), value),
        operations: fc.oneof(fc.array(operation, { maxLength: 3 }), value),
      })
      .map((it) => JSON.stringify(it)),
    fc.record({ field: value, value, values: value }).map((it) => JSON.stringify(it)),
    fc
      .record({ raw: fc.oneof(value, fc.dictionary(text, text, { maxKeys: 4 })) })
      .map((it) => JSON.stringify(it)),
    fc.record({ to: value }).map((it) => JSON.stringify(it)),
    value.map((it) => JSON.stringify(it) ?? ''),
    text,
    fc.constant(`${'['.repeat(50_000)}`),
    fc.constant(`{"document":${deep}}`),
    fc.constant(
      `{"generation":"${generation}","page":"p","counter":1,"base":1,"operations":[{"do":"set","at":["title"],"value":${deep}}]}`,
    ),
  );
  const own = `/api/sets/${id}`;
  const path = fc.oneof(
    fc.constantFrom(
      '/api/sets',
      // One made for it: it may be taken off the shelf and put back.
      own,
      `${own}/restore`,
      `${own}/refused`,
      `${own}/refused/1`,
      `${own}/forms/f/records`,
      '/api/services/passes',
      '/api/services/codes',
      '/api/services/codes/check',
      '/api/services/messages',
      '/api/services/nothing',
      '/api/nothing',
    ),
    text.map((it) => `/api/sets/${encodeURI(/\p{Cs}/u.test(it) ? 'x' : it).replace(/[\s?#]/g, '')}`),
    text.map((it) => `/sets/${encodeURIComponent(/\p{Cs}/u.test(it) ? 'x' : it)}/fields/x`),
  );
  const requests = fc.record({
    method: fc.constantFrom('POST', 'PUT', 'PUT', 'DELETE', 'PATCH', 'OPTIONS'),
    path,
    body,
    type: fc.constantFrom(
      'application/json',
      'application/json',
      'text/plain',
      'multipart/form-data; boundary=x',
    ),
  });
  for (const { method, path, body, type } of fc.sample(requests, { seed, numRuns: hostile })) {
    const { status } = await raw(method, path, { 'content-type': type }, Buffer.from(body));
    expect(status, `${method} ${path} ${body.slice(0, 300)}`).toBeLessThan(500);
    expect(
      status === 204 ||
        status >= 400 ||
        (status === 200 &&
          (method === 'OPTIONS' || path.startsWith(own) || path.startsWith('/api/services/'))),
      `${status} ${method} ${path} ${body.slice(0, 300)}`,
    ).toBe(true);
  }
  expect(await raw('GET', '/api/sets/ridge-huts')).toEqual(before);
  expect((await raw('GET', '/')).status).toBe(200);
});
