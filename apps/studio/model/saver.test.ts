import type { SetDocument } from '@arbeit/engine/document';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { carriedOut, type Json, type Operation } from '../store/operations.ts';
import { digest, type Save } from '../store/saving.ts';
import { type Answer, type Changes, createSaver, type SaveState, type Theirs } from './saver.ts';

const titled = (title: string): SetDocument => ({ arbeit: 2, title, locale: 'en-GB', fields: [] });
const theirs: Theirs = { generation: 'g', revision: 5, document: titled('theirs') };

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

/** What a server that takes a save answers. */
function taken({ base, operations }: Save, document: SetDocument, others: readonly Operation[] = []): Answer {
  const now = carriedOut(carriedOut(document as unknown as Json, others)!, operations);
  return { ok: true, revision: base + 1, theirs: others, digest: digest(JSON.stringify(now)) };
}

/** What the title becomes by a save. */
const titleIn = ({ operations }: Save): unknown =>
  operations.map((one) => (one.do === 'set' ? one.value : one.do)).join();

type Given = 'taken' | Answer | Error | ((save: Save, document: SetDocument) => Answer);

function scene(answers: Given[], changes?: Changes) {
  const sent: [base: number, counter: number, title: unknown][] = [];
  const states: SaveState[] = [];
  const joined: SetDocument[] = [];
  let document = titled('');
  const saver = createSaver(
    { generation: 'g', revision: 1, document },
    {
      page: 'page',
      send: async (save) => {
        sent.push([save.base, save.counter, titleIn(save)]);
        const given = answers.shift()!;
        if (given instanceof Error) throw given;
        const answer =
          given === 'taken'
            ? taken(save, document)
            : typeof given === 'function'
              ? given(save, document)
              : given;
        if (answer.ok)
          document = carriedOut(document as unknown as Json, save.operations) as unknown as SetDocument;
        return answer;
      },
      changesSince: async () => changes,
      tell: (state) => void states.push(state),
      joined: (now) => void joined.push(now),
    },
  );
  return { saver, sent, states, joined, goOn: () => saver.goOnFrom(theirs), is: () => states.at(-1)?.is };
}

test('only the latest of several changes is sent, each save on the revision before it', async () => {
  const { saver, sent, is } = scene(['taken', 'taken']);
  saver.want(titled('a'));
  saver.want(titled('ab'));
  await vi.runAllTimersAsync();
  saver.want(titled('abc'));
  await saver.flush();
  expect(sent).toEqual([
    [1, 1, 'ab'],
    [2, 2, 'abc'],
  ]);
  expect(is()).toBe('saved');
});

test('a change that was taken back is nothing to save', async () => {
  const { saver, sent, is } = scene([]);
  saver.want(titled('a'));
  saver.want(titled(''));
  await vi.runAllTimersAsync();
  expect([sent, is(), saver.isUnsaved()]).toEqual([[], 'saved', false]);
});

test('a change during a save is sent after it, and who asked for it hears when all of it is there', async () => {
  const arrive: (() => void)[] = [];
  const sent: unknown[] = [];
  const first = titled('');
  const saver = createSaver(
    { generation: 'g', revision: 1, document: first },
    {
      page: 'page',
      send: (save) => {
        sent.push(titleIn(save));
        return new Promise((resolve) => arrive.push(() => resolve(taken(save, first))));
      },
      changesSince: async () => undefined,
      tell: () => undefined,
      joined: () => undefined,
    },
  );
  saver.want(titled('a'));
  void saver.flush();
  saver.want(titled('b'));
  let isThere = false;
  void saver.flush().then(() => {
    isThere = true;
  });
  arrive[0]!();
  await vi.advanceTimersByTimeAsync(0);
  expect([sent, isThere]).toEqual([['a', 'b'], false]);
  arrive[1]!();
  await vi.advanceTimersByTimeAsync(0);
  expect(isThere).toBe(true);
});

test('after a refusal nothing is sent until somebody chose: no change, no leaving, no other try', async () => {
  const { saver, sent, is, goOn } = scene([{ ok: false, theirs, kept: 1 }, 'taken']);
  saver.want(titled('mine'));
  await vi.runAllTimersAsync();
  saver.want(titled('mine still'));
  await saver.flush(true);
  saver.retry();
  await vi.runAllTimersAsync();
  expect([sent, is(), saver.isUnsaved()]).toEqual([[[1, 1, 'mine']], 'refused', true]);
  goOn();
  saver.want(titled('mine still'));
  await saver.flush();
  expect(sent.at(-1)).toEqual([5, 2, 'mine still']);
});

test('going on with theirs is acknowledged as their revision: nothing of mine is left to be sent', async () => {
  const { saver, sent, is, goOn } = scene([{ ok: false, theirs, kept: 1 }]);
  saver.want(titled('mine'));
  await vi.runAllTimersAsync();
  goOn();
  await vi.runAllTimersAsync();
  expect([sent.length, is(), saver.outbox().base, saver.isUnsaved()]).toEqual([1, 'saved', 5, false]);
});

test('a save that failed is sent again as it was, longer apart each time; what came later follows it', async () => {
  const { saver, sent, is } = scene([new Error('offline'), new Error('offline'), 'taken', 'taken']);
  saver.want(titled('a'));
  await vi.advanceTimersByTimeAsync(500);
  expect([is(), saver.isUnsaved()]).toEqual(['failed', true]);
  await vi.advanceTimersByTimeAsync(2_000);
  expect(sent).toHaveLength(2);
  await vi.advanceTimersByTimeAsync(2_000);
  expect(sent).toHaveLength(2);
  saver.want(titled('ab'));
  await vi.advanceTimersByTimeAsync(5_000);
  expect(sent).toEqual([
    [1, 1, 'a'],
    [1, 1, 'a'],
    [1, 1, 'a'],
    [2, 2, 'ab'],
  ]);
  expect([is(), saver.isUnsaved()]).toEqual(['saved', false]);
});

test('a document that is at fault is not sent again until it is another, or somebody asks for it', async () => {
  const faults = [{ path: '$', code: 'no', message: 'no' }];
  const { saver, sent } = scene([
    { ok: false, why: 'faults', faults },
    { ok: false, why: 'faults', faults },
    'taken',
  ]);
  saver.want(titled('a'));
  await vi.runAllTimersAsync();
  expect(sent).toHaveLength(1);
  saver.retry();
  await vi.runAllTimersAsync();
  saver.want(titled('b'));
  await vi.runAllTimersAsync();
  expect(sent).toEqual([[1, 1, 'a'], [1, 1, 'a'], [1, 1, 'b']]); // biome-ignore format: a row
});

test('what others changed beside it comes with the answer, and is shown', async () => {
  const others: Operation[] = [{ do: 'set', at: ['locale'], before: 'en-GB', value: 'de-DE' }];
  const { saver, joined, is } = scene([(save, document) => taken(save, document, others)]);
  saver.want(titled('mine'));
  await vi.runAllTimersAsync();
  expect([is(), joined]).toEqual(['saved', [{ ...titled('mine'), locale: 'de-DE' }]]);
});

test('what others changed to the same, while more of it was changed here, is for somebody to choose', async () => {
  const others: Operation[] = [{ do: 'set', at: ['locale'], before: 'en-GB', value: 'de-DE' }];
  const { saver, joined, is } = scene([(save, document) => taken(save, document, others)]);
  saver.want(titled('mine'));
  const done = saver.flush();
  saver.want({ ...titled('mine'), locale: 'fr-FR' });
  await done;
  expect([is(), joined, saver.isUnsaved()]).toEqual(['refused', [], true]);
});

test('where what is stored is not what was to be expected, the whole of it is asked for', async () => {
  const whole = { generation: 'g', revision: 9, document: titled('really') };
  const wrong: Answer = { ok: true, revision: 2, theirs: [], digest: 'another' };
  const { saver, joined, is } = scene([wrong], { whole });
  saver.want(titled('mine'));
  await vi.runAllTimersAsync();
  expect([is(), saver.outbox().base, joined]).toEqual(['saved', 9, [titled('really')]]);
});

test('a page that changes nothing hears what others did, and says nothing of its own', async () => {
  const others: Operation[] = [{ do: 'set', at: ['title'], before: '', value: 'theirs' }];
  const found = { revision: 4, theirs: others, digest: digest(JSON.stringify(titled('theirs'))) };
  const { saver, joined, sent } = scene([], found);
  await saver.catchUp();
  await vi.runAllTimersAsync();
  expect([joined, sent, saver.outbox().base]).toEqual([[titled('theirs')], [], 4]);
});

test('a change that is known by the time it is heard of is not asked for; one of another store is', async () => {
  const others: Operation[] = [{ do: 'set', at: ['title'], before: '', value: 'theirs' }];
  const found = { revision: 4, theirs: others, digest: digest(JSON.stringify(titled('theirs'))) };
  const { saver, joined } = scene([(save) => taken(save, titled('mine'))], found);
  saver.want(titled('mine'));
  const saving = saver.flush();
  // The server tells of a save before it has answered it.
  await saver.catchUp({ generation: 'g', revision: 2 });
  await saving;
  expect([joined, saver.outbox().base]).toEqual([[], 2]);
  await saver.catchUp({ generation: 'another', revision: 0 });
  expect(saver.outbox().base).not.toBe(2);
});

test('unsaved changes are sent when a change of others arrives, so that the server keeps what it refuses', async () => {
  const refused = (): Answer => ({ ok: false, theirs, kept: 3 });
  const { saver, sent, states } = scene([refused], { whole: theirs });
  saver.want(titled('mine'));
  await saver.catchUp({ generation: 'g', revision: 5 });
  expect(sent).toEqual([[1, 1, 'mine']]);
  expect(states.at(-1)).toMatchObject({ is: 'refused', kept: 3, isRestored: false });
});

test('changes of others are merged into a document with faults, too', async () => {
  const others: Operation[] = [{ do: 'set', at: ['locale'], before: 'en-GB', value: 'de-DE' }];
  const found = { revision: 2, theirs: others, digest: digest(JSON.stringify({ ...titled(''), locale: 'de-DE' })) };
  const faults = [{ path: '$', code: 'no', message: 'no' }];
  const { saver, joined } = scene([{ ok: false, why: 'faults', faults }, { ok: false, why: 'faults', faults }], found);
  saver.want(titled('faulty'));
  await saver.flush();
  await saver.catchUp({ generation: 'g', revision: 2 });
  expect(joined).toEqual([{ ...titled('faulty'), locale: 'de-DE' }]);
}); // biome-ignore format: an answer a line

test('a refused save of a restored store is marked as such', async () => {
  const restored = { ...theirs, generation: 'another' };
  const { saver, states } = scene([{ ok: false, theirs: restored, kept: null }]);
  saver.want(titled('mine'));
  await vi.runAllTimersAsync();
  expect(states.at(-1)).toMatchObject({ is: 'refused', isRestored: true });
});

test('asked for while nothing is to be saved, it hears as well', async () => {
  const others: Operation[] = [{ do: 'set', at: ['title'], before: '', value: 'theirs' }];
  const found = { revision: 4, theirs: others, digest: digest(JSON.stringify(titled('theirs'))) };
  const { saver, joined } = scene([], found);
  saver.retry();
  await saver.catchUp();
  expect(joined).toEqual([titled('theirs')]);
});

test('what another page left unsaved is sent at once: first what it was sending, as it was', async () => {
  const { saver, sent } = scene([
    (save) => taken(save, titled('known')),
    (save) => taken(save, titled('under way')),
  ]);
  const stored = titled('known');
  const operations: Operation[] = [{ do: 'set', at: ['title'], before: 'known', value: 'under way' }];
  const underWay = {
    save: { page: 'other', counter: 3, base: 7, operations },
    document: titled('under way'),
  };
  saver.takeUp('other', { generation: 'g', counter: 3, base: 7, stored, underWay }, titled('left'));
  await vi.runAllTimersAsync();
  expect(sent).toEqual([[7, 3, 'under way'], [8, 4, 'left']]); // biome-ignore format: a row
});

test('what an older Arbeit left is for somebody to choose', async () => {
  const { saver, sent, states } = scene([]);
  saver.takeUp('', undefined, titled('left'));
  await vi.runAllTimersAsync();
  expect([sent, states.at(-1)]).toMatchObject([[], { is: 'refused', theirs: { revision: 1 }, kept: null }]);
});
