/** A request as far as it is looked at before anything is done with it. */
export interface IncomingRequest {
  readonly method: string;
  readonly url: string;
  /** A header by its name in small letters; `null` where there is none. */
  header(name: string): string | null;
}

export interface Refusal {
  readonly status: number;
  readonly why: string;
}

const loopback = /^(?:localhost|127(?:\.\d{1,3}){3}|\[::1\])(?::\d{1,5})?$/;
const reading = ['GET', 'HEAD'];

/** Names the server answers to beside this machine's own: `ARBEIT_HOSTS`, with commas. */
const otherHosts = (): readonly string[] =>
  (process.env.ARBEIT_HOSTS ?? '')
    .split(',')
    .map((host) => host.trim().toLowerCase())
    .filter(Boolean);

/**
 * Why a request is not dealt with, if so. A page from elsewhere can do nothing: its browser says where it
 * comes from (Fetch Metadata, `Origin`), and a name that leads here by somebody else's doing (DNS rebinding)
 * is in `Host`. What is no browser says nothing of the kind, and is let through: it runs on this machine.
 */
export function refusalOf({ method, url, header }: IncomingRequest): Refusal | undefined {
  const host = (header('host') ?? '').toLowerCase();
  if (!loopback.test(host) && !otherHosts().includes(host))
    return {
      status: 403,
      why: `Arbeit does not answer to the name "${host.slice(0, 100)}". Name it in ARBEIT_HOSTS if it should.`,
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
  if (path === undefined || path.includes('\0'))
    return { status: 400, why: 'The address cannot be read: it has an escape that is none, or a NUL.' };
  if (!isRoute(url) && !reading.includes(method)) return { status: 405, why: 'A page can only be read.' };
  if (url.length > 4000) return { status: 414, why: 'The address is too long.' };
  return undefined;
}

const fromElsewhere: Refusal = { status: 403, why: 'A page from elsewhere may not ask this.' };

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
