import { afterEach, expect, test, vi } from 'vitest';
import { refusalOf } from './guard.ts';

const ask = (method: string, url: string, headers: Record<string, string>) =>
  refusalOf({ method, url, header: (name) => headers[name] ?? null })?.status;
const here = { host: '127.0.0.1:4000' };
const visit = { 'sec-fetch-mode': 'navigate', 'sec-fetch-dest': 'document' };

afterEach(() => vi.unstubAllEnvs());

test.each<[string, string, string, Record<string, string>, number | undefined]>([
  ['a visit', 'GET', '/', { ...here, ...visit, 'sec-fetch-site': 'none' }, undefined],
  ['a link from elsewhere', 'GET', '/', { ...here, ...visit, 'sec-fetch-site': 'cross-site' }, undefined],
  [
    'a link from elsewhere to a route',
    'GET',
    '/api/sets/x',
    { ...here, ...visit, 'sec-fetch-site': 'cross-site' },
    403,
  ],
  [
    'a picture elsewhere',
    'GET',
    '/',
    { ...here, 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'no-cors' },
    403,
  ],
  [
    'a form elsewhere',
    'POST',
    '/api/sets',
    { ...here, ...visit, 'sec-fetch-site': 'cross-site', origin: 'http://x.example' },
    403,
  ],
  ['another port', 'PUT', '/api/sets/x', { ...here, origin: 'http://127.0.0.1:4001' }, 403],
  [
    'one’s own',
    'PUT',
    '/api/sets/x',
    { ...here, origin: 'http://127.0.0.1:4000', 'sec-fetch-site': 'same-origin' },
    undefined,
  ],
  ['no browser', 'PUT', '/api/sets/x', here, undefined],
  ['another name', 'GET', '/', { host: 'rebound.example' }, 403],
  ['no name', 'GET', '/', {}, 403],
  ['this machine by IPv6', 'GET', '/', { host: '[::1]:4000' }, undefined],
  ['a name that only begins like it', 'GET', '/', { host: 'localhost.example' }, 403],
  ['a NUL', 'GET', '/sets/a%00', here, 400],
  ['a broken escape', 'GET', '/sets/%E0', here, 400],
  ['a page written to', 'PUT', '/', here, 405],
  ['an endless address', 'GET', `/sets/${'y'.repeat(5000)}`, here, 414],
])('%s', (_, method, path, headers, status) => {
  expect(ask(method, `http://127.0.0.1:4000${path}`, headers)).toBe(status);
});

test('other names where they are named', () => {
  vi.stubEnv('ARBEIT_HOSTS', 'huts.example:4000, other.example');
  expect(ask('GET', 'http://huts.example:4000/', { host: 'Huts.example:4000' })).toBeUndefined();
  expect(ask('GET', 'http://huts.example/', { host: 'huts.example' })).toBe(403);
});
