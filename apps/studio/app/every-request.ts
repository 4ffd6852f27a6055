import type { IncomingMessage, ServerResponse } from 'node:http';

/** Handles a request of any HTTP server of this process first. Returns `true` if it sent the response. */
type Look = (request: IncomingMessage, response: ServerResponse) => boolean;

type Emit = (type: string, ...rest: unknown[]) => boolean;

const looks = Symbol.for('arbeit.requests');

/**
 * Registers a handler that sees every request, including those that Next would fail on. A handler with the
 * same name is registered once, however many copies of this module exist.
 */
export function onEveryRequest(name: string, look: Look): void {
  const { Server } = process.getBuiltinModule('node:http');
  const place = Server.prototype as { [looks]?: Map<string, Look>; emit: Emit };
  const known = place[looks];
  if (known) {
    known.set(name, look);
    return;
  }
  const all = new Map([[name, look]]);
  place[looks] = all;
  const { emit } = place;
  place.emit = function (this: unknown, type, ...rest) {
    if (type === 'request') {
      const [request, response] = rest as [IncomingMessage, ServerResponse];
      for (const one of all.values()) if (one(request, response)) return true;
    }
    return emit.call(this, type, ...rest);
  };
}
