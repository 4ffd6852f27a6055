import { afterEach, expect, test, vi } from 'vitest';
import { changesOf, sendTo } from './send-save.ts';

afterEach(() => vi.unstubAllGlobals());

const save = { generation: 'g', page: 'p', counter: 1, base: 6, operations: [] };
const answering = (status: number, body: string): void =>
  void vi.stubGlobal('fetch', async () => new Response(body, { status }));

test.each([
  ['{"revision": 7', false],
  ['{}', false],
  ['null', false],
  ['{"revision": 7}', false],
  ['{"revision": 7, "theirs": []}', false],
  ['{"revision": 7, "digest": "x"}', false],
  ['{"revision": 7, "theirs": [], "digest": "x"}', true],
])('an answer that arrived as %s acknowledges: %s', async (body, isOne) => {
  answering(200, body);
  expect(await sendTo('s_1')(save, false)).toMatchObject(
    isOne ? { ok: true, revision: 7 } : { ok: false, faults: [] },
  );
});

const theirs = '"generation":"g","revision":5,"document":{}';
test.each([
  ['nothing', ''],
  ['a page of a gateway', '<html>Conflict</html>'],
  ['JSON of somebody else', '{"error":"conflict"}'],
  ['half of it', '{"theirs":{"revision":5},"kept":1}'],
  ['no generation', '{"theirs":{"revision":5,"document":{}},"kept":1}'],
  ['no revision', '{"theirs":{"generation":"g","document":{}},"kept":1}'],
  ['no document', '{"theirs":{"generation":"g","revision":5},"kept":1}'],
  ['no number of what is kept', `{"theirs":{${theirs}}}`],
  ['null', 'null'],
])('409 with %s is a failure and no conflict: it is tried again', async (_, body) => {
  answering(409, body);
  const answer = await sendTo('s_1')(save, false);
  expect(answer).toMatchObject({ ok: false, why: expect.any(String), faults: [] });
  expect(answer).not.toHaveProperty('theirs');
});

test.each(['1', 'null'])('409 with all of it, kept under %s, is a conflict', async (kept) => {
  answering(409, `{"theirs":{${theirs}},"kept":${kept}}`);
  expect(await sendTo('s_1')(save, false)).toMatchObject({ ok: false, theirs: { revision: 5 } });
});

test.each([
  [404, '{}', undefined],
  [200, 'half', undefined],
  [200, '{"revision":4,"theirs":[],"digest":"x"}', { revision: 4, theirs: [], digest: 'x' }],
  [200, `{"whole":{${theirs}}}`, { whole: { generation: 'g', revision: 5, document: {} } }],
])('what others did, answered with %i and %s', async (status, body, found) => {
  answering(status, body);
  expect(await changesOf('s_1')(3, 'g')).toEqual(found);
});
