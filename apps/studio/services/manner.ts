import { z } from 'zod';

/**
 * How the stand-in services behave for one browser: a cookie says it, so that nobody else's tests are
 * disturbed.
 */
const shape = z.strictObject({
  /** How long an answer takes, in milliseconds. */
  delay: z.int().min(0).max(10_000),
  /** Which questions get no answer. */
  fails: z.enum(['never', 'always', 'every-second']),
  /** Whether a question asked later is answered first. */
  order: z.enum(['as-asked', 'last-first']),
  /** Tells one browser from the next. */
  browser: z.string().regex(/^[\w-]{1,40}$/),
});

export type Manner = z.infer<typeof shape>;

export const mannerCookie = 'arbeit-services';
export const usualManner: Manner = { delay: 300, fails: 'never', order: 'as-asked', browser: 'anybody' };

/** The manner a cookie's text says; the usual one where it says none, or rubbish. */
export function readManner(text: string | undefined): Manner {
  if (text === undefined) return usualManner;
  try {
    const read = shape.safeParse(JSON.parse(decodeURIComponent(text)));
    return read.success ? read.data : usualManner;
  } catch {
    return usualManner;
  }
}

/** The manner a request comes with. */
export function mannerOf(request: Request): Manner {
  const cookies = (request.headers.get('cookie') ?? '').split(/;\s*/);
  const own = cookies.find((one) => one.startsWith(`${mannerCookie}=`));
  return readManner(own?.slice(mannerCookie.length + 1));
}

/**
 * What is under way for a browser: how many questions wait for their answer, and how many there have been.
 */
const counts = new Map<string, { waiting: number; asked: number }>();

/** Waits as the manner says, and tells whether the question is to be answered at all. */
export async function behave({ delay, fails, order, browser }: Manner): Promise<boolean> {
  const count = counts.get(browser) ?? { waiting: 0, asked: 0 };
  counts.set(browser, count);
  // The browsers are told apart by their cookie, which is theirs to make up.
  if (counts.size > 500) counts.clear();
  const nth = ++count.asked;
  // Each that waits already lets the next go first.
  const share = order === 'last-first' ? Math.max(1, 3 - count.waiting) : 1;
  count.waiting++;
  await new Promise((done) => setTimeout(done, delay * share));
  count.waiting--;
  return fails === 'never' || (fails === 'every-second' && nth % 2 === 1);
}
