import * as words from '../words/app/guard.ts';

/** The parts of a request that are checked before anything else. */
export interface IncomingRequest {
  readonly method: string;
  readonly url: string;
  /** A header by its name in lower case; `null` if missing. */
  header(name: string): string | null;
}

export interface Refusal {
  readonly status: number;
  readonly why: string;
}

const loopback = /^(?:localhost|127(?:\.\d{1,3}){3}|\[::1\])(?::\d{1,5})?$/;
const reading = ['GET', 'HEAD'];

/** Host names the server accepts beside those of this machine: `ARBEIT_HOSTS`, separated by commas. */
const otherHosts = (): readonly string[] =>
  (process.env.ARBEIT_HOSTS ?? '')
    .split(',')
    .map((host) => host.trim().toLowerCase())
    .filter(Boolean);

/**
 * Why a request is refused, if it is. Requests that other sites cause are refused: browsers tell where a
 * request comes from (Fetch Metadata, `Origin`), and `Host` shows a name that somebody else pointed here (DNS
 * rebinding). Programs that are not browsers send none of these, and are accepted, because they run on this
 * machine.
 */
export function refusalOf({ method, url, header }: IncomingRequest): Refusal | undefined {
  const host = (header('host') ?? '').toLowerCase();
  if (!loopback.test(host) && !otherHosts().includes(host))
    return {
      status: 403,
      why: words.hostIsNotAllowed(host.slice(0, 100)),
    };
  const site = header('sec-fetch-site');
  const origin = header('origin');
  const isPageVisit =
    reading.includes(method) &&
    header('sec-fetch-mode') === 'navigate' &&
    header('sec-fetch-dest') === 'document';
  const isFromElsewhere = site !== null && site !== 'same-origin' && site !== 'none';
  if (isFromElsewhere && !isPageVisit) return fromElsewhere;
  if (isPageVisit && isFromElsewhere && isRoute(url)) return fromElsewhere;
  if (origin !== null && !isOwn(origin, host)) return fromElsewhere;
  const path = pathOf(url);
  if (path === undefined || path.includes('\0')) return { status: 400, why: words.invalidUrl };
  if (!isRoute(url) && !reading.includes(method)) return { status: 405, why: words.onlyGetAndHeadAre };
  if (url.length > 4000) return { status: 414, why: words.theAddressIsTooLong };
  return undefined;
}

const fromElsewhere: Refusal = { status: 403, why: words.crossOriginRequestsAreNot };

const isRoute = (url: string): boolean => new URL(url).pathname.startsWith('/api/');

function isOwn(origin: string, host: string): boolean {
  try {
    return new URL(origin).host.toLowerCase() === host;
  } catch {
    return false;
  }
}

function pathOf(url: string): string | undefined {
  try {
    return decodeURIComponent(new URL(url).pathname);
  } catch {
    return undefined;
  }
}
