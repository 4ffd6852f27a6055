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

test('one call at a time; a late reply of a thread that was ended says nothing', async () => {
  vi.useFakeTimers();
  const posts: number[] = [];
  let reply: (reply: Reply) => void = () => undefined;
  const { check } = createRunner((onReply) => {
    reply = onReply;
    return { post: ({ id }) => void posts.push(id), end: () => undefined };
  });
  check('a', input);
  check('b', input);
  expect(posts).toEqual([]);
  reply({ ready: true });
  expect(posts).toEqual([1]);
  const late = reply;
  // It has a second try, in a thread of its own and with more time; what the first one says by then is past.
  vi.advanceTimersByTime(600);
  expect(check('a', input)).toBeUndefined();
  late({ id: 1, outcome: { answer: undefined } });
  expect(check('a', input)).toBeUndefined();
  reply({ ready: true });
  expect(posts).toEqual([1, 2]);
  vi.advanceTimersByTime(600);
  expect(check('a', input)).toBeUndefined();
  vi.advanceTimersByTime(1000);
  expect(check('a', input)).toHaveProperty('broken');
  reply({ ready: true });
  expect(posts).toEqual([1, 2, 3]);
  reply({ id: 3, outcome: { answer: { code: 'x' } } });
  expect(check('b', input)).toEqual({ answer: { code: 'x' } });
  vi.useRealTimers();
});

test('a call that only the machine held up comes to what it comes to, at its second try', () => {
  vi.useFakeTimers();
  let reply: (reply: Reply) => void = () => undefined;
  const ids: number[] = [];
  const { check } = createRunner((onReply) => {
    reply = onReply;
    return { post: ({ id }) => void ids.push(id), end: () => undefined };
  });
  check('a', input);
  reply({ ready: true });
  vi.advanceTimersByTime(600);
  reply({ ready: true });
  vi.advanceTimersByTime(1200);
  reply({ id: ids.at(-1)!, outcome: { answer: { code: 'x' } } });
  expect(check('a', input)).toEqual({ answer: { code: 'x' } });
  vi.useRealTimers();
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

test('code that never comes back is called three times, and no more', () => {
  vi.useFakeTimers();
  const { runner, asked, reply } = byHand();
  for (const content of ['1', '2', '3']) {
    runner.shape('a', content);
    for (const patience of [600, 1600]) {
      reply({ ready: true });
      vi.advanceTimersByTime(patience);
    }
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
