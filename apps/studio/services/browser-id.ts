import { randomUUID } from 'node:crypto';

const cookie = 'arbeit-browser';

/** Which browser a request comes from: a secret that scripts cannot read. */
export interface BrowserId {
  readonly id: string;
  /** The header that sets the browser's id, if it has none yet. */
  readonly headers: Readonly<Record<string, string>>;
}

/** The browser of a request. A browser without an id receives one with the response. */
export function browserOf(request: Request): BrowserId {
  const cookies = (request.headers.get('cookie') ?? '').split(/;\s*/);
  const known = cookies.find((one) => one.startsWith(`${cookie}=`))?.slice(cookie.length + 1);
  if (known && /^[\w-]{36}$/.test(known)) return { id: known, headers: {} };
  const id = randomUUID();
  return { id, headers: { 'set-cookie': `${cookie}=${id}; Path=/; HttpOnly; SameSite=Strict` } };
}
