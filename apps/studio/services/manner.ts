import { z } from 'zod';

/**
 * How the stand-in services behave for one browser. It is set by a cookie, so that tests do not affect each
 * other.
 */
const shape = z.strictObject({
  /** Time before a response, in milliseconds. */
  delay: z.int().min(0).max(10_000),
  /** Which requests fail. */
  fails: z.enum(['never', 'always', 'every-second']),
  /** Whether later requests are answered first. */
  order: z.enum(['as-asked', 'last-first']),
  /** Distinguishes browsers. */
  browser: z.string().regex(/^[\w-]{1,40}$/),
});

export type Manner = z.infer<typeof shape>;

export const mannerCookie = 'arbeit-services';
export const usualManner: Manner = { delay: 300, fails: 'never', order: 'as-asked', browser: 'anybody' };

/** The behaviour in a cookie's text; the default if the cookie is missing or invalid. */
export function readManner(text: string | undefined): Manner {
  if (text === undefined) return usualManner;
  try {
    const read = shape.safeParse(JSON.parse(decodeURIComponent(text)));
    return read.success ? read.data : usualManner;
  } catch {
    return usualManner;
  }
}

/** The behaviour for a request. */
export function mannerOf(request: Request): Manner {
  const cookies = (request.headers.get('cookie') ?? '').split(/;\s*/);
  const own = cookies.find((one) => one.startsWith(`${mannerCookie}=`));
  return readManner(own?.slice(mannerCookie.length + 1));
}

/** Requests of a browser: how many are waiting, and how many there have been. */
const counts = new Map<string, { waiting: number; asked: number }>();

/** Waits as the behaviour says. Resolves to whether the request is answered at all. */
export async function behave({ delay, fails, order, browser }: Manner): Promise<boolean> {
  const count = counts.get(browser) ?? { waiting: 0, asked: 0 };
  counts.set(browser, count);
  // Browsers are told apart by their cookie, which they can make up: the number must be limited.
  if (counts.size > 500) counts.clear();
  const nth = ++count.asked;
  // Each request that waits lets later ones go first.
  const share = order === 'last-first' ? Math.max(1, 3 - count.waiting) : 1;
  count.waiting++;
  await new Promise((done) => setTimeout(done, delay * share));
  count.waiting--;
  return fails === 'never' || (fails === 'every-second' && nth % 2 === 1);
}
