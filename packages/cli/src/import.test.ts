import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readDocumentText } from '@arbeit/handoff';
import { afterAll, expect, test } from 'vitest';
import { run } from './arbeit.ts';

const folder = mkdtempSync(join(tmpdir(), 'arbeit-import-'));
afterAll(() => rmSync(folder, { recursive: true }));
let count = 0;

async function imported(name: string, text: string, ...more: string[]) {
  const path = join(folder, name);
  writeFileSync(path, text);
  const target = join(folder, `${count++}.arbeit.json`);
  const [out, err]: [string[], string[]] = [[], []];
  const code = await run(['import', path, '--out', target, ...more], {
    out: (line) => out.push(line),
    err: (line) => err.push(line),
  });
  const read = existsSync(target) ? readDocumentText(readFileSync(target, 'utf8')) : undefined;
  if (read && !read.ok) throw new Error(JSON.stringify(read.faults));
  return { code, out: out.slice(0, -1), err, set: read?.document, path };
}

const html = `<form>
<label>Guest <input name="guest" required></label>
<label>Arrival <input name="arrival" type="date"></label>
<input type="hidden" name="token">
</form>`;

test('a page becomes a document; what was not imported is reported at its line', async () => {
  const { code, out, err, set, path } = await imported('booking.html', html, '--title', 'Bookings');
  expect(out).toEqual(['guest: text', 'arrival: date']);
  expect(err).toEqual([expect.stringContaining(`${path}:4:1: `)]);
  expect(err[0]).toMatch(/\[hidden-input\]$/);
  expect([code, set?.title, set?.fields[0]?.rules?.[0]?.check.type]).toEqual([1, 'Bookings', 'required']);
});

test('a schema and a table, by what they look like or as they are called', async () => {
  const schema = JSON.stringify({ type: 'object', properties: { nights: { type: 'integer' } } });
  expect(await imported('stay.schema.json', schema)).toMatchObject({
    code: 0,
    out: ['nights: number'],
    err: [],
  });
  const table = 'Arrival;Deposit\n14.02.2027;1.234,50 €\n28.03.2027;20,00 €\n';
  const { code, out, set } = await imported('stays.csv', table);
  expect([code, out, set?.locale]).toEqual([0, ['arrival: date', 'deposit: currency'], 'de-DE']);
  const swiss = await imported('stays.txt', table, '--format', 'table', '--locale', 'de-AT');
  expect(swiss.set?.locale).toBe('de-AT');
});

test('a cell that does not fit is reported', async () => {
  const days = Array.from({ length: 12 }, (_, i) => `2027-03-${String(i + 10)}`);
  const { code, out, err } = await imported(
    'days.csv',
    ['Arrival', ...days, 'soon', ''].join('\n'),
    '--format',
    'table',
  );
  expect([code, out]).toEqual([1, ['arrival: date']]);
  expect(err).toEqual([expect.stringMatching(/Arrival: .*row 14 .*soon \[misfit\]$/)]);
});

test.each([
  ['nothing in it', 'empty.html', '<p>Nothing</p>', [], /\[nothing-to-import\]$/],
  ['no schema', 'broken.json', '{ "properties": ', ['--format', 'schema'], /:.*\[cannot-import\]$/],
  ['a document already', 'own.json', '{ "arbeit": 2, "fields": [] }', [], /\[is-a-document\]$/],
  ['a format nobody knows', 'a.html', html, ['--format', 'xml'], /html, schema, table\. \[unknown-format\]$/],
])('nothing is written: %s', async (_, name, text, more, said) => {
  const { code, err, set } = await imported(name, text, ...more);
  expect([code, err, set]).toEqual([2, [expect.stringMatching(said)], undefined]);
});

test('a file that exists is not overwritten', async () => {
  const target = join(folder, 'kept.arbeit.json');
  writeFileSync(target, 'mine');
  const source = join(folder, 'kept.html');
  writeFileSync(source, html);
  const err: string[] = [];
  const code = await run(['import', source, '--out', target], {
    out: () => {},
    err: (line) => err.push(line),
  });
  expect([code, err, readFileSync(target, 'utf8')]).toEqual([
    2,
    [expect.stringMatching(/\[file-exists\]$/)],
    'mine',
  ]);
});
