import { randomBytes, randomInt, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import { and, desc, eq, gt, isNull, lt, sql } from 'drizzle-orm';
import type { Database } from '../store/database.ts';
import { codes } from '../store/schema.ts';

/**
 * A message sender with a simulated telephone at the other end. Its codes have six digits and are stored as
 * salted hashes. A code is for one address, a limited time, a few attempts and one use.
 */

/**
 * How long a code is valid, the pause before another is sent, and the period in which sent codes are counted,
 * in milliseconds.
 */
export const lifetime = 5 * 60_000;
export const pauseBetween = 30_000;
const window = 60 * 60_000;
/**
 * Attempts per code, and codes per address and hour. Together they allow 25 guesses in a million per hour.
 */
export const mostAttempts = 5;
export const mostCodes = 5;

const derive = promisify<string, string, number, Buffer>(scrypt);
const hashOf = (code: string, salt: string): Promise<Buffer> => derive(code, salt, 32);

/** Whether a code was sent, and the seconds before another can be. `code` is only for the message. */
export type Sent =
  | { readonly ok: true; readonly code: string; readonly seconds: number }
  | { readonly ok: false; readonly seconds: number };

/** Creates a code for an address: a number (E.164) or an e-mail address. Earlier codes become invalid. */
export async function makeCode(db: Database, address: string, now = new Date()): Promise<Sent> {
  const code = String(randomInt(1_000_000)).padStart(6, '0');
  const salt = randomBytes(16).toString('hex');
  const hash = (await hashOf(code, salt)).toString('hex');
  return db.transaction(async (tx) => {
    // One request at a time per address: two at once would both find that nothing was sent recently.
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

/** The result of entering a code for an address. `left`: remaining attempts. */
export type Given =
  | { readonly is: 'right' }
  | { readonly is: 'wrong'; readonly left: number }
  /** No code was sent, or it has expired, was used, or had too many attempts. A guesser is not told which. */
  | { readonly is: 'void' };

/** Compared with if there is no code, so that the answer takes as long as with one. */
const nobody = {
  id: -1,
  salt: '0'.repeat(32),
  hash: '0'.repeat(64),
  verifiedAt: null,
  verifiedBy: null,
};

/**
 * Compares a code with the last one sent to an address, in constant time. Each attempt is counted before the
 * comparison, so that parallel attempts count like consecutive ones. A right code may be entered again until
 * it is used up, by the browser that entered it first. For any other browser it is void, right or wrong, so
 * guessing beside its owner reveals nothing.
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
  // If two browsers enter it at once, one is first.
  const verified = await db
    .update(codes)
    .set({ verifiedAt: now, verifiedBy: browser })
    .where(and(eq(codes.id, found.id), isNull(codes.verifiedAt)))
    .returning({ id: codes.id });
  return verified.length > 0 ? { is: 'right' } : { is: 'void' };
}

/** Uses up the code that this browser entered correctly for an address. Returns whether there was one. */
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
