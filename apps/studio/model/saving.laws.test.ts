import type { SetDocument } from '@arbeit/engine/document';
import fc from 'fast-check';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { decide, digest, digestOf, type Logged, propose, type Save } from '../store/saving.ts';
import { change, pageOn, type Sent, unknownIn } from './page.fixture.ts';
import type { Answer, Changes, Theirs } from './saver.ts';

/**
 * Any interleaving of the saves of pages, repeats, losses and delays ends in the same document on all of them
 * and in the store, or in a conflict that is told and loses nothing. The store decides by the very function
 * the real one has; requests and answers go through a net that does with them what it likes.
 */

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

const first = {
  arbeit: 2,
  title: 'T',
  fields: [1, 2, 3].map((i) => ({ id: `f${i}`, kind: 'text', label: `L${i}`, hint: 'h', entry: {} })),
} as unknown as SetDocument;

/** A document is sound while nothing in it is called bad. */
const isSound = (document: unknown): boolean => !JSON.stringify(document).includes('bad');

/** A store in memory. */
function createServer() {
  let document = first;
  let revision = 1;
  const log: Logged[] = [];
  const pages = new Map<string, { counter: number; digest: string }>();
  /** What of a save was not as its page knew it: it would be overwritten without a word. */
  const unknown: string[] = [];
  const theirs = (): Theirs => ({ generation: 'g', revision, document });
  const since = (base: number): Logged[] => log.filter((one) => one.revision > base);
  return {
    document: () => document,
    unknown,
    save(save: Save): Answer {
      const known = { document, last: pages.get(save.page), since: save.base > revision ? undefined : since(save.base) };
      const others = since(save.base).filter(({ page }) => page !== save.page);
      const proposed = propose(known, save);
      const read = (document: SetDocument) => isSound(document) ? { ok: true, document } as const : { ok: false, faults: [{ path: '$', code: 'bad', message: 'bad' }] } as const;
      const decision = proposed.is === 'proposed' ? decide(proposed, read(proposed.document)) : proposed;
      if (decision.is === 'refused' && decision.because === 'faults') return { ok: false, why: 'bad', faults: decision.faults ?? [] };
      if (decision.is === 'refused') return { ok: false, theirs: theirs(), kept: 1 };
      if (decision.is === 'taken') {
        unknown.push(...unknownIn(document, save.operations));
        document = decision.document;
        revision++;
        log.push({ revision, page: save.page, operations: save.operations });
        pages.set(save.page, { counter: save.counter, digest: digestOf(save) });
      }
      return { ok: true, revision, theirs: others.flatMap(({ operations }) => operations), digest: digest(JSON.stringify(document)) };
    },
    changesSince: (base: number | undefined): Changes =>
      base === undefined
        ? { whole: theirs() }
        : { revision, theirs: since(base).flatMap(({ operations }) => operations), digest: digest(JSON.stringify(document)) },
  };
} // biome-ignore format: what a store answers, a line each

/** An edit that makes the document faulty: nobody takes it. */
const spoil = (document: SetDocument): SetDocument => ({ ...document, title: 'bad' });

const step = fc.record({
  page: fc.nat(1),
  does: fc.constantFrom('edit', 'edit', 'edit', 'wait', 'deliver', 'deliver', 'lose', 'late', 'twice', 'mute', 'choose', 'look'),
  what: fc.nat(6),
  where: fc.nat(3),
  isMine: fc.boolean(),
}); // biome-ignore format: a list

async function play(steps: readonly (typeof step extends fc.Arbitrary<infer S> ? S : never)[]) {
  const server = createServer();
  const net: Sent[] = [];
  const pages = ['a', 'b'].map((page) =>
    pageOn(
      { generation: 'g', revision: 1, document: first },
      { page, net, changesSince: async (base) => server.changesSince(base) },
    ),
  );
  const settle = () => vi.advanceTimersByTimeAsync(0);
  for (const { page, does, what, where, isMine } of steps) {
    const own = pages[page]!;
    const [sent] = net.splice(where % Math.max(1, net.length), 1);
    const back = (): void => void (sent && net.push(sent));
    if (does === 'edit') own.edit(what === 6 ? spoil : change(what, where));
    else if (does === 'wait') await vi.advanceTimersByTimeAsync(2500);
    else if (does === 'choose') own.choose(isMine);
    else if (does === 'look') void own.saver.catchUp();
    if (!['deliver', 'lose', 'late', 'twice', 'mute'].includes(does)) back();
    else if (sent && does === 'deliver') sent.resolve(server.save(sent.save));
    else if (sent && does === 'lose') sent.reject(new Error('lost'));
    else if (sent && does === 'mute') {
      server.save(sent.save);
      sent.reject(new Error('no answer'));
    } else if (sent && does === 'twice') {
      sent.resolve(server.save(sent.save));
      back();
    } else if (sent) {
      // It is given up, and arrives all the same, whenever that is.
      sent.reject(new Error('too late'));
      back();
    }
    await settle();
  }
  // From now on the net does what it should, but for what it has of before: that comes at the very end.
  const late = net.splice(0);
  for (const sent of late) sent.reject(new Error('given up'));
  const end = async (): Promise<void> => {
    for (let round = 0; round < 60; round++) {
      for (const page of pages) {
        page.choose(true);
        if (!isSound(page.shown())) page.edit(mended);
      }
      await vi.advanceTimersByTimeAsync(31_000);
      for (const sent of net.splice(0)) sent.resolve(server.save(sent.save));
      await settle();
      for (const page of pages) void page.saver.catchUp();
      await settle();
      if (net.length === 0 && pages.every(({ saver }) => !saver.isUnsaved())) return;
    }
  };
  await end();
  pages[0]!.edit(change(1, 0));
  await end();
  const before = server.document();
  for (const sent of late) server.save(sent.save);
  expect(server.document()).toBe(before);
  return { server, pages };
}

const mended = (document: SetDocument): SetDocument =>
  JSON.parse(JSON.stringify(document).replaceAll('bad', 'good')) as SetDocument;

test('two pages, and a net that loses, delays and repeats', async () => {
  const seen = { refusals: 0, joins: 0 };
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 5, maxLength: 60 }), async (steps) => {
      const { server, pages } = await play(steps);
      for (const page of pages) {
        expect(page.state().is).toBe('saved');
        expect(JSON.stringify(page.shown())).toBe(JSON.stringify(server.document()));
        expect(page.overwritten).toEqual([]);
        const { refusals, joins } = page.counts();
        seen.refusals += refusals;
        seen.joins += joins;
      }
      expect(server.unknown).toEqual([]);
    }),
    { numRuns: Number(process.env.ARBEIT_RUNS ?? 600) },
  );
  // Of both enough to have meant something.
  expect(Math.min(seen.refusals, seen.joins), JSON.stringify(seen)).toBeGreaterThan(50);
});
