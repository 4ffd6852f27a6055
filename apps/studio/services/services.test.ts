import { fileURLToPath } from 'node:url';
import { compileField } from '@arbeit/engine/document';
import { kinds } from '@arbeit/engine/kinds';
import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { Database, Store } from '../store/database.ts';
import { soundSet } from '../store/documents.ts';
import { newFolder } from '../store/new-folder.fixture.ts';
import { codes } from '../store/schema.ts';
import { openStore } from '../store/store.ts';
import { services } from './ask.ts';
import { behave, readManner, usualManner } from './manner.ts';
import { lookUp } from './passes.ts';
import { codePath } from './paths.ts';
import { takeRecord } from './records.ts';
import { giveCode, lifetime, makeCode, mostAttempts, mostCodes, pauseBetween, spendCode } from './sender.ts';
import { codeMessage, deliver, messagesOn } from './telephones.ts';

let db: Database;
let write: Store['write'];
let close: () => Promise<void>;
beforeAll(async () => {
  const migrations = fileURLToPath(new URL('../store/migrations', import.meta.url));
  ({ db, write, close } = await openStore(await newFolder(), migrations));
});
afterAll(() => close());

const start = new Date('2027-02-10T09:00:00Z');
const after = (milliseconds: number): Date => new Date(+start + milliseconds);
let count = 0;
/** A number reserved for fiction that no other test uses. */
const freshNumber = (): string => `+447700900${String(200 + count++).padStart(3, '0')}`;

async function codeFor(address: string, now = start): Promise<string> {
  const sent = await makeCode(db, address, now);
  if (!sent.ok) throw new RangeError(`Wait ${sent.seconds} s.`);
  return sent.code;
}
const otherThan = (code: string, n = 1): string => String((Number(code) + n) % 1_000_000).padStart(6, '0');

describe('the message sender', () => {
  test('takes a right code, again until it is spent, and then no more', async () => {
    const to = freshNumber();
    const code = await codeFor(to);
    expect(code).toMatch(/^\d{6}$/);
    expect(await spendCode(db, to, 'own', start)).toBe(false);
    expect(await giveCode(db, to, code, 'own', start)).toEqual({ is: 'right' });
    expect(await giveCode(db, to, code, 'own', start)).toEqual({ is: 'right' });
    const both = await Promise.all([spendCode(db, to, 'own', start), spendCode(db, to, 'own', start)]);
    expect(both.filter(Boolean)).toHaveLength(1);
    expect(await giveCode(db, to, code, 'own', start)).toEqual({ is: 'void' });
  });

  test('counts for the browser that gave it rightly, and guesses beside that one learn nothing', async () => {
    const to = freshNumber();
    const code = await codeFor(to);
    expect(await giveCode(db, to, code, 'own', start)).toEqual({ is: 'right' });
    // As many as anybody likes, the right one among them.
    for (let n = 0; n < 3 * mostAttempts; n++)
      expect(await giveCode(db, to, n === 7 ? code : otherThan(code, n + 1), 'other', start)).toEqual({
        is: 'void',
      });
    expect(await spendCode(db, to, 'other', start)).toBe(false);
    // From its own browser guesses are counted for ever too.
    for (let n = 0; n < 2 * mostAttempts; n++)
      expect(await giveCode(db, to, otherThan(code, n + 1), 'own', start)).toEqual({ is: 'void' });
    expect(await giveCode(db, to, code, 'own', start)).toEqual({ is: 'right' });
    expect(await spendCode(db, to, 'own', start)).toBe(true);
    expect(await giveCode(db, to, code, 'own', start)).toEqual({ is: 'void' });
  });

  test('is given rightly by one browser, of two at once', async () => {
    const to = freshNumber();
    const code = await codeFor(to);
    const both = await Promise.all(['one', 'two'].map((browser) => giveCode(db, to, code, browser, start)));
    expect(both.map(({ is }) => is).sort()).toEqual(['right', 'void']);
  });

  test('counts attempts, and after the last one the right code counts no more', async () => {
    const to = freshNumber();
    const code = await codeFor(to);
    for (let left = mostAttempts - 1; left > 0; left--)
      expect(await giveCode(db, to, otherThan(code, left), 'own', start)).toEqual({ is: 'wrong', left });
    expect(await giveCode(db, to, otherThan(code, 77), 'own', start)).toEqual({ is: 'void' });
    expect(await giveCode(db, to, code, 'own', start)).toEqual({ is: 'void' });
  });

  test('lets a code run out, and an older one count no more once another is sent', async () => {
    const to = freshNumber();
    const first = await codeFor(to);
    expect(await giveCode(db, to, first, 'own', after(lifetime + 1))).toEqual({ is: 'void' });
    const second = await codeFor(to, after(pauseBetween));
    if (second !== first)
      expect((await giveCode(db, to, first, 'own', after(pauseBetween))).is).toBe('wrong');
    expect(await giveCode(db, to, second, 'own', after(pauseBetween + 1))).toEqual({ is: 'right' });
  });

  test('waits before it sends another, and after so many in an hour for long', async () => {
    const to = freshNumber();
    await codeFor(to);
    expect(await makeCode(db, to, after(1000))).toEqual({ ok: false, seconds: 29 });
    for (let n = 1; n < mostCodes; n++) await codeFor(to, after(n * pauseBetween));
    const refused = await makeCode(db, to, after(mostCodes * pauseBetween));
    expect(refused).toEqual({ ok: false, seconds: 3600 - (mostCodes * pauseBetween) / 1000 });
    await codeFor(to, after(3_600_001));
  });

  test('sends one code to several requests at once', async () => {
    const to = freshNumber();
    const all = await Promise.all(Array.from({ length: 8 }, () => makeCode(db, to, start)));
    expect(all.filter(({ ok }) => ok)).toHaveLength(1);
  });

  test('keeps a salted hash and nothing the code could be read from', async () => {
    const [one, other] = [freshNumber(), freshNumber()];
    const code = await codeFor(one);
    await codeFor(other);
    const [row] = await db.select().from(codes).where(eq(codes.address, one));
    const [beside] = await db.select().from(codes).where(eq(codes.address, other));
    expect(JSON.stringify(row)).not.toContain(code);
    expect([row!.hash.length, row!.salt.length]).toEqual([64, 32]);
    expect(row!.salt).not.toBe(beside!.salt);
  });

  test('a code of six digits is out of reach of guessing, one after the other or all at once', async () => {
    const to = freshNumber();
    let hits = 0;
    let compared = 0;
    // An hour of a guesser who asks for a code as often as he may, and tries each many times at once.
    for (let now = 0; now < 3_600_000; now += 5 * pauseBetween) {
      const sent = await makeCode(db, to, after(now));
      if (!sent.ok) continue;
      const guesses = Array.from({ length: 8 }, (_, i) => otherThan(sent.code, i + 1));
      const answers = await Promise.all(guesses.map((guess) => giveCode(db, to, guess, 'own', after(now))));
      hits += answers.filter(({ is }) => is === 'right').length;
      compared += answers.filter(({ is }) => is === 'wrong').length + 1;
      // After so many even the right one is not taken.
      expect(await giveCode(db, to, sent.code, 'own', after(now))).toEqual({ is: 'void' });
    }
    expect(hits).toBe(0);
    // 25 of a million an hour: a day of it is one chance in 1,600.
    expect(compared).toBe(mostCodes * mostAttempts);
  });

  test('its message is read by a code field, pasted whole or filled in', () => {
    const field = compileField(
      { id: 'code', kind: 'one-time-code', label: 'Code', entry: { length: 6 } },
      { locale: 'en-GB' },
      kinds,
    );
    const { body } = field.kind.parse(field.plan, codeMessage('048151', 'localhost'));
    expect(field.kind.value(field.plan, body)).toBe('048151');
    deliver('+447700900000', 'one', start);
    deliver('+447700900000', 'two', start);
    expect(messagesOn('+447700900000').map(({ text }) => text)).toEqual(['two', 'one']);
    expect(messagesOn('+447700900999')).toEqual([]);
  });
});

test('the registry knows valid, expired and unknown passes', () => {
  expect(lookUp('AB-1234/FF', '2027-02-10')).toMatchObject({
    verdict: 'pass',
    facts: { until: '2027-12-31' },
  });
  expect(lookUp('RH-0042/AB', '2027-02-10')).toMatchObject({ verdict: 'fail', code: 'expired-pass' });
  for (const number of ['XX-0000/00', '__proto__', 'constructor'])
    expect(lookUp(number, '2027-02-10')).toMatchObject({ verdict: 'fail', code: 'unknown-pass' });
});

describe('the manner of the services', () => {
  test('is read from a cookie, and rubbish is the usual one', () => {
    const slow = { ...usualManner, delay: 5000, fails: 'always' };
    expect(readManner(encodeURIComponent(JSON.stringify(slow)))).toEqual(slow);
    for (const rubbish of [undefined, '', '%', '{}', 'null', encodeURIComponent('{"delay":1e9}')])
      expect(readManner(rubbish)).toEqual(usualManner);
  });

  test('fails every second time, and lets a later question overtake an earlier one', async () => {
    const twice = { ...usualManner, delay: 0, fails: 'every-second', browser: 'a' } as const;
    expect([await behave(twice), await behave(twice), await behave(twice)]).toEqual([true, false, true]);
    const order: string[] = [];
    const last = { ...usualManner, delay: 40, order: 'last-first', browser: 'b' } as const;
    await Promise.all([
      behave(last).then(() => order.push('first')),
      behave(last).then(() => order.push('second')),
    ]);
    expect(order).toEqual(['second', 'first']);
  });
});

describe('a record', () => {
  const days = { arrival: '14022027', departure: '16022027' };

  test('is checked with the rules of the page, and its code is spent with it', async () => {
    const set = (await soundSet(db, 'ridge-huts'))!;
    const to = '+447700900123';
    const sent = await makeCode(db, to);
    if (!sent.ok) throw new RangeError('too soon');
    const raw = { mobile: '07700900123', ...days, 'change-code': sent.code };
    const wrong = await takeRecord(
      write,
      set,
      'change',
      { ...raw, 'change-code': otherThan(sent.code) },
      'own',
    );
    expect(wrong).toMatchObject({ ok: false, findings: [{ field: 'change-code', code: 'wrong-code' }] });
    const early = await takeRecord(write, set, 'change', { ...raw, departure: '10022027' }, 'own');
    expect(early).toMatchObject({ ok: false, findings: [{ field: 'departure' }] });
    expect(await takeRecord(write, set, 'change', raw, 'own')).toMatchObject({
      ok: true,
      record: { values: { mobile: to, arrival: '2027-02-14', departure: '2027-02-16' } },
    });
    expect(await takeRecord(write, set, 'change', raw, 'own')).toMatchObject({
      ok: false,
      findings: [{ field: 'change-code', code: 'void-code' }],
    });
    expect(await takeRecord(write, set, 'nobody', raw, 'own')).toBeUndefined();
  });

  test('asks nobody but the services there are', () => {
    expect(Object.keys(services).sort()).toEqual([codePath, '/api/services/passes'].sort());
  });
});
