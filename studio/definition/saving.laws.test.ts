import type { SetDocument } from '@arbeit/engine/document';
import fc from 'fast-check';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { carriedOut, type Json, type Operation } from '../store/operations.ts';
import { decide, digest, digestOf, type Logged, type Save } from '../store/saving.ts';
import { type Answer, type Changes, createSaver, type SaveState, type Theirs } from './saver.ts';

/**
 * Any interleaving of the saves of pages, repeats, losses and delays ends in the same document on all of them and in the store, or in a conflict that is told
 * and loses nothing. The store decides by the very function the real one has; requests and answers go through a net that does with them what it likes.
 */

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

const json = (document: unknown): Json => document as Json;
const first = {
  arbeit: 1,
  title: 'T',
  fields: [1, 2, 3].map((i) => ({ id: `f${i}`, label: `L${i}`, hint: 'h' })),
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
  const look = ({ operations, page }: Save): void => {
    let now = json(document);
    for (const operation of operations) {
      if (operation.do === 'set' && operation.before !== undefined) {
        const back = { do: 'set', at: operation.at, value: operation.before } as Operation;
        const same = carriedOut(now, [back]);
        const isThere = JSON.stringify(same) === JSON.stringify(now);
        const isDone = JSON.stringify(carriedOut(now, [operation])) === JSON.stringify(now);
        if (!isThere && !isDone) unknown.push(`${page}: ${JSON.stringify(operation)}`);
      }
      now = carriedOut(now, [operation])!;
    }
  };
  const theirs = (): Theirs => ({ generation: 'g', revision, document });
  const since = (base: number): Logged[] => log.filter((one) => one.revision > base);
  return {
    document: () => document,
    unknown,
    save(save: Save): Answer {
      const known = { revision, document, last: pages.get(save.page), since: save.base > revision ? undefined : since(save.base) };
      const others = since(save.base).filter(({ page }) => page !== save.page);
      const decision = decide(known, save, (read) => isSound(read) ? { ok: true, document: read as SetDocument } : { ok: false, faults: [{ path: '$', message: 'bad' }] });
      if (decision.is === 'refused' && decision.because === 'faults') return { ok: false, why: 'bad', faults: decision.faults ?? [] };
      if (decision.is === 'refused') return { ok: false, theirs: theirs(), kept: 1 };
      if (decision.is === 'taken') {
        look(save);
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

/** A request on its way, and who waits for it. */
interface Sent {
  readonly save: Save;
  readonly resolve: (answer: Answer) => void;
  readonly reject: (why: Error) => void;
}

/** What others have set and a page that heard of it does not show: its next save would undo it, and nobody was asked. */
function hiddenBy(
  document: SetDocument,
  theirs: (document: SetDocument) => SetDocument | undefined,
): string[] {
  const again = theirs(document) as unknown as Loose | undefined;
  if (!again) return [];
  const now = document as unknown as Loose;
  const labels = ({ fields }: Loose) => fields.map(({ id, label, hint }) => [id, label, hint].join()).sort();
  // Where a field stands may be another place when it is moved once more.
  return again.title === now.title && labels(again).join() === labels(now).join()
    ? []
    : [JSON.stringify(now)];
}

function createPage(name: string, server: ReturnType<typeof createServer>, net: Sent[]) {
  let shown = first;
  let state: SaveState = { is: 'saved' };
  const overwritten: string[] = [];
  const saver = createSaver(
    { generation: 'g', revision: 1, document: first },
    {
      page: name,
      send: (save) => new Promise((resolve, reject) => net.push({ save: structuredClone(save), resolve, reject })),
      changesSince: async (base) => server.changesSince(base),
      tell: (now) => {
        state = now;
      },
      joined: (document, toAnother) => {
        shown = document;
        overwritten.push(...hiddenBy(document, toAnother));
      },
    },
  );
  return {
    saver,
    overwritten,
    shown: () => shown,
    state: () => state,
    edit(change: (document: SetDocument) => SetDocument): void {
      shown = change(shown);
      saver.want(shown);
    },
    /** Somebody has chosen. */
    choose(isMine: boolean): void {
      if (state.is !== 'refused') return;
      const { theirs } = state;
      saver.goOnFrom(theirs);
      if (isMine) saver.want(shown);
      else shown = theirs.document;
    },
  };
} // biome-ignore format: a request on a line

type Loose = { title: string; fields: { id: string; label: string; hint?: string }[] };
let edits = 0;
/** An edit of one member, unlike any before it. */
function change(what: number, where: number): (document: SetDocument) => SetDocument {
  const mark = `e${edits++}`;
  return (document) => {
    const next = structuredClone(document) as unknown as Loose;
    const at = where % Math.max(1, next.fields.length);
    const field = next.fields[at];
    if (what === 0 || !field) next.title = mark;
    else if (what === 1) field.label = mark;
    else if (what === 2) field.hint = mark;
    else if (what === 6) field.label = `bad ${mark}`;
    else if (what === 3) next.fields.splice(at, 1);
    else if (what === 4) next.fields.splice(at, 0, { id: mark, label: mark });
    else next.fields.unshift(...next.fields.splice(at, 1));
    return next as unknown as SetDocument;
  };
}

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
  const pages = ['a', 'b'].map((name) => createPage(name, server, net));
  const settle = () => vi.advanceTimersByTimeAsync(0);
  for (const { page, does, what, where, isMine } of steps) {
    const own = pages[page]!;
    const [sent] = net.splice(where % Math.max(1, net.length), 1);
    const back = (): void => void (sent && net.push(sent));
    if (does === 'edit') own.edit(change(what, where));
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
  let conflicts = 0;
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 5, maxLength: 60 }), async (steps) => {
      const { server, pages } = await play(steps);
      for (const page of pages) {
        expect(page.state().is).toBe('saved');
        expect(JSON.stringify(page.shown())).toBe(JSON.stringify(server.document()));
        expect(page.overwritten).toEqual([]);
      }
      expect(server.unknown).toEqual([]);
      if (steps.some(({ does }) => does === 'choose')) conflicts++;
    }),
    { numRuns: Number(process.env.ARBEIT_RUNS ?? 600) },
  );
  expect(conflicts).toBeGreaterThan(20);
});
