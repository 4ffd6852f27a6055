import type { SetDocument } from '@arbeit/engine/document';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { type Answer, createSaver, type SaveState, sendTo } from './saver.ts';

const titled = (title: string): SetDocument => ({ arbeit: 1, title, locale: 'en-GB', fields: [] });

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

function scene(answers: (Answer | Error)[]) {
  const sent: [number, string][] = [];
  const states: SaveState['is'][] = [];
  const saver = createSaver(
    1,
    async (base, document) => {
      sent.push([base, document.title]);
      const answer = answers.shift()!;
      if (answer instanceof Error) throw answer;
      return answer;
    },
    (state) => states.push(state.is),
  );
  return { saver, sent, states };
}

test('only the latest of several changes is sent, each save on the revision before it', async () => {
  const { saver, sent, states } = scene([
    { ok: true, revision: 2 },
    { ok: true, revision: 3 },
  ]);
  saver.want(titled('a'));
  saver.want(titled('ab'));
  await vi.runAllTimersAsync();
  saver.want(titled('abc'));
  await saver.flush();
  expect(sent).toEqual([
    [1, 'ab'],
    [2, 'abc'],
  ]);
  expect(states.at(-1)).toBe('saved');
});

test('a change during a save is sent after it', async () => {
  const { saver, sent } = scene([
    { ok: true, revision: 2 },
    { ok: true, revision: 3 },
  ]);
  saver.want(titled('a'));
  const first = saver.flush();
  saver.want(titled('b'));
  await first;
  expect(sent).toEqual([
    [1, 'a'],
    [2, 'b'],
  ]);
});

test('who asks for a save while one is under way hears when all of it is there', async () => {
  const arrive: ((answer: Answer) => void)[] = [];
  const sent: string[] = [];
  const saver = createSaver(
    1,
    (_, document) => {
      sent.push(document.title);
      return new Promise((resolve) => arrive.push(resolve));
    },
    () => undefined,
  );
  saver.want(titled('a'));
  void saver.flush();
  saver.want(titled('b'));
  let isThere = false;
  void saver.flush().then(() => {
    isThere = true;
  });
  arrive[0]!({ ok: true, revision: 2 });
  await vi.advanceTimersByTimeAsync(0);
  expect([sent, isThere]).toEqual([['a', 'b'], false]);
  arrive[1]!({ ok: true, revision: 3 });
  await vi.advanceTimersByTimeAsync(0);
  expect(isThere).toBe(true);
});

test('after a refusal nothing is sent until somebody chose', async () => {
  const theirs = { revision: 5, document: titled('theirs') };
  const { saver, sent, states } = scene([
    { ok: false, theirs, kept: 1 },
    { ok: true, revision: 6 },
  ]);
  saver.want(titled('mine'));
  await vi.runAllTimersAsync();
  saver.want(titled('mine still'));
  await vi.runAllTimersAsync();
  expect(sent).toEqual([[1, 'mine']]);
  expect(states.at(-1)).toBe('refused');
  saver.goOnFrom(5);
  saver.want(titled('mine still'));
  await saver.flush();
  expect(sent.at(-1)).toEqual([5, 'mine still']);
});

test('a save that failed is tried again by itself, longer apart each time, and nothing is lost', async () => {
  const { saver, sent, states } = scene([
    new Error('offline'),
    new Error('offline'),
    { ok: true, revision: 2 },
  ]);
  saver.want(titled('a'));
  await vi.advanceTimersByTimeAsync(500);
  expect([states.at(-1), saver.isUnsaved()]).toEqual(['failed', true]);
  await vi.advanceTimersByTimeAsync(2_000);
  expect(sent).toHaveLength(2);
  await vi.advanceTimersByTimeAsync(2_000);
  expect(sent).toHaveLength(2);
  saver.want(titled('ab'));
  await vi.advanceTimersByTimeAsync(5_000);
  expect(sent.map(([base, title]) => [base, title])).toEqual([
    [1, 'a'],
    [1, 'a'],
    [1, 'ab'],
  ]);
  expect([states.at(-1), saver.isUnsaved()]).toEqual(['saved', false]);
});

test('a document that is at fault is not sent again until it is another', async () => {
  const faults = [{ path: '$', message: 'no' }];
  const { saver, sent } = scene([
    { ok: false, why: 'faults', faults },
    { ok: true, revision: 2 },
  ]);
  saver.want(titled('a'));
  await vi.runAllTimersAsync();
  expect(sent).toHaveLength(1);
  saver.retry();
  await vi.runAllTimersAsync();
  expect(sent).toHaveLength(2);
});

test('after a refusal not even leaving, or trying again, sends anything', async () => {
  const theirs = { revision: 5, document: titled('theirs') };
  const { saver, sent } = scene([
    { ok: false, theirs, kept: 1 },
    { ok: true, revision: 6 },
  ]);
  saver.want(titled('mine'));
  await saver.flush();
  await saver.flush(true);
  saver.retry();
  await vi.runAllTimersAsync();
  expect([sent, saver.isUnsaved()]).toEqual([[[1, 'mine']], true]);
});

test('what another page left unsaved is sent at once, on the revision it was made on', async () => {
  const { saver, sent } = scene([{ ok: true, revision: 8 }]);
  saver.takeUp(7, titled('left'));
  await vi.runAllTimersAsync();
  expect([sent, saver.base()]).toEqual([[[7, 'left']], 8]);
});

test.each([
  ['{"revision": 7', undefined],
  ['{}', undefined],
  ['null', undefined],
  ['{"revision": 7}', 7],
])('an answer that arrived as %s acknowledges %s', async (body, revision) => {
  vi.stubGlobal('fetch', async () => new Response(body, { status: 200 }));
  const answer = await sendTo('huts', () => 'page')(6, {} as SetDocument, false);
  vi.unstubAllGlobals();
  expect(answer).toMatchObject(revision === undefined ? { ok: false, faults: [] } : { ok: true, revision });
});

test('going on with theirs is acknowledged as their revision: nothing of mine is left to be sent', async () => {
  const theirs = { revision: 5, document: titled('theirs') };
  const { saver, sent, states } = scene([{ ok: false, theirs, kept: 1 }]);
  saver.want(titled('mine'));
  await vi.runAllTimersAsync();
  saver.goOnFrom(5, theirs.document);
  await vi.runAllTimersAsync();
  expect([sent.length, states.at(-1), saver.base(), saver.isUnsaved()]).toEqual([1, 'saved', 5, false]);
});

test.each([
  ['nothing', ''],
  ['a page of a gateway', '<html>Conflict</html>'],
  ['JSON of somebody else', '{"error":"conflict"}'],
  ['half of it', '{"theirs":{"revision":5},"kept":1}'],
  ['null', 'null'],
])('409 with %s is a failure and no conflict: it is tried again', async (_, body) => {
  vi.stubGlobal('fetch', async () => new Response(body, { status: 409 }));
  const answer = await sendTo('set', () => 'page')(1, titled('mine'), false);
  expect(answer).toMatchObject({ ok: false, why: expect.any(String), faults: [] });
  expect(answer).not.toHaveProperty('theirs');
  vi.unstubAllGlobals();
});
