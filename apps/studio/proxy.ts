import { type NextRequest, NextResponse } from 'next/server';
import { refusalOf } from './app/guard.ts';

/**
 * Runs before every page and route: checks the browser id, the origin and the address of the request, and
 * sets the page's Content-Security-Policy with a new nonce for each response.
 */
export function proxy(request: NextRequest): NextResponse {
  const refusal = refusalOf({
    method: request.method,
    url: request.url,
    header: (name) => request.headers.get(name),
  });
  // Health checks may use any host name, because the response tells nothing but the state.
  if (/^\/(?:healthz|readyz)$/.test(request.nextUrl.pathname)) return withHeaders(NextResponse.next());
  if (refusal) return withHeaders(NextResponse.json({ error: refusal.why }, { status: refusal.status }));
  // A worker has a policy of its own. Only that one may compile WebAssembly, for custom code.
  if (request.headers.get('sec-fetch-dest') === 'worker') {
    const response = withHeaders(NextResponse.next());
    response.headers.set('content-security-policy', workerPolicy);
    return response;
  }
  // Scripts, styles and icons are not pages: the page that loads them decides what they may do. Opened
  // directly they do nothing.
  if (/^\/(?:_next\/static\/|icon\.svg$)/.test(request.nextUrl.pathname)) {
    const response = NextResponse.next();
    // Nothing in a file is anybody's, and a first visit loads twenty: they carry no headers of pages.
    response.headers.set('x-content-type-options', 'nosniff');
    response.headers.set('content-security-policy', fileOnly);
    return response;
  }
  const nonce = btoa(crypto.randomUUID());
  const isLive = /^\/sets\/[^/]+\/hand-off\/live$/.test(request.nextUrl.pathname);
  const isSheet = /^\/sets\/[^/]+\/proof-sheet$/.test(request.nextUrl.pathname);
  const policy = isLive ? livePolicy(nonce) : isSheet ? sheetPolicy : policyWith(nonce);
  const headers = new Headers(request.headers);
  // Next reads the nonce for its own scripts from here, and so does the layout.
  headers.set('content-security-policy', policy);
  headers.set('x-nonce', nonce);
  // A page with a former id of its set redirects based on this.
  headers.set('x-path', `${request.nextUrl.pathname}${request.nextUrl.search}`);
  const response = withHeaders(NextResponse.next({ request: { headers } }));
  response.headers.set('content-security-policy', policy);
  if (isLive) response.headers.set('x-frame-options', 'SAMEORIGIN');
  return response;
}

/**
 * The policy of the live preview of a hand-off, in a frame without an origin: it cannot access the page
 * around it or the store, and cannot make requests.
 */
const livePolicy = (nonce: string): string =>
  `default-src 'none'; script-src 'nonce-${nonce}'; style-src 'nonce-${nonce}'; form-action 'none'; base-uri 'none'; frame-ancestors 'self'; sandbox allow-scripts allow-forms`;

/** The policy of a proof sheet: a text with its own style, which runs and loads nothing. */
const sheetPolicy =
  "default-src 'none'; style-src 'unsafe-inline'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";

/** The policy of a script, style, font or icon; short, because a first visit loads twenty. */
const fileOnly = "default-src 'none'";

/** The policy of a worker: it loads its own scripts and nothing else. */
const workerPolicy = "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'";

function policyWith(nonce: string): string {
  const isDev = process.env.NODE_ENV === 'development';
  return [
    "default-src 'none'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${isDev ? " 'unsafe-eval'" : ''}`,
    `style-src 'self' ${isDev ? "'unsafe-inline'" : `'nonce-${nonce}'`}`,
    // Positions and widths are set as inline styles, which have no nonce.
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self'",
    `connect-src 'self'${isDev ? ' ws:' : ''}`,
    "form-action 'self'",
    "base-uri 'none'",
    "frame-src 'self'",
    "frame-ancestors 'none'",
    "manifest-src 'self'",
    "worker-src 'self'",
  ].join('; ');
}

function withHeaders(response: NextResponse): NextResponse {
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('cross-origin-resource-policy', 'same-origin');
  response.headers.set('x-frame-options', 'DENY');
  response.headers.set('referrer-policy', 'no-referrer');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  response.headers.set('permissions-policy', 'camera=(), microphone=(), geolocation=()');
  return response;
}

export const config = { matcher: '/:path*' };
