import type { IncomingMessage, ServerResponse } from 'node:http';

/** Methods that no request of the platform's may have (Fetch, forbidden methods): Next cannot make one of them, and would answer 500. */
const forbidden = ['TRACE', 'TRACK', 'CONNECT'];

const marked = Symbol.for('arbeit.methods');

/** Has every HTTP server of this process answer such methods with 405, before anybody makes a request of them. */
export function refuseMethods(): void {
  const { Server } = process.getBuiltinModule('node:http');
  const place = Server.prototype as { [marked]?: true; emit: (type: string, ...rest: unknown[]) => boolean };
  if (place[marked]) return;
  place[marked] = true;
  const { emit } = place;
  place.emit = function (this: unknown, type: string, ...rest: unknown[]): boolean {
    const [request, response] = rest as [IncomingMessage, ServerResponse];
    if (type !== 'request' || !forbidden.includes(request.method ?? ''))
      return emit.call(this, type, ...rest);
    const body = JSON.stringify({ error: `Arbeit does not answer ${request.method}.` });
    response.writeHead(405, {
      allow: 'GET, HEAD, POST, PUT, PATCH, DELETE',
      'content-type': 'application/json',
      'x-content-type-options': 'nosniff',
    });
    response.end(body);
    return true;
  };
}
