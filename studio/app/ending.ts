import type { ServerResponse } from 'node:http';

/** So long requests under way may take once the process is asked to end, in milliseconds: with what closing the store takes it is ten seconds at most. */
const mostUnderWay = 6_000;
const mostClosing = 3_000;

const marked = Symbol.for('arbeit.ending');
const later = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** Requests that every HTTP server of this process is answering. */
let underWay = 0;

function countRequests(): void {
  const { Server } = process.getBuiltinModule('node:http');
  const place = Server.prototype as { [marked]?: true; emit: (type: string, ...rest: unknown[]) => boolean };
  if (place[marked]) return;
  place[marked] = true;
  const { emit } = place;
  place.emit = function (this: unknown, type: string, ...rest: unknown[]): boolean {
    if (type === 'request') {
      underWay++;
      (rest[1] as ServerResponse).once('close', () => underWay--);
    }
    return emit.call(this, type, ...rest);
  };
}

/**
 * Ends the process as it is asked to (SIGTERM, SIGINT): requests under way are answered, connections that only wait are cut, and the store is closed. Within ten
 * seconds, whatever is open.
 */
export function endWell(close: () => Promise<void>): void {
  countRequests();
  const end = async (): Promise<void> => {
    for (const from = Date.now(); underWay > 0 && Date.now() - from < mostUnderWay; ) await later(50);
    await Promise.race([close().catch(() => undefined), later(mostClosing)]);
    process.exit(0);
  };
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, () => void end());
}
