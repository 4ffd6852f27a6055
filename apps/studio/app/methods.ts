import { onEveryRequest } from './every-request.ts';

/**
 * Methods that no request of the platform's may have (Fetch, forbidden methods): Next cannot make one of
 * them, and would answer 500.
 */
const forbidden = ['TRACE', 'TRACK', 'CONNECT'];

/**
 * Has every HTTP server of this process answer such methods with 405, before anybody makes a request of them.
 */
export function refuseMethods(): void {
  onEveryRequest('methods', ({ method = '' }, response) => {
    if (!forbidden.includes(method)) return false;
    response.writeHead(405, {
      allow: 'GET, HEAD, POST, PUT, PATCH, DELETE',
      'content-type': 'application/json',
      'x-content-type-options': 'nosniff',
    });
    response.end(JSON.stringify({ error: `Arbeit does not answer ${method}.` }));
    return true;
  });
}
