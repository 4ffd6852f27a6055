import type { CodeInput } from '@arbeit/engine/rules';
import { expect, test, vi } from 'vitest';
import { answerTo, type Call, createRunner, type Reply } from './runner.ts';

const input: CodeInput = { value: '1', raw: '1', values: {}, today: '' };

test('where no thread can be started every call says so', async () => {
  const { check, settled } = createRunner((_, onFailure) => {
    setTimeout(onFailure);
    return { post: () => undefined, end: () => undefined };
  });
  check('a', input);
  check('b', input);
  await settled();
  expect(check('a', input)).toEqual({ broken: expect.stringContaining('could not be started') });
  expect(check('b', input)).toEqual({ broken: expect.stringContaining('could not be started') });
});

test('a call that does not come back is not decided: its thread is ended, and a late word of it says nothing', () => {
  vi.useFakeTimers();
  const posts: number[] = [];
  const replies: ((reply: Reply) => void)[] = [];
  let ended = 0;
  const { check } = createRunner((onReply) => {
    replies.push(onReply);
    return { post: ({ id }) => void posts.push(id), end: () => void ended++ };
  });
  check('a', input);
  check('b', input);
  expect(posts).toEqual([]);
  replies[0]!({ ready: true });
  expect(posts).toEqual([1]);
  // A machine that is busy with something else says nothing of a check.
  vi.advanceTimersByTime(4000);
  expect([check('a', input), ended]).toEqual([undefined, 0]);
  vi.advanceTimersByTime(2000);
  expect([check('a', input), ended]).toEqual([{ undecided: expect.stringContaining('Not decided') }, 1]);
  replies[0]!({ id: 1, outcome: { answer: undefined } });
  expect(check('a', input)).toHaveProperty('undecided');
  replies[1]!({ ready: true });
  expect(posts).toEqual([1, 2]);
  replies[1]!({ id: 2, outcome: { answer: { code: 'x' } } });
  expect(check('b', input)).toEqual({ answer: { code: 'x' } });
  vi.useRealTimers();
});

test('no session waits for the calls of another while a thread is free; each waits for its own alone', async () => {
  vi.useFakeTimers();
  const calls: Call[] = [];
  const replies: ((reply: Reply) => void)[] = [];
  const runner = createRunner((onReply) => {
    replies.push(onReply);
    return { post: (call) => void calls.push(call), end: () => undefined };
  }, 3);
  // Threads tell that they are ready after they were started.
  const ready = () => {
    for (const reply of replies) reply({ ready: true });
  };
  const [many, one] = [runner.session(), runner.session()];
  for (let i = 0; i < 12; i++) many.check(`hangs ${i}`, input);
  ready();
  // Two of the three threads.
  expect(calls.map(({ code }) => code)).toEqual(['hangs 0', 'hangs 1']);
  one.check('good', input);
  ready();
  expect(calls.at(-1)?.code).toBe('good');
  const settled = vi.fn();
  const [first, second] = [one.settled().then(settled), many.settled()];
  for (const reply of replies) reply({ id: calls.at(-1)!.id, outcome: { answer: undefined } });
  await first;
  expect(settled).toHaveBeenCalledOnce();
  expect(one.check('good', input)).toEqual({ answer: undefined });
  for (let i = 0; i < 12; i++) {
    vi.advanceTimersByTime(6000);
    ready();
  }
  await second;
  expect(many.check('hangs 11', input)).toHaveProperty('undecided');
  vi.useRealTimers();
});

test('sets take turns, then the clients of a set, however many sessions each has', () => {
  const calls: Call[] = [];
  const replies: ((reply: Reply) => void)[] = [];
  const runner = createRunner((onReply) => {
    replies.push(onReply);
    return { post: (call) => void calls.push(call), end: () => undefined };
  }, 1);
  const ask = (set: string, client: string, code: string) =>
    runner.session({ set, client }).check(code, input);
  for (let i = 0; i < 20; i++) ask('a', 'busy', `busy ${i}`);
  ask('a', 'quiet', 'quiet');
  ask('b', 'busy', 'other set');
  expect(runner.waiting()).toBe(22);
  replies[0]!({ ready: true });
  for (let i = 0; i < 5; i++) replies[0]!({ id: calls.at(-1)!.id, outcome: { answer: undefined } });
  expect(calls.slice(0, 6).map(({ code }) => code)).toEqual(['busy 0', 'other set', 'quiet', 'busy 1', 'busy 2', 'busy 3']); // biome-ignore format: a row
  // A set that asks again comes before one that had the last turn.
  ask('b', 'busy', 'other set again');
  replies[0]!({ id: calls.at(-1)!.id, outcome: { answer: undefined } });
  expect(calls.at(-1)?.code).toBe('other set again');
});

test('one set leaves a thread to the others, however many sessions it has', () => {
  const calls: Call[] = [];
  const replies: ((reply: Reply) => void)[] = [];
  const runner = createRunner((onReply) => {
    replies.push(onReply);
    return { post: (call) => void calls.push(call), end: () => undefined };
  }, 3);
  const ready = () => {
    for (const reply of replies) reply({ ready: true });
  };
  for (let i = 0; i < 5; i++) runner.session({ set: 'a', client: `${i}` }).check(`a ${i}`, input);
  ready();
  expect(calls.map(({ code }) => code)).toEqual(['a 0', 'a 1']);
  runner.session({ set: 'b', client: '0' }).check('b', input);
  ready();
  expect(calls.map(({ code }) => code)).toEqual(['a 0', 'a 1', 'b']);
});

test('what is remembered is bounded by what it takes, not by how many', () => {
  const { runner, calls, reply } = byHand();
  const long = 'x'.repeat(100_000);
  for (let i = 0; i < 60; i++) {
    runner.check('a', { ...input, value: String(i) });
    if (i === 0) reply({ ready: true });
    reply({ id: calls.at(-1)!.id, outcome: { broken: long } });
  }
  const known = Array.from({ length: 60 }, (_, i) => runner.check('a', { ...input, value: String(59 - i) }));
  const kept = known.indexOf(undefined);
  expect(kept).toBeGreaterThan(5);
  expect(kept).toBeLessThanOrEqual(20);
});

/** A runner whose thread answers when the test says so. */
function byHand() {
  let reply: (reply: Reply) => void = () => undefined;
  const calls: Call[] = [];
  const runner = createRunner((onReply) => {
    reply = onReply;
    return { post: (call) => void calls.push(call), end: () => undefined };
  });
  const asked = () => calls.map((call) => ('content' in call ? call.content : 'check'));
  return { runner, asked, calls, reply: (said: Reply) => reply(said) };
}

test('what is shown goes before what is only wanted ahead, which nobody is told of', () => {
  const { runner, asked, calls, reply } = byHand();
  const told = vi.fn();
  runner.subscribe(told);
  runner.ahead('a', ['12', '13']);
  runner.shape('a', '1');
  reply({ ready: true });
  reply({ id: calls.at(-1)!.id, outcome: { shown: '1.' } });
  expect(asked()).toEqual(['1', '12']);
  expect(told).toHaveBeenCalledTimes(1);
  // Another key was typed: what was wanted ahead of it is not wanted any more, but for what is on its way.
  runner.ahead('a', ['122', '12']);
  reply({ id: calls.at(-1)!.id, outcome: { shown: '12.' } });
  expect(asked()).toEqual(['1', '12', '122']);
  reply({ id: calls.at(-1)!.id, outcome: { shown: '122.' } });
  expect(told).toHaveBeenCalledTimes(1);
  expect(runner.shape('a', '12')).toEqual({ shown: '12.' });
  expect(asked()).toHaveLength(3);
});

test('code that never comes back is called twice, and no more', () => {
  vi.useFakeTimers();
  const { runner, asked, reply } = byHand();
  for (const content of ['1', '2']) {
    runner.shape('a', content);
    reply({ ready: true });
    vi.advanceTimersByTime(6000);
    expect(runner.shape('a', content)).toHaveProperty('broken');
  }
  const { length } = asked();
  expect(runner.shape('a', '4')).toHaveProperty('broken');
  expect(asked()).toHaveLength(length);
  // Mended it is another one.
  expect(runner.shape('b', '4')).toBeUndefined();
  expect(asked()).toHaveLength(length);
  reply({ ready: true });
  expect(asked()).toHaveLength(length + 1);
  vi.useRealTimers();
});

test('a thread answers what it is asked: a check or a shape', () => {
  const sandbox = { check: () => ({ answer: 1 }), shape: () => ({ shown: 's' }) };
  expect(answerTo({ id: 1, code: 'a', input }, sandbox)).toEqual({ id: 1, outcome: { answer: 1 } });
  expect(answerTo({ id: 2, code: 'a', content: '' }, sandbox)).toEqual({ id: 2, outcome: { shown: 's' } });
});
