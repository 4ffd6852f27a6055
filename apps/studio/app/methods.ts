import * as words from '../words/app/methods.ts';
import { onEveryRequest } from './every-request.ts';

/**
 * Methods that the platform's requests cannot have (Fetch, forbidden methods). Next cannot represent them,
 * and would answer 500.
 */
const forbidden = ['TRACE', 'TRACK', 'CONNECT'];

/** Makes every HTTP server of this process answer these methods with 405, before a request object is made. */
export function refuseMethods(): void {
  onEveryRequest('methods', ({ method = '' }, response) => {
    if (!forbidden.includes(method)) return false;
    response.writeHead(405, {
      allow: 'GET, HEAD, POST, PUT, PATCH, DELETE',
      'content-type': 'application/json',
      'x-content-type-options': 'nosniff',
    });
    response.end(JSON.stringify({ error: words.methodIsNotAllowed(method) }));
    return true;
  });
}
