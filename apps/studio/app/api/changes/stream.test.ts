import { expect, test, vi } from 'vitest';
import { changeStream, type SetChange } from './stream.ts';

const at = (revision: number): SetChange => ({ key: 's_1', generation: 'g', revision });

function streamed(now: () => Promise<readonly SetChange[]> = async () => [at(1)]) {
  const listeners = new Set<(change: SetChange) => void>();
  const ending = new AbortController();
  const ended = vi.fn();
  const stream = changeStream({
    follow: (listener) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    now,
    signals: [ending.signal],
    ended,
  });
  const reader = stream.getReader();
  const read = async (): Promise<string | undefined> => {
    const { value } = await reader.read();
    return value && new TextDecoder().decode(value);
  };
  return { listeners, ending, ended, reader, read, tell: (change: SetChange) => [...listeners].map((one) => one(change)) };
} // biome-ignore format: a helper a line

test('first how long to wait, then what holds now, then each change', async () => {
  const { read, tell } = streamed();
  expect(await read()).toMatch(/^retry: \d+\n\n$/);
  expect(await read()).toBe('data: s_1 g 1\n\n');
  tell(at(2));
  tell(at(3));
  expect([await read(), await read()]).toEqual(['data: s_1 g 2\n\n', 'data: s_1 g 3\n\n']);
});

test.each([
  ['the browser goes', ({ reader }: ReturnType<typeof streamed>) => reader.cancel()],
  ['the process is asked to end', ({ ending }: ReturnType<typeof streamed>) => ending.abort()],
])('where %s, nobody is followed any more', async (_, go) => {
  const one = streamed();
  await one.read();
  expect(one.listeners.size).toBe(1);
  await go(one);
  expect([one.listeners.size, one.ended.mock.calls.length]).toEqual([0, 1]);
  while (await one.read());
  one.ending.abort();
  expect(one.ended).toHaveBeenCalledTimes(1);
});

test('a reader who takes nothing is let go of, and a store that does not answer ends it', async () => {
  const one = streamed();
  for (let i = 0; i < 400; i++) one.tell(at(i));
  expect([one.listeners.size, one.ended.mock.calls.length]).toEqual([0, 1]);
  const other = streamed(() => Promise.reject(new Error('gone')));
  while (await other.read());
  expect(other.ended).toHaveBeenCalledTimes(1);
});
