import { fileURLToPath } from 'node:url';
import type { CodeInput } from '@arbeit/engine/rules';
import { afterAll, beforeAll, expect, test, vi } from 'vitest';
import { runnerOnServer } from './on-server.ts';
import { createRunner, type Reply } from './runner.ts';

const input: CodeInput = { value: '1', raw: '1', values: {}, today: '' };

beforeAll(() => {
  process.env.ARBEIT_STUDIO = fileURLToPath(new URL('..', import.meta.url));
});
afterAll(() => runnerOnServer().end());

test('in a thread of its own: unknown at first, told when it is known, and known from then on', async () => {
  const { run, settled, subscribe } = runnerOnServer();
  const told = vi.fn();
  const stop = subscribe(told);
  const code = 'export default ({ value }) => ({ facts: { value } })';
  expect(run(code, input)).toBeUndefined();
  await settled();
  expect(told).toHaveBeenCalledOnce();
  expect(run(code, input)).toEqual({ answer: { facts: { value: '1' } } });
  stop();
});

test.each([
  '[].indexOf.call({ length: 2 ** 53 - 1 }, 1)',
  'new Array(4e9).lastIndexOf(1)',
  'Array.from({ length: 2 ** 40 })',
  'new Array(1e8).fill("x").join("y")',
  '"x".padEnd(2 ** 29, "yz").replaceAll("z", "zz")',
  'new Array(2 ** 31).toString()',
])(
  'what the engine itself is busy with is ended with its thread: %s',
  async (busy) => {
    const { run, settled } = runnerOnServer();
    const code = `export default () => { ${busy}; }`;
    run(code, input);
    const good = 'export default () => ({ code: "good" })';
    run(good, input);
    await settled();
    expect(run(code, input)).toHaveProperty('broken');
    // The next one has a thread again.
    expect(run(good, input)).toEqual({ answer: { code: 'good' } });
  },
  30_000,
);

test('where no thread can be started every call says so', async () => {
  const { run, settled } = createRunner((_, onFailure) => {
    setTimeout(onFailure);
    return { post: () => undefined, end: () => undefined };
  });
  run('a', input);
  run('b', input);
  await settled();
  expect(run('a', input)).toEqual({ broken: expect.stringContaining('could not be started') });
  expect(run('b', input)).toEqual({ broken: expect.stringContaining('could not be started') });
});

test('one call at a time; a late reply of a thread that was ended says nothing', async () => {
  vi.useFakeTimers();
  const posts: number[] = [];
  let reply: (reply: Reply) => void = () => undefined;
  const { run } = createRunner((onReply) => {
    reply = onReply;
    return { post: ({ id }) => void posts.push(id), end: () => undefined };
  });
  run('a', input);
  run('b', input);
  expect(posts).toEqual([]);
  reply({ ready: true });
  expect(posts).toEqual([1]);
  const late = reply;
  // It has a second try, in a thread of its own and with more time; what the first one says by then is past.
  vi.advanceTimersByTime(600);
  expect(run('a', input)).toBeUndefined();
  late({ id: 1, outcome: { answer: undefined } });
  expect(run('a', input)).toBeUndefined();
  reply({ ready: true });
  expect(posts).toEqual([1, 2]);
  vi.advanceTimersByTime(600);
  expect(run('a', input)).toBeUndefined();
  vi.advanceTimersByTime(1000);
  expect(run('a', input)).toHaveProperty('broken');
  reply({ ready: true });
  expect(posts).toEqual([1, 2, 3]);
  reply({ id: 3, outcome: { answer: { code: 'x' } } });
  expect(run('b', input)).toEqual({ answer: { code: 'x' } });
  vi.useRealTimers();
});

test('a call that only the machine held up comes to what it comes to, at its second try', () => {
  vi.useFakeTimers();
  let reply: (reply: Reply) => void = () => undefined;
  const ids: number[] = [];
  const { run } = createRunner((onReply) => {
    reply = onReply;
    return { post: ({ id }) => void ids.push(id), end: () => undefined };
  });
  run('a', input);
  reply({ ready: true });
  vi.advanceTimersByTime(600);
  reply({ ready: true });
  vi.advanceTimersByTime(1200);
  reply({ id: ids.at(-1)!, outcome: { answer: { code: 'x' } } });
  expect(run('a', input)).toEqual({ answer: { code: 'x' } });
  vi.useRealTimers();
});
