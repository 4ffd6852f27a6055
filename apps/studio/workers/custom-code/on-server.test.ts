import { fileURLToPath } from 'node:url';
import type { CodeInput } from '@arbeit/engine/rules';
import { afterAll, beforeAll, expect, test, vi } from 'vitest';
import { runnerOnServer, settledOnServer } from './on-server.ts';

const input: CodeInput = { value: '1', raw: '1', values: {}, today: '' };

beforeAll(() => {
  process.env.ARBEIT_STUDIO = fileURLToPath(new URL('../..', import.meta.url));
});
afterAll(() => runnerOnServer().end());

test('in a thread of its own: unknown at first, told when it is known, and known from then on', async () => {
  const { check, settled, subscribe } = runnerOnServer();
  const told = vi.fn();
  const stop = subscribe(told);
  const code = 'export default ({ value }) => ({ facts: { value } })';
  expect(check(code, input)).toBeUndefined();
  await settled();
  expect(told).toHaveBeenCalledOnce();
  expect(check(code, input)).toEqual({ answer: { facts: { value: '1' } } });
  stop();
});

const busy = [
  '[].indexOf.call({ length: 2 ** 53 - 1 }, 1)',
  'new Array(4e9).lastIndexOf(1)',
  'Array.from({ length: 2 ** 40 })',
  'new Array(1e8).fill("x").join("y")',
  '"x".padEnd(2 ** 29, "yz").replaceAll("z", "zz")',
  'new Array(2 ** 31).toString()',
];

test('what the engine itself is busy with is ended with its thread, and nobody else waits for it', async () => {
  const [hanging, other] = [runnerOnServer().session(), runnerOnServer().session()];
  const codes = busy.map((one) => `export default () => { ${one}; }`);
  for (const code of codes) hanging.check(code, input);
  let isOver = false;
  const over = hanging.settled().then(() => {
    isOver = true;
  });
  const good = 'export default () => ({ code: "good" })';
  other.check(good, input);
  await other.settled();
  expect([other.check(good, input), isOver]).toEqual([{ answer: { code: 'good' } }, false]);
  await over;
  // Ended by its memory, where the engine can tell, or not decided: in no case said to be right.
  for (const code of codes) {
    const outcome = hanging.check(code, input)!;
    expect('undecided' in outcome || 'broken' in outcome, code).toBe(true);
  }
});

test('who has to wait for own code gets what it comes to', async () => {
  const { check, shape } = settledOnServer();
  expect(await check('export default ({ value }) => ({ code: value })', { ...input, value: 'x' })).toEqual({
    answer: { code: 'x' },
  });
  expect(await shape('export const shape = (c) => c + "."', '1')).toEqual({ shown: '1.' });
  expect(await check('export default', input)).toHaveProperty('broken');
});
