import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { readDocument } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { readOnServer } from './read-on-server.ts';

const studio = fileURLToPath(new URL('..', import.meta.url));

/** A document of half a megabyte and more. */
const large = (more: object = {}): unknown => ({
  arbeit: 2,
  title: 'Large',
  locale: 'en-GB',
  fields: Array.from({ length: 3000 }, (_, i) => ({ id: `f${i}`, kind: 'text', label: `L${i}`, hint: 'x'.repeat(150) })),
  ...more,
}); // biome-ignore format: a document

/** Threads that are ready are of another test. */
const anew = (): void => void delete (globalThis as { arbeitReading?: unknown }).arbeitReading;
beforeEach(() => {
  // The time limit is reached only where a test says so, however slow the machine is.
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
  anew();
  vi.stubEnv('ARBEIT_STUDIO', studio);
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllEnvs();
});

/** A studio whose thread does something else than to read. */
function threadThat(does: string): void {
  anew();
  const place = mkdtempSync(join(tmpdir(), 'arbeit-reading-'));
  mkdirSync(join(place, 'store'));
  writeFileSync(join(place, 'store', 'reading-thread.mjs'), does);
  vi.stubEnv('ARBEIT_STUDIO', place);
}
const parent = "import { parentPort } from 'node:worker_threads';\n";

test.each([
  ['sound', large()],
  ['of which one field is wrong', large({ title: '', locale: 7 })],
  ['of which the fields are something else', large({ fields: { text: 'x'.repeat(300_000) } })],
  ['that is a list', Array.from({ length: 300_000 }, () => 1)],
])('a large document %s is read apart as it would be here', async (_, document) => {
  const here = readDocument(structuredClone(document), kinds);
  let turns = 0;
  const turn = setInterval(() => turns++, 1);
  const read = await readOnServer(document);
  clearInterval(turn);
  expect(read).toEqual(here);
  expect(turns).toBeGreaterThan(0);
});

test('of a document that was read apart the fields are not read again; a small one is read here', async () => {
  const document = large() as { fields: object[] };
  const read = await readOnServer(document);
  threadThat(`${parent}parentPort.on('message', () => parentPort.postMessage([{ path: '$', message: 'apart' }]))`);
  const [first, ...others] = (read as unknown as { document: { fields: object[] } }).document.fields;
  const changed = { ...document, fields: [{ ...first, hint: 'new' }, ...others] };
  expect((await readOnServer(changed)).ok).toBe(true);
  // With other classes of characters the fields mean something else.
  const classes = { wing: 'NESW' };
  expect(await readOnServer({ ...changed, classes })).toMatchObject({ faults: [{ message: 'apart' }] });
}); // biome-ignore format: a thread a line

test('one that takes too long is a fault of the document; others are read meanwhile, and after it', async () => {
  threadThat(`${parent}parentPort.on('message', (text) => { while (text.includes('forever')); parentPort.postMessage([]); });`);
  const long = readOnServer(large({ title: 'forever' }));
  expect(await readOnServer(large())).toMatchObject({ ok: true });
  vi.advanceTimersByTime(8_000);
  expect(await long).toMatchObject({ faults: [{ path: '$', message: expect.stringMatching(/longer than 8 seconds\. Split/) }] });
  expect(await readOnServer(large())).toMatchObject({ ok: true });
}); // biome-ignore format: a thread a line

test('one that takes all the memory there is for it is a fault of the document', async () => {
  threadThat(`${parent}parentPort.on('message', () => { for (const all = []; ; ) all.push(Array(1e5).fill({})); });`);
  expect(await readOnServer(large())).toMatchObject({ faults: [{ message: expect.stringMatching(/too much memory/) }] });
}); // biome-ignore format: a thread a line

test('a thread that cannot be started is no fault of the document, and where too many wait somebody is told', async () => {
  threadThat('throw new Error("no thread")');
  await expect(readOnServer(large())).rejects.toThrow('no thread');
  threadThat('setInterval(() => undefined, 1000)');
  const document = large();
  for (let i = 0; i < 22; i++) void readOnServer(document);
  await expect(readOnServer(document)).rejects.toMatchObject({ name: 'StoreError' });
});
