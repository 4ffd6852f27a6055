import { randomBytes, randomInt, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import { and, desc, eq, gt, isNull, lt, sql } from 'drizzle-orm';
import type { Database } from '../store/database.ts';
import { codes } from '../store/schema.ts';

/**
 * A message sender as such services are, with a simulated telephone at its other end: codes of six digits, of
 * which it keeps a salted hash; each for one address, for a while, for a few attempts, for one use.
 */

/**
 * How long a code counts, how long to wait before another is sent, and over how long sent ones are counted,
 * in milliseconds.
 */
export const lifetime = 5 * 60_000;
export const pauseBetween = 30_000;
const window = 60 * 60_000;
/**
 * So many attempts a code, so many codes an address in an hour: guessing comes to 25 tries in a million an
 * hour.
 */
export const mostAttempts = 5;
export const mostCodes = 5;

const derive = promisify<string, string, number, Buffer>(scrypt);
const hashOf = (code: string, salt: string): Promise<Buffer> => derive(code, salt, 32);

/** Whether a code was sent, and after how many seconds another may be. `code` is for the message alone. */
export type Sent =
  | { readonly ok: true; readonly code: string; readonly seconds: number }
  | { readonly ok: false; readonly seconds: number };

/** Makes a code for an address, a number (E.164) or an e-mail address. An older one counts no more. */
export async function makeCode(db: Database, address: string, now = new Date()): Promise<Sent> {
  const code = String(randomInt(1_000_000)).padStart(6, '0');
  const salt = randomBytes(16).toString('hex');
  const hash = (await hashOf(code, salt)).toString('hex');
  return db.transaction(async (tx) => {
    // One at a time for an address: two requests at once would both find that nothing was sent lately.
    await tx.execute(sql`select pg_advisory_xact_lock(hashtext(${address}))`);
    await tx.delete(codes).where(lt(codes.sentAt, new Date(+now - 24 * window)));
    const lately = await tx
      .select({ sentAt: codes.sentAt })
      .from(codes)
      .where(and(eq(codes.address, address), gt(codes.sentAt, new Date(+now - window))))
      .orderBy(desc(codes.sentAt));
    const waits = [
      lately[0] ? +lately[0].sentAt + pauseBetween - +now : 0,
      lately.length >= mostCodes ? +lately[mostCodes - 1]!.sentAt + window - +now : 0,
    ];
    const seconds = Math.ceil(Math.max(...waits) / 1000);
    if (seconds > 0) return { ok: false, seconds };
    await tx
      .update(codes)
      .set({ expiresAt: now })
      .where(and(eq(codes.address, address), gt(codes.expiresAt, now)));
    await tx.insert(codes).values({ address, salt, hash, sentAt: now, expiresAt: new Date(+now + lifetime) });
    return { ok: true, code, seconds: pauseBetween / 1000 };
  });
}

/** What a code given for an address comes to. `left`: how many attempts remain. */
export type Given =
  | { readonly is: 'right' }
  | { readonly is: 'wrong'; readonly left: number }
  /**
   * None was sent, it has run out, was used, or was guessed at too often: which of these a guesser is not
   * told.
   */
  | { readonly is: 'void' };

/** What is compared with where there is no code: an answer must not come sooner for it. */
const nobody = {
  id: -1,
  salt: '0'.repeat(32),
  hash: '0'.repeat(64),
  verifiedAt: null,
  verifiedBy: null,
};

/**
 * Compares a code with the one sent last to an address, in constant time. Each attempt is counted before it
 * is compared, so that many at once are no more than many in a row, and for as long as the code counts. A
 * right one may be given again until it is spent, by the browser that gave it first: for any other it is
 * void, right or wrong, so nobody learns anything by guessing beside its owner.
 */
export async function giveCode(
  db: Database,
  address: string,
  code: string,
  browser: string,
  now = new Date(),
): Promise<Given> {
  const [found = nobody] = await db
    .select()
    .from(codes)
    .where(and(eq(codes.address, address), gt(codes.expiresAt, now), isNull(codes.spentAt)))
    .orderBy(desc(codes.sentAt))
    .limit(1);
  const counted = await db
    .update(codes)
    .set({ attempts: sql`${codes.attempts} + 1` })
    .where(eq(codes.id, found.id))
    .returning({ attempts: codes.attempts });
  const isSame = timingSafeEqual(await hashOf(code, found.salt), Buffer.from(found.hash, 'hex'));
  const attempts = counted[0]?.attempts;
  if (found.verifiedAt && found.verifiedBy !== browser) return { is: 'void' };
  if (isSame && found.verifiedAt) return { is: 'right' };
  if (attempts === undefined || attempts > mostAttempts) return { is: 'void' };
  if (!isSame)
    return attempts < mostAttempts ? { is: 'wrong', left: mostAttempts - attempts } : { is: 'void' };
  // Of two browsers that give it at once, one is the first.
  const verified = await db
    .update(codes)
    .set({ verifiedAt: now, verifiedBy: browser })
    .where(and(eq(codes.id, found.id), isNull(codes.verifiedAt)))
    .returning({ id: codes.id });
  return verified.length > 0 ? { is: 'right' } : { is: 'void' };
}

/** Uses up the code that this browser gave rightly for an address, once: whether there was one. */
export async function spendCode(
  db: Database,
  address: string,
  browser: string,
  now = new Date(),
): Promise<boolean> {
  const spent = await db
    .update(codes)
    .set({ spentAt: now })
    .where(
      and(
        eq(codes.address, address),
        gt(codes.expiresAt, now),
        isNull(codes.spentAt),
        eq(codes.verifiedBy, browser),
      ),
    )
    .returning({ id: codes.id });
  return spent.length > 0;
}
